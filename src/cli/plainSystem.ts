import type { EffectiveSystem } from '@/core/optics/foldSystem';

/** The effective system without the parts it was folded from: what the screen shows, as plain data. */
export type PlainSystem = Omit<EffectiveSystem, 'body' | 'lens' | 'links' | 'chain' | 'arrangement' | 'optics'>;

export function plainSystem({
  body: _body,
  lens: _lens,
  links: _links,
  chain: _chain,
  arrangement: _arrangement,
  optics: _optics,
  ...system
}: EffectiveSystem): PlainSystem {
  return system;
}
