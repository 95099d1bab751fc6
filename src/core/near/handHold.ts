import { measured, type Quantity } from '../quantity/quantity';

/** One picture taken without support, and whether it came out sharp. */
export interface HeldPicture {
  ratio: number;
  sharp: boolean;
}

/** The ratio up to which a person holds by hand, and from how many pictures it is known. */
export interface HandHold {
  ratio: number;
  pictures: number;
}

/**
 * Learns from a person's own pictures up to which reproduction ratio they hold by hand: the largest sharp one that leaves the
 * fewest pictures on the wrong side (blurred at or below it, sharp above it).
 *
 * @returns null while no picture by hand came out sharp
 * @example learnedHandHold([{ ratio: 1, sharp: true }, { ratio: 1.5, sharp: true }, { ratio: 2, sharp: false }])?.ratio // 1.5
 */
export function learnedHandHold(pictures: readonly HeldPicture[]): HandHold | null {
  let best: { ratio: number; wrong: number } | null = null;
  for (const { ratio, sharp } of pictures) {
    if (!sharp) continue;
    const wrong = pictures.filter((each) => (each.sharp ? each.ratio > ratio : each.ratio <= ratio)).length;
    if (!best || wrong < best.wrong || (wrong === best.wrong && ratio > best.ratio)) best = { ratio, wrong };
  }
  return best ? { ratio: best.ratio, pictures: pictures.length } : null;
}

/** The same as a number with its reasons. */
export const handHoldQuantity = ({ ratio, pictures }: HandHold): Quantity =>
  measured(ratio, ':1', () => ({
    name: 'Ratio held by hand, yours',
    formula: '',
    inputs: [],
    source: `the largest sharp one of ${pictures} ${pictures === 1 ? 'picture' : 'pictures'} in the Book that leaves the fewest on the wrong side; too few for a range`,
  }));
