/** A number and its deviation. */
export interface Line {
  value: number;
  error: number;
}

/** Finest detail of the second picture ÷ that of the first, along a length: the middle, and what 95 of 100 lie between. */
export interface RatioOfBlurs {
  ratio: number;
  least: number;
  most: number;
}

/** A square pixel blurs like a Gaussian of this squared deviation, in its own px. */
const PIXEL = 1 / 12;
/**
 * Squared blur of a lens about as sharp as its pixels, px² of its own, and the deviation of its logarithm: from 0.1 px², hardly
 * more than the pixel itself, to 5 px², soft at a glance, in 95 of 100.
 */
const USUAL_LENS = 0.7;
const SPREAD = 1;
const STEPS = 200;
/** The difference is tried at so many places within three deviations. */
const PLACES = 25;
/** Blur beyond this, px² of one's own, no picture worth comparing has. */
const MOST = 100;

/** How unlikely a blur is for a picture whose pixel has this square, in squared deviations. */
const unlike = (blur: number, pixel: number): number => (Math.log(blur / (USUAL_LENS * pixel)) / SPREAD) ** 2;

interface Trial {
  ratio: number;
  /** How unlikely it is, squared deviations. */
  squares: number;
}

/** All that both squared blurs may be where they differ by so much. */
function trials(difference: number, pixelB: number, together: Line | null): Trial[] {
  // The one that blurs less has at least its pixel's blur, and so has the other, whose pixel may be the larger.
  const [low, high] = [PIXEL * (difference < 0 ? pixelB : 1), MOST * Math.max(1, pixelB)];
  return Array.from({ length: STEPS }, (_, i) => {
    const less = low * (high / low) ** ((i + 0.5) / STEPS);
    const [a, b] = difference < 0 ? [less - difference, less] : [less, less + difference];
    const off = together ? ((a + b - together.value) / together.error) ** 2 : 0;
    const possible = a >= PIXEL && b >= PIXEL * pixelB;
    return { ratio: Math.sqrt(a / b), squares: possible ? off + unlike(a, 1) + unlike(b, pixelB) : Infinity };
  });
}

/** The ratios below which these shares of all weight lie, in rising order. */
function quantilesOf(all: readonly Trial[], shares: readonly number[]): number[] {
  const least = Math.min(...all.map(({ squares }) => squares));
  const weighed = all
    .map(({ ratio, squares }) => ({ ratio, weight: Math.exp((least - squares) / 2) }))
    .sort((one, other) => one.ratio - other.ratio);
  const total = weighed.reduce((sum, { weight }) => sum + weight, 0);
  return shares.map((share) => {
    let sum = 0;
    const found = weighed.find(({ weight }) => (sum += weight) >= share * total);
    return (found ?? weighed[weighed.length - 1]!).ratio;
  });
}

/**
 * How much more detail the second of two pictures has, by how their squared blurs differ, by what both blur together, and by how
 * sharp pictures usually are. The middle of all that is possible, and the bounds of the 95 of 100 around it: which of both has
 * more is often known far better than by how many times, and then neither bound lies on the other side of one.
 *
 * @param difference squared blur of the second less that of the first, px² of the first, and its deviation
 * @param pixelB square of a pixel of the second, px² of the first
 * @param together sum of both squared blurs, px² of the first; nothing where the pictures share too little to tell
 */
export function ratioOfBlurs(difference: Line, pixelB: number, together: Line | null): RatioOfBlurs {
  const all = Array.from({ length: PLACES }, (_, i) => (6 * i) / (PLACES - 1) - 3).flatMap((deviations) =>
    trials(difference.value + deviations * difference.error, pixelB, together).map(({ ratio, squares }) => ({
      ratio,
      squares: squares + deviations ** 2,
    })),
  );
  const [least, ratio, most] = quantilesOf(all, [0.025, 0.5, 0.975]);
  return { ratio: ratio!, least: least!, most: most! };
}
