import type { StoredOf } from '@/contract/resources';
import type { Lens } from '@/contract/schemas/optic';
import { drawsAlone } from '@/core/optics/sharpAt';
import { replaceRow } from '@/data/rowActions';
import { withSharpness, type LensMeasured } from './sharpnessOfLens';
import type { TakenAlone } from './useTakenWith';

/** The lens of the set-up a picture was taken with: its row, and whether what was measured is its own. */
export function lensOf({
  setupRow,
  kit,
  system,
}: TakenAlone): { row: StoredOf<'optics'>; lens: Lens; alone: boolean } | null {
  const lensId = setupRow?.data.chain.findLast((link) => link.type === 'optic')?.id;
  const row = kit.optics.find(({ id }) => id === lensId);
  return row?.data.kind === 'lens' && system ? { row, lens: row.data, alone: drawsAlone(system) } : null;
}

/** Gives a lens what was measured of it. */
export const giveLens = (row: StoredOf<'optics'>, lens: Lens, measured: readonly LensMeasured[]): void =>
  replaceRow('optics', row, withSharpness(lens, measured));
