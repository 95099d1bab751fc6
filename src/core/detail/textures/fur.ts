import { noiseOf } from './noise';

/** Distances in the coat of an animal 300 mm long, mm: tufts, locks, guard hairs and the underfur between them. */
const TUFT_MM = 11;
const LOCK_MM = 1.9;
const HAIR_MM = 0.22;
const UNDERFUR_MM = 0.09;
/** How much longer than wide a mark of the coat is. */
const LONG = 14;

const tuft = noiseOf(31);
const turn = noiseOf(37);
const lockOf = noiseOf(41);
const hairOf = noiseOf(43);
const underOf = noiseOf(47);
const shade = noiseOf(53);

/**
 * Brightness of a coat of our own making at a place on the subject, 0 to 1: hairs lying along a slowly turning direction,
 * gathered in locks, each lock banded towards its tip, over darker underfur.
 *
 * @param xMm across, in mm of a subject 300 mm long
 * @param yMm down
 */
export function fur(xMm: number, yMm: number): number {
  // The lie of the coat: places are moved aside by a slow noise, so that the marks bend together.
  const lie = 5 * (tuft(xMm / TUFT_MM, yMm / TUFT_MM) - 0.5) + 0.8 * (turn(xMm / 4, yMm / 4) - 0.5);
  const across = xMm + lie;
  const along = yMm + 0.35 * lie;
  const lock = lockOf(across / LOCK_MM, along / (LOCK_MM * 4));
  const hair = hairOf(across / HAIR_MM, along / (HAIR_MM * LONG));
  const under = underOf(across / UNDERFUR_MM, along / (UNDERFUR_MM * LONG));
  const band = 0.5 + 0.5 * Math.sin((2 * Math.PI * along) / 3.1 + 9 * lock);
  const gap = Math.max(0, 0.35 - lock) * 1.3;
  return Math.min(
    1,
    Math.max(
      0,
      0.2 +
        0.16 * lock +
        0.62 * (hair - 0.4) +
        0.3 * (under - 0.3) +
        0.16 * band * lock -
        gap +
        0.14 * shade(xMm / 30, yMm / 30),
    ),
  );
}
