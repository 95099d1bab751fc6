import { given, type Quantity } from '../quantity/quantity';
import { HAND_NAMES, handInUse, type HandBy } from './handInUse';

const seconds = (value: number, name: string) => given(value, 's', name);
const ways = {
  handHoldRuleS: seconds(1 / 600, 'rule'),
  handHoldPixelS: seconds(1 / 900, 'pixels'),
  ownS: given(1 / 250, 's', 'own', 'entered', 0.001),
};
const told = (by: HandBy, ownS: Quantity | null = ways.ownS) => {
  const hand = handInUse({ ...ways, ownS }, by);
  return {
    hand,
    schools: hand.why.schools!.map(({ choice, value, chosen }) => [choice, value, chosen]),
  };
};

describe('how long a hand holds', () => {
  it.each([
    ['own', 1 / 250],
    ['pixels', 1 / 900],
    ['rule', 1 / 600],
  ] as const)('by %s', (by, value) => {
    const { hand, schools } = told(by);
    expect(hand.value).toBe(value);
    expect(schools).toEqual([
      ['own', 1 / 250, by === 'own'],
      ['pixels', 1 / 900, by === 'pixels'],
      ['rule', 1 / 600, by === 'rule'],
    ]);
  });

  it('falls back on the pixels where one’s own pictures say nothing, and does not offer them', () => {
    const { hand, schools } = told('own', null);
    expect(hand.value).toBe(1 / 900);
    expect(schools).toEqual([
      ['pixels', 1 / 900, true],
      ['rule', 1 / 600, false],
    ]);
    expect(told('rule', null).hand.value).toBe(1 / 600);
  });

  it('names each school and its error, and where it is chosen', () => {
    for (const school of handInUse(ways, 'rule').why.schools!) {
      expect(school.preference).toBe('handBy');
      expect(school.name).toBe(HAND_NAMES[school.choice as HandBy]);
      expect(school.plusMinus).toBe(school.choice === 'own' ? 0.001 : undefined);
    }
  });
});
