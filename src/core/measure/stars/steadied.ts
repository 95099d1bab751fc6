import { median } from '../smooth';
import type { StarFound } from './findStars';

/** What the field of all stars says of one place: length and direction, with the error of the length as twice its deviation. */
type FieldAt = (x: number, y: number) => { lengthPx: number; plusMinus: number; directionDeg: number };

/** Stars brighter than this, in signal to noise, tell how far single stars stray from the field. */
const BRIGHT = 60;
const LEAST_BRIGHT = 8;
/** The field is never better than this, px. */
const LEAST_STRAY = 0.03;
/** A star farther off than so many errors ran its own way. */
const OWN_WAY = 3;

/** Half-width of a steadied star's error, in deviations: own errors are told a little wide. */
const WIDE = 1.5;

/** The mean of two directions between 0 and 180°, the first weighing so much of the whole. */
function between(first: number, second: number, weight: number): number {
  const [a, b] = [(first * Math.PI) / 90, (second * Math.PI) / 90];
  const turn = Math.atan2(
    weight * Math.sin(a) + (1 - weight) * Math.sin(b),
    weight * Math.cos(a) + (1 - weight) * Math.cos(b),
  );
  return ((turn * 90) / Math.PI + 180) % 180;
}

/**
 * Faint stars steadied by the field of all: what their own light tells and what lies around them, each by its error. How far
 * single stars stray from the field is told by the bright ones; a star that ran its own way is left as it is.
 *
 * @source the mean of two independent measurements, weighed by 1/σ²
 */
export function steadied(stars: readonly StarFound[], fieldAt: FieldAt): StarFound[] {
  const told = stars.map((star) => ({ star, at: fieldAt(star.x, star.y) }));
  const bright = told.filter(({ star }) => star.snr > BRIGHT && !star.upperLimit && !star.saturated);
  if (bright.length < LEAST_BRIGHT) return [...stars];
  const off = 1.4826 * median(bright.map(({ star, at }) => Math.abs(star.lengthPx - at.lengthPx)));
  // How far they are off is their own error, too: what is left of it is how stars stray.
  const ownError = median(bright.map(({ star }) => star.plusMinus / 2));
  const stray = Math.sqrt(Math.max(LEAST_STRAY ** 2, off ** 2 - ownError ** 2));
  return told.map(({ star, at }) => {
    if (star.upperLimit) return star;
    const own = star.plusMinus / 2;
    const field = Math.hypot(stray, at.plusMinus / 2);
    if (Math.abs(star.lengthPx - at.lengthPx) > OWN_WAY * Math.hypot(own, field)) return star;
    const weight = field ** 2 / (own ** 2 + field ** 2);
    return {
      ...star,
      lengthPx: weight * star.lengthPx + (1 - weight) * at.lengthPx,
      plusMinus: WIDE * own * Math.sqrt(weight),
      directionDeg: between(star.directionDeg, at.directionDeg, weight),
    };
  });
}
