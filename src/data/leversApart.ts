import type { TrialKind } from './hand';
import { situationOf, type Chosen, type Kit, type Situation } from './situation';

/**
 * Levers of what is in hand, in the order of their kinds. Those being tried are reckoned against the situation without
 * them, so that their gain stays what it was when they were pressed.
 *
 * @param read the levers of one situation
 */
export function leversApart<K extends TrialKind, L extends { kind: K }>(
  kit: Kit,
  chosen: Chosen,
  order: readonly K[],
  read: (situation: Situation) => L[],
): L[] {
  const situation = situationOf(kit, chosen);
  if (typeof situation === 'string') return [];
  const tried = order.filter((kind) => chosen.trials[kind] !== undefined);
  const levers = read(situation).filter((lever) => !tried.includes(lever.kind));
  for (const kind of tried) {
    const without = situationOf(kit, chosen, [kind]);
    if (typeof without !== 'string') levers.push(...read(without).filter((lever) => lever.kind === kind));
  }
  return levers.sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind));
}
