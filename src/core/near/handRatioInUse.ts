import { given, withSchools, type Quantity, type School } from '../quantity/quantity';

/** By what one reckons up to which ratio a hand holds: by one's own pictures, or as entered. */
export type HandRatioBy = 'own' | 'entered';

export const HAND_RATIO_NAMES: Record<HandRatioBy, string> = { own: 'your own pictures', entered: 'what you entered' };

/** The ratio a hand holds by the school chosen; as entered where nothing is known of one's own. */
export function handRatioInUse(enteredRatio: number, own: Quantity | null, by: HandRatioBy): Quantity {
  const entered = given(enteredRatio, ':1', 'Ratio held by hand', 'as entered on the Near desk');
  if (!own) return entered;
  const chosen = by === 'own' ? own : entered;
  const schools = (
    [
      ['own', own],
      ['entered', entered],
    ] as const
  ).map(([choice, { value, plusMinus }]): School => ({
    preference: 'handRatioBy',
    choice,
    name: HAND_RATIO_NAMES[choice],
    value,
    plusMinus,
    chosen: choice === by,
  }));
  return withSchools(chosen, schools);
}
