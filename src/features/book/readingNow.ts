import type { Reading } from '@/contract/schemas/reading';
import { readFar, type FarReading } from '@/core/far/readFar';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import type { Result } from '@/core/quantity/result';
import { situationOf, type Kit } from '@/data/situation';

export interface Reread {
  system: EffectiveSystem;
  reading: FarReading;
}

function read(input: Parameters<typeof foldSystem>[0], rest: Omit<Parameters<typeof readFar>[0], 'system'>, convention: Parameters<typeof foldSystem>[1]): Result<Reread> {
  const system = foldSystem(input, convention);
  if (!system.ok) return system;
  const reading = readFar({ ...rest, system: system.value });
  return reading.ok ? { ok: true, value: { system: system.value, reading: reading.value } } : reading;
}

/** The reading worked out again from all that was kept with it, for its picture and its derivations. */
export function readAsKept({ input }: Reading): Result<Reread> {
  return read(input, { subject: input.subject, distanceM: input.distanceM, output: input.output, judgeBy: input.judgeBy ?? 'resolved' }, input.cropConvention ?? 'usual');
}

/**
 * The same reading with the kit as it is today: the set-up, subject and output of the same ids, at the distance and focal
 * length kept. Null when one of them is gone.
 */
export function readAsNow(kept: Reading, kit: Kit): Result<Reread> | null {
  const has = <T extends { id: string }>(rows: T[], id: string | undefined) => id !== undefined && rows.some((row) => row.id === id);
  if (!has(kit.setups, kept.setupId) || !has(kit.subjects, kept.subjectId) || !has(kit.outputs, kept.outputId)) return null;
  const situation = situationOf(kit, {
    setupId: kept.setupId ?? null,
    subjectId: kept.subjectId ?? null,
    outputId: kept.outputId ?? null,
    distanceM: kept.input.distanceM,
    focalMm: kept.input.focalMm ?? null,
    modeId: kept.input.modeId,
    converterIds: kept.converterIds ?? null,
    chain: null, nearRatio: null, nearFNumber: null,
    trials: {},
    cropConvention: kept.input.cropConvention ?? 'usual',
    judgeBy: kept.input.judgeBy ?? 'resolved',
  });
  if (typeof situation === 'string') return null;
  return read(situation.setup, situation, situation.convention);
}
