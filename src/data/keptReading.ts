import type { FarInputData } from '@/contract/schemas/farInput';
import type { NearInputData } from '@/contract/schemas/nearInput';
import type { FarReadingKept, NearReadingKept, StarsReadingKept } from '@/contract/schemas/reading';
import { plainCount } from '@/core/detail/plainCount';
import type { FarReading } from '@/core/far/readFar';
import type { NearReading } from '@/core/near/readNear';
import { plainStarsResult } from '@/core/sky/plainStars';
import type { StarsInput, StarsReading } from '@/core/sky/readStars';
import type { StarsInputData } from '@/contract/schemas/starsInput';
import { partAsUsed } from '@/core/chain/link';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import type { Situation } from './situation';

interface Taken {
  situation: Situation;
  system: EffectiveSystem;
  takenAt: string;
  note: string;
}

/** What every desk remembers: the rows it came from, and the set-up whole, so that it stays true when the kit changes. */
function common({ situation, system, takenAt, note }: Taken) {
  const { setup, subject, output, setupRow, subjectRow, outputRow } = situation;
  const { body, modeId, chain, supportWeightG, measured } = setup;
  return {
    kept: {
      takenAt,
      setupId: setupRow.id,
      subjectId: subjectRow.id,
      outputId: outputRow.id,
      chain: situation.links,
      setupName: setupRow.data.name,
      note,
    },
    input: {
      body,
      modeId,
      chain: chain.map(partAsUsed),
      focalMm: system.markedFocalMm,
      ...(supportWeightG === undefined ? {} : { supportWeightG }),
      ...(measured?.length ? { measured } : {}),
      subject,
      output,
      judgeBy: situation.judgeBy,
      cropConvention: situation.convention,
    },
  };
}

/** A Far reading as the Book keeps it: all that went in, whole, and what came out. */
export function farReadingKept(taken: Taken, reading: FarReading): FarReadingKept {
  const { kept, input } = common(taken);
  return {
    desk: 'far',
    ...kept,
    input: { ...input, distanceM: taken.situation.distanceM } as FarInputData,
    result: plainCount(taken.system, reading),
  };
}

/** How a person reads close up, as far as a reading depends on it. */
type Ways = Pick<NearInputData, 'screenWidthMm' | 'handHoldRatio' | 'cocSchool'>;

/** A Near reading as the Book keeps it, with the ratio and the f-number it was read at. */
export function nearReadingKept(taken: Taken, reading: NearReading, ways: Ways): NearReadingKept {
  const { kept, input } = common(taken);
  const { screenWidthMm, handHoldRatio, cocSchool } = ways;
  return {
    desk: 'near',
    ...kept,
    input: {
      ...input,
      ratio: reading.ratio.value,
      fNumber: reading.setFNumber.value,
      screenWidthMm,
      handHoldRatio,
      cocSchool,
    } as NearInputData,
    result: { ...plainCount(taken.system, reading), ratio: reading.ratio.value, depthMm: reading.depthMm.value },
  };
}

/** A reading of the stars as the Book keeps it, with where the camera pointed and what was asked of the picture. */
export function starsReadingKept(
  taken: Taken,
  reading: StarsReading,
  ways: Omit<StarsInput, 'system' | 'output' | 'exposureS'>,
): StarsReadingKept {
  const { kept, input } = common(taken);
  const { subject: _, judgeBy: __, ...plain } = input;
  const { projection, pointing, tolerance, rule, ceilingS, fNumber, cornerStretchPx, ownTime } = ways;
  return {
    desk: 'stars',
    ...kept,
    input: {
      ...plain,
      projection,
      declinationDeg: pointing.declinationDeg,
      rollDeg: pointing.rollDeg,
      toleranceKind: tolerance.kind,
      tolerance: tolerance.count,
      ...(tolerance.ownPx ? { own: tolerance.ownPx } : {}),
      rule,
      ceilingS,
      exposureS: reading.exposureS.value,
      ...(fNumber === undefined ? {} : { fNumber }),
      ...(cornerStretchPx === undefined ? {} : { cornerStretchPx }),
      ...(ownTime === undefined ? {} : { ownTime }),
    } as StarsInputData,
    result: plainStarsResult(reading),
  };
}
