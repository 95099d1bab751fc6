import { hash, noiseOf } from './noise';

/** The back of a beetle 20 mm long, mm: grooves that run along it, pits in them, and a fine grain. */
const GROOVE_MM = 0.62;
const PIT_MM = 0.3;
const GRAIN_MM = 0.035;

const sheenOf = noiseOf(79);
const grain = noiseOf(83);

/**
 * Brightness of a wing case of our own making, 0 to 1: lengthwise grooves set with pits, a fine grain, and a sheen.
 *
 * @param xMm across, in mm of a body 20 mm long
 * @param yMm down
 */
export function shell(xMm: number, yMm: number): number {
  const groove = Math.round(xMm / GROOVE_MM);
  const aside = xMm / GROOVE_MM - groove;
  const shift = hash(groove, 0, 73) * PIT_MM;
  const pit = Math.round((yMm + shift) / PIT_MM);
  const along = (yMm + shift) / PIT_MM - pit;
  const hollow = Math.max(0, 1 - Math.hypot(aside * 4.2, along * 2.4) ** 2);
  const bow = 0.5 + 0.5 * Math.cos(2 * Math.PI * (aside + 0.5));
  const sheen = sheenOf(xMm / 2.4, yMm / 5);
  return Math.min(
    1,
    Math.max(
      0,
      0.2 +
        0.34 * bow * (0.4 + sheen) +
        0.1 * (grain(xMm / GRAIN_MM, yMm / GRAIN_MM) - 0.5) -
        0.42 * hollow +
        0.14 * hash(groove, pit, 89),
    ),
  );
}
