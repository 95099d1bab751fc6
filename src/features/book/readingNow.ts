import type { Reading } from '@/contract/schemas/reading';
import { readFar, type FarReading } from '@/core/far/readFar';
import { readNear, type NearReading } from '@/core/near/readNear';
import { starsFromPlain } from '@/core/sky/plainStars';
import { readStars, type StarsReading } from '@/core/sky/readStars';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import type { Result } from '@/core/quantity/result';
import { put } from '@/core/chain/edit';
import { partAsUsed, type Link } from '@/core/chain/link';
import { isFactor } from '@/core/chain/parts';
import { linksOfRows, rowOfLink } from '@/data/chainLinks';
import type { ChainRow } from '@/data/hand';
import { situationOf, type Kit } from '@/data/situation';

/** A kept reading worked out again, by the desk it was kept on. */
export type Reread = { system: EffectiveSystem } & (
  | { desk: 'far'; reading: FarReading }
  | { desk: 'near'; reading: NearReading }
  | { desk: 'stars'; reading: StarsReading }
);

function read(kept: Pick<Reading, 'desk' | 'input'>): Result<Reread> {
  const { desk, input } = kept as Reading;
  const system = foldSystem(input, input.cropConvention ?? 'usual');
  if (!system.ok) return system;
  if (desk === 'stars') {
    return {
      ok: true,
      value: { desk: 'stars', system: system.value, reading: readStars(starsFromPlain(system.value, input)) },
    };
  }
  if (desk === 'near') {
    const reading = readNear({ ...input, system: system.value });
    return reading.ok ? { ok: true, value: { desk: 'near', system: system.value, reading: reading.value } } : reading;
  }
  const { subject, output, distanceM, judgeBy = 'resolved' } = input;
  const reading = readFar({ subject, output, distanceM, judgeBy, system: system.value });
  return reading.ok ? { ok: true, value: { desk: 'far', system: system.value, reading: reading.value } } : reading;
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
  if (kept.desk !== 'stars' && !has(kit.subjects, kept.subjectId)) return null;
  const situation = situationOf(kit, {
    setupId: kept.setupId ?? null,
    subjectId: kept.subjectId ?? null,
    outputId: kept.outputId ?? null,
    distanceM: kept.desk === 'far' ? kept.input.distanceM : null,
    focalMm: kept.input.focalMm ?? null,
    modeId: kept.input.modeId,
    chain: chainKept(kept, kit),
    nearRatio: null,
    nearFNumber: null,
    trials: {},
    cropConvention: kept.input.cropConvention ?? 'usual',
    judgeBy: kept.desk === 'stars' ? 'resolved' : (kept.input.judgeBy ?? 'resolved'),
  });
  if (typeof situation === 'string') return null;
  // Today's kit in the place of what was kept; how it was read stays.
  const { setup, subject, output, distanceM } = situation;
  const today = { ...kept.input, measured: undefined, ...setup, chain: setup.chain.map(partAsUsed), output };
  const own = { far: { subject, distanceM }, near: { subject }, stars: {} }[kept.desk];
  return read({ desk: kept.desk, input: { ...today, ...own } } as Reading);
}
