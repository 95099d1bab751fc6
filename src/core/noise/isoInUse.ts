import type { BodySpec } from '../kit/body';
import { withSchools, type Quantity, type School } from '../quantity/quantity';
import { CLEAN, cleanIso } from './cleanIso';

/** By what one reckons the highest ISO that passes: by one's own pictures, or by the noise an output shows. */
export type IsoBy = 'own' | 'acceptable' | 'excellent';

export const ISO_NAMES: Record<IsoBy, string> = {
  own: 'your own pictures',
  acceptable: '10 : 1 on the output, acceptable',
  excellent: '40 : 1 on the output, excellent',
};

/**
 * The highest ISO that passes by the school chosen, with the others.
 *
 * @param pixelsAlong pixels of the picture that make one of the output, along a side
 * @param own what one's own pictures say of this body; null where they say nothing yet
 * @returns null where no school knows any
 */
export function isoInUse(body: BodySpec, pixelsAlong: Quantity, own: Quantity | null, by: IsoBy): Quantity | null {
  const found: [IsoBy, Quantity | null][] = [
    ['own', own],
    ['acceptable', cleanIso(body, pixelsAlong, CLEAN.acceptable)],
    ['excellent', cleanIso(body, pixelsAlong, CLEAN.excellent)],
  ];
  const known = found.filter((each): each is [IsoBy, Quantity] => each[1] !== null);
  // What is not known of one's own is not replaced by the strictest, nor what no ISO reaches by what passes.
  const wanted = by === 'own' && !own ? 'acceptable' : by;
  const chosen = known.find(([choice]) => choice === wanted);
  if (!chosen) return null;
  const schools = known.map(([choice, { value, plusMinus }]): School => ({
    preference: 'isoBy',
    choice,
    name: ISO_NAMES[choice],
    value,
    plusMinus,
    chosen: choice === wanted,
  }));
  return withSchools(chosen[1], schools);
}
