import type { Problem } from '@/core/quantity/result';
import type { EffectiveSystem } from '@/core/optics/foldSystem';

/** Doubts of a system, those about its corners as they are where it is focused. */
const doubtsAt = (system: EffectiveSystem, here: readonly Problem[]): Problem[] =>
  system.warnings.flatMap((each) =>
    each.code === 'coverage.dark' ? here.filter(({ code }) => code === each.code) : [each],
  );

/** The effective system without the parts it was folded from: what the screen shows, as plain data. */
export type PlainSystem = Omit<EffectiveSystem, 'body' | 'lens' | 'links' | 'chain' | 'arrangement' | 'optics'>;

export function plainSystem(whole: EffectiveSystem, here?: readonly Problem[]): PlainSystem {
  const {
    body: _body,
    lens: _lens,
    links: _links,
    chain: _chain,
    arrangement: _arrangement,
    optics: _optics,
    ...system
  } = whole;
  return here ? { ...system, warnings: doubtsAt(whole, here) } : system;
}
