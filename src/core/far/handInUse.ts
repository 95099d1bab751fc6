import { withSchools, type Quantity, type School } from '../quantity/quantity';

/** By what one reckons how long a hand holds: by one's own pictures, by the pixels in hand, by the customary rule. */
export type HandBy = 'own' | 'pixels' | 'rule';

export const HAND_NAMES: Record<HandBy, string> = {
  own: 'your own pictures',
  pixels: 'one and a half of these pixels',
  rule: 'one over the equivalent focal length',
};

interface Ways {
  handHoldRuleS: Quantity;
  handHoldPixelS: Quantity;
  /** What one's own pictures say; null where they say nothing yet. */
  ownS: Quantity | null;
}

/** How long the hand holds by the school chosen, with the others; by the pixels where nothing is known of one's own. */
export function handInUse({ handHoldRuleS, handHoldPixelS, ownS }: Ways, by: HandBy): Quantity {
  const ways: [HandBy, Quantity][] = [
    ...(ownS ? [['own', ownS] as [HandBy, Quantity]] : []),
    ['pixels', handHoldPixelS],
    ['rule', handHoldRuleS],
  ];
  const chosen = ways.find(([each]) => each === by) ?? ways[0]!;
  const schools = ways.map(([choice, { value, plusMinus }]): School => ({
    preference: 'handBy',
    choice,
    name: HAND_NAMES[choice],
    value,
    plusMinus,
    chosen: choice === chosen[0],
  }));
  return withSchools(chosen[1], schools);
}
