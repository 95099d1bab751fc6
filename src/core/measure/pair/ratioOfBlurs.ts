/** A number and its deviation. */
export interface Line {
  value: number;
  error: number;
}

/** Finest detail of the second picture ÷ that of the first, along a length, and what that is off by at most, about 95 %. */
export interface RatioOfBlurs {
  ratio: number;
  plusMinus: number;
}

/** A square pixel blurs like a Gaussian of this squared deviation, in its own px. */
const PIXEL = 1 / 12;
/**
 * Squared blur of a lens about as sharp as its pixels, px² of its own, and the deviation of its logarithm: from 0.1 px², hardly
 * more than the pixel itself, to 5 px², soft at a glance, in 95 of 100.
 */
const USUAL_LENS = 0.7;
const SPREAD = 1;
const STEPS = 400;
/** Blur beyond this, px² of one's own, no picture worth comparing has. */
const MOST = 100;

/** How unlikely a blur is for a picture whose pixel has this square, in squared deviations. */
const unlike = (blur: number, pixel: number): number => (Math.log(blur / (USUAL_LENS * pixel)) / SPREAD) ** 2;

interface Trial {
  a: number;
  b: number;
  ratio: number;
  weight: number;
}

/** All that both squared blurs may be, and how likely. */
function trials(difference: number, pixelB: number, together: Line | null): Trial[] {
  // The one that blurs less has at least its pixel's blur, and so has the other, whose pixel may be the larger.
  const [low, high] = [PIXEL * (difference < 0 ? pixelB : 1), MOST * Math.max(1, pixelB)];
  const all = Array.from({ length: STEPS }, (_, i) => {
    const less = low * (high / low) ** ((i + 0.5) / STEPS);
    const [a, b] = difference < 0 ? [less - difference, less] : [less, less + difference];
    const off = together ? ((a + b - together.value) / together.error) ** 2 : 0;
    const possible = a >= PIXEL && b >= PIXEL * pixelB;
    return { a, b, squares: possible ? off + unlike(a, 1) + unlike(b, pixelB) : Infinity };
  });
  const least = Math.min(...all.map(({ squares }) => squares));
  return all.map(({ a, b, squares }) => ({ a, b, ratio: Math.sqrt(a / b), weight: Math.exp((least - squares) / 2) }));
}

/** The first of what is sorted at which so much of all weight is reached. */
function reached<T extends { weight: number }>(sorted: readonly T[], share: number): T {
  const total = sorted.reduce((sum, { weight }) => sum + weight, 0);
  let sum = 0;
  return sorted.find(({ weight }) => (sum += weight) >= share * total) ?? sorted[sorted.length - 1]!;
}

/**
 * How much more detail the second of two pictures has, by how their squared blurs differ, by what both blur together, and by how
 * sharp pictures usually are. The middle of all that is possible; its ± holds 95 of 100 of it.
 *
 * @param difference squared blur of the second less that of the first, px² of the first, and its deviation
 * @param pixelB square of a pixel of the second, px² of the first
 * @param together sum of both squared blurs, px² of the first; nothing where the pictures share too little to tell
 */
export function ratioOfBlurs(difference: Line, pixelB: number, together: Line | null): RatioOfBlurs {
  const possible = trials(difference.value, pixelB, together);
  const { ratio, a, b } = reached(possible, 0.5);
  const away = possible
    .map((trial) => ({ weight: trial.weight, off: Math.abs(trial.ratio - ratio) }))
    .sort((one, other) => one.off - other.off);
  // d ln(ratio) = ½·(da/a − db/b), the difference shared by both.
  const byDifference = ratio * (difference.error / 4) * (1 / a + 1 / b);
  return { ratio, plusMinus: Math.hypot(reached(away, 0.95).off, 2 * byDifference) };
}
