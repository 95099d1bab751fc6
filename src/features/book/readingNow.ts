import type { Reading } from '@/contract/schemas/reading';
import { put } from '@/core/chain/edit';
import { partAsUsed, type Link } from '@/core/chain/link';
import { isFactor } from '@/core/chain/parts';
import { foldSystem } from '@/core/optics/foldSystem';
import { ok, type Result } from '@/core/quantity/result';
import { linksOfRows, rowOfLink } from '@/data/chainLinks';
import type { ChainRow } from '@/data/hand';
import { situationOf, type Kit } from '@/data/situation';
import type { Reread } from './kept/keptDesk';
import { keptDeskOf } from './kept/registry';

export type { Reread } from './kept/keptDesk';

function read(kept: Pick<Reading, 'desk' | 'input'>): Result<Reread> {
  const { desk, input } = kept;
  const system = foldSystem(input, input.cropConvention ?? 'usual');
  if (!system.ok) return system;
  const reading = keptDeskOf(desk).read(input, system.value);
  return reading.ok ? ok({ desk, system: system.value, reading: reading.value } as Reread) : reading;
}

/** The reading worked out again from all that was kept with it, for its picture and its derivations. */
export const readAsKept = (kept: Reading): Result<Reread> => read(kept);

/**
 * The chain a reading was kept with. Early readings name only the converters that were in it: they stood directly behind
 * the lens.
 */
function chainKept({ chain, setupId, converterIds }: Reading, kit: Kit): ChainRow[] | null {
  if (chain || !converterIds) return chain ?? null;
  const own = kit.setups.find((row) => row.id === setupId)?.data.chain;
  const links = own && linksOfRows(own, kit);
  if (!links) return null;
  const bare = links.filter(({ part }) => !isFactor(part));
  const converters = converterIds.flatMap((id) => kit.adapters.find((row) => row.id === id) ?? []);
  return converters.reduce<Link[]>((to, { id, data }) => put(to, { id, part: data }), bare).map(rowOfLink);
}

/**
 * The same reading with the kit as it is today: the set-up, subject and output of the same ids, at the distance or ratio and
 * the focal length kept. Null when one of them is gone.
 */
export function readAsNow(kept: Reading, kit: Kit): Result<Reread> | null {
  const has = <T extends { id: string }>(rows: T[], id: string | undefined) =>
    id !== undefined && rows.some((row) => row.id === id);
  if (!has(kit.setups, kept.setupId) || !has(kit.outputs, kept.outputId)) return null;
  const desk = keptDeskOf(kept.desk);
  if (desk.ofSubject && !has(kit.subjects, kept.subjectId)) return null;
  const situation = situationOf(kit, {
    setupId: kept.setupId ?? null,
    subjectId: kept.subjectId ?? null,
    outputId: kept.outputId ?? null,
    distanceM: desk.distanceM(kept),
    focalMm: kept.input.focalMm ?? null,
    modeId: kept.input.modeId,
    chain: chainKept(kept, kit),
    nearRatio: null,
    nearFNumber: null,
    trials: {},
    cropConvention: kept.input.cropConvention ?? 'usual',
    judgeBy: ('judgeBy' in kept.input ? kept.input.judgeBy : undefined) ?? 'resolved',
  });
  if (typeof situation === 'string') return null;
  // Today's kit in the place of what was kept; how it was read stays.
  const { setup, output } = situation;
  const today = { ...kept.input, measured: undefined, ...setup, chain: setup.chain.map(partAsUsed), output };
  return read({ desk: kept.desk, input: { ...today, ...desk.today(situation) } } as Reading);
}
