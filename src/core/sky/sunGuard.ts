import type { Part } from '../chain/parts';
import type { Problem } from '../quantity/result';

/**
 * Whether a set-up may be read for the Sun. Nothing but a certified solar filter in front of everything lifts the block:
 * no grey filter, however dark, keeps heat and ultraviolet out, and one behind the lens stands where they are gathered.
 *
 * @param chain from the subject to the sensor
 * @returns the block, or null where the filter is there
 */
export function sunBlock(chain: readonly Part[]): Problem | null {
  const [first] = chain;
  if (first?.kind === 'filter' && first.solar) return null;
  const inside = chain.some((part) => part.kind === 'filter' && part.solar);
  return {
    code: 'sun.unfiltered',
    message: inside
      ? 'Not for the Sun: the solar filter must stand in front of everything. Move it to the subject’s side of this set-up.'
      : 'Not for the Sun: no certified solar filter stands in front of this set-up. Add one in the kit and put it in front.',
    field: 'chain',
  };
}
