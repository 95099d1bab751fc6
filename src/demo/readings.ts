import type { Adapter } from '@/contract/schemas/adapter';
import type { FarReadingKept, NearReadingKept, Reading, StarsReadingKept } from '@/contract/schemas/reading';
import { plainCount } from '@/core/detail/plainCount';
import { plainStarsResult, starsFromPlain } from '@/core/sky/plainStars';
import { readStars } from '@/core/sky/readStars';
import { readNear } from '@/core/near/readNear';
import { foldSystem } from '@/core/optics/foldSystem';
import { readFar } from '@/core/far/readFar';
import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSetups, demoSubjects, type DemoRow } from './kit';

interface Kept {
  number: string;
  takenAt: string;
  setup: { id: string; data: { name: string; modeId: string; supportWeightG?: number } };
  body: (typeof demoBodies)[keyof typeof demoBodies];
  optic: (typeof demoOptics)[keyof typeof demoOptics];
  converter?: (typeof demoAdapters)[keyof typeof demoAdapters];
  modeId?: string;
  focalMm?: number;
  subject: (typeof demoSubjects)[keyof typeof demoSubjects];
  distanceM: number;
  output: (typeof demoOutputs)[keyof typeof demoOutputs];
  note: string;
}

function keep(kept: Kept): DemoRow<Reading> {
  const input: FarReadingKept['input'] = {
    body: kept.body.data,
    modeId: kept.modeId ?? kept.setup.data.modeId,
    chain: [kept.optic.data, ...(kept.converter ? [kept.converter.data] : [])],
    ...(kept.focalMm === undefined ? {} : { focalMm: kept.focalMm }),
    ...(kept.setup.data.supportWeightG === undefined ? {} : { supportWeightG: kept.setup.data.supportWeightG }),
    subject: kept.subject.data,
    distanceM: kept.distanceM,
    output: kept.output.data,
    judgeBy: 'resolved',
    cropConvention: 'usual',
  };
  const system = foldSystem(input, 'usual');
  if (!system.ok) throw new Error(system.problem.message);
  const reading = readFar({ ...input, system: system.value });
  if (!reading.ok) throw new Error(reading.problem.message);
  return {
    id: `00000000-0000-4000-8000-${kept.number.padStart(12, '0')}`,
    data: {
      desk: 'far',
      takenAt: kept.takenAt,
      setupId: kept.setup.id,
      subjectId: kept.subject.id,
      outputId: kept.output.id,
      converterIds: kept.converter ? [kept.converter.id] : [],
      setupName: kept.setup.data.name,
      input,
      result: plainCount(system.value, reading.value),
      note: kept.note,
    },
  };
}

/** The beetle on the heath path, at the largest ratio the set-up reaches. */
function keepNear(): DemoRow<Reading> {
  const { heath } = demoSetups;
  const input: NearReadingKept['input'] = {
    body: demoBodies.ostrel.data,
    modeId: 'whole',
    chain: [demoOptics.macro100.data, { ...demoAdapters.tubes.data, usedMm: [20] } as Adapter],
    subject: demoSubjects.tigerBeetle.data,
    output: demoOutputs.web.data,
    ratio: 1,
    fNumber: 8,
    judgeBy: 'resolved',
    cropConvention: 'usual',
  };
  const system = foldSystem(input, 'usual');
  if (!system.ok) throw new Error(system.problem.message);
  const reading = readNear({ ...input, system: system.value });
  if (!reading.ok) throw new Error(reading.problem.message);
  return {
    id: '00000000-0000-4000-8000-000000009004',
    data: {
      desk: 'near',
      takenAt: '2026-08-21T06:10:00Z',
      setupId: heath.id,
      subjectId: demoSubjects.tigerBeetle.id,
      outputId: demoOutputs.web.id,
      converterIds: [],
      chain: heath.data.chain,
      setupName: heath.data.name,
      input,
      result: {
        ...plainCount(system.value, reading.value),
        ratio: reading.value.ratio.value,
        depthMm: reading.value.depthMm.value,
      },
      note: 'Cold morning, it sat still on the path; lying down, elbows on the ground.',
    },
  };
}

/** The winter sky over the sea wall, just below the longest exposure that keeps the corners. */
function keepStars(): DemoRow<Reading> {
  const { darkSky } = demoSetups;
  const plain: StarsReadingKept['input'] = {
    body: demoBodies.ostrel.data,
    modeId: 'whole',
    chain: [demoOptics.wide20.data],
    focalMm: 20,
    output: demoOutputs.web.data,
    cropConvention: 'usual',
    projection: 'rectilinear',
    declinationDeg: 40,
    rollDeg: 0,
    toleranceKind: 'output',
    tolerance: 1.5,
    rule: 'worst',
    ceilingS: 15,
    exposureS: 12,
  };
  const system = foldSystem(plain, 'usual');
  if (!system.ok) throw new Error(system.problem.message);
  const reading = readStars(starsFromPlain(system.value, plain));
  return {
    id: '00000000-0000-4000-8000-000000009005',
    data: {
      desk: 'stars',
      takenAt: '2026-11-07T21:40:00Z',
      setupId: darkSky.id,
      outputId: demoOutputs.web.id,
      converterIds: [],
      chain: darkSky.data.chain,
      setupName: darkSky.data.name,
      input: plain,
      result: plainStarsResult(reading),
      note: 'Winter triangle over the sea wall, tide out, no Moon. ISO 3200.',
    },
  };
}

/** A few readings the naturalist kept, worked out by the same core as everything else. */
export const demoReadings = (): DemoRow<Reading>[] => [
  keep({
    number: '9001',
    takenAt: '2026-09-12T05:48:00Z',
    setup: demoSetups.hide,
    body: demoBodies.ostrel,
    optic: demoOptics.tele600,
    converter: demoAdapters.converter14,
    subject: demoSubjects.curlew,
    distanceM: 64,
    output: demoOutputs.print,
    note: 'Rising tide pushed them along the creek. Stayed in the hide; the ×1.4 earned its place.',
  }),
  keep({
    number: '9002',
    takenAt: '2026-09-27T16:20:00Z',
    setup: demoSetups.dunes,
    body: demoBodies.quillon,
    optic: demoOptics.zoom150600,
    focalMm: 560,
    subject: demoSubjects.stonechat,
    distanceM: 11,
    output: demoOutputs.web,
    note: 'On the gorse by the second marker post, wind behind me.',
  }),
  keep({
    number: '9003',
    takenAt: '2026-10-18T07:35:00Z',
    setup: demoSetups.hide,
    body: demoBodies.ostrel,
    optic: demoOptics.tele600,
    modeId: 'c15',
    subject: demoSubjects.harrier,
    distanceM: 130,
    output: demoOutputs.web,
    note: 'Crop 1.5 for the 15 frames per second while it quartered the reeds.',
  }),
  keepNear(),
  keepStars(),
];
