import type { PictureGroup, PictureVerdict } from '@/contract/schemas/pictureGroup';
import type { Part } from '@/core/chain/parts';
import { readFar } from '@/core/far/readFar';
import { foldSystem } from '@/core/optics/foldSystem';
import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects, type DemoRow } from './kit';
import { demoOutings } from './outings';

type Subject = keyof typeof demoSubjects;

interface Taken {
  outing: keyof typeof demoOutings;
  wantId?: string;
  subject?: Subject;
  name?: string;
  kind: 'far' | 'near' | 'stars';
  from: string;
  to: string;
  pictures: number;
  body?: 'ostrel' | 'quillon';
  optic: 'tele600' | 'zoom70300' | 'macro100' | 'wide20';
  converter?: 'converter14' | 'converter20';
  focalMm?: number;
  fNumber: number;
  seconds: number;
  iso: number;
  distanceM?: number;
  ratio?: number;
  supported?: boolean;
  verdict: PictureVerdict;
  note?: string;
}

const curlew = {
  outing: 'marsh',
  wantId: 'curlew',
  subject: 'curlew',
  kind: 'far',
  optic: 'tele600',
  fNumber: 5.6,
} as const;
const redshank = {
  outing: 'marsh',
  wantId: 'redshank',
  subject: 'redshank',
  kind: 'far',
  optic: 'tele600',
  fNumber: 5.6,
} as const;
const harrier = {
  outing: 'marsh',
  wantId: 'harrier',
  subject: 'harrier',
  kind: 'far',
  optic: 'tele600',
  fNumber: 5.6,
} as const;
const stonechat = { outing: 'marsh', wantId: 'stonechat', subject: 'stonechat', kind: 'far', fNumber: 5.6 } as const;
const beetle = { outing: 'marsh', wantId: 'beetle', subject: 'tigerBeetle', kind: 'near', optic: 'macro100' } as const;
const triangle = {
  outing: 'darkNight',
  wantId: 'triangle',
  name: 'Winter triangle',
  kind: 'stars',
  optic: 'wide20',
  fNumber: 1.8,
  supported: true,
} as const;
const pole = {
  outing: 'darkNight',
  wantId: 'pole',
  name: 'Over the pole',
  kind: 'stars',
  optic: 'wide20',
  fNumber: 2,
  supported: true,
} as const;
const hand = { body: 'quillon', optic: 'zoom70300', focalMm: 300, fNumber: 5.6, supported: false } as const;

/** What came home from the two outings, group by group. */
const TAKEN: readonly Taken[] = [
  {
    ...curlew,
    from: '06:52:10',
    to: '06:58:41',
    pictures: 38,
    seconds: 1 / 250,
    iso: 12_800,
    distanceM: 85,
    supported: true,
    verdict: 'noisy',
    note: 'Before sunrise.',
  },
  {
    ...curlew,
    from: '07:20:05',
    to: '07:27:30',
    pictures: 62,
    seconds: 1 / 800,
    iso: 6400,
    distanceM: 72,
    supported: true,
    verdict: 'soft',
  },
  {
    ...curlew,
    from: '07:48:12',
    to: '07:59:50',
    pictures: 118,
    seconds: 1 / 1600,
    iso: 1600,
    distanceM: 58,
    supported: true,
    verdict: 'kept',
    note: 'Walked up the creek towards the hide.',
  },
  {
    ...curlew,
    from: '08:14:02',
    to: '08:20:44',
    pictures: 74,
    seconds: 1 / 2000,
    iso: 1250,
    distanceM: 61,
    supported: true,
    verdict: 'kept',
  },
  {
    ...curlew,
    converter: 'converter14',
    focalMm: 840,
    fNumber: 8,
    from: '08:41:31',
    to: '08:46:10',
    pictures: 45,
    seconds: 1 / 1000,
    iso: 2500,
    distanceM: 96,
    supported: true,
    verdict: 'small',
  },
  {
    ...curlew,
    converter: 'converter20',
    focalMm: 1200,
    fNumber: 11,
    from: '08:52:00',
    to: '08:57:13',
    pictures: 51,
    seconds: 1 / 640,
    iso: 3200,
    distanceM: 97,
    supported: true,
    verdict: 'soft',
    note: 'Air over the mud.',
  },
  {
    ...redshank,
    from: '08:03:20',
    to: '08:09:02',
    pictures: 49,
    seconds: 1 / 1250,
    iso: 1600,
    distanceM: 34,
    supported: true,
    verdict: 'kept',
    note: 'Rings read: blue over white.',
  },
  {
    ...redshank,
    from: '09:02:11',
    to: '09:06:48',
    pictures: 33,
    seconds: 1 / 1600,
    iso: 1000,
    distanceM: 47,
    supported: true,
    verdict: 'small',
  },
  {
    ...redshank,
    converter: 'converter14',
    focalMm: 840,
    fNumber: 8,
    from: '09:12:40',
    to: '09:16:05',
    pictures: 40,
    seconds: 1 / 1600,
    iso: 1600,
    distanceM: 45,
    supported: true,
    verdict: 'kept',
  },
  {
    ...harrier,
    from: '09:31:00',
    to: '09:33:25',
    pictures: 96,
    seconds: 1 / 3200,
    iso: 1600,
    distanceM: 128,
    supported: true,
    verdict: 'kept',
  },
  {
    ...harrier,
    from: '09:58:14',
    to: '09:59:50',
    pictures: 70,
    seconds: 1 / 1000,
    iso: 800,
    distanceM: 115,
    supported: true,
    verdict: 'strokes',
    note: 'Too slow for the wings.',
  },
  {
    ...harrier,
    from: '10:20:09',
    to: '10:22:36',
    pictures: 85,
    seconds: 1 / 4000,
    iso: 2000,
    distanceM: 240,
    supported: true,
    verdict: 'small',
  },
  {
    ...harrier,
    converter: 'converter20',
    focalMm: 1200,
    fNumber: 11,
    from: '10:40:01',
    to: '10:41:33',
    pictures: 44,
    seconds: 1 / 2000,
    iso: 5000,
    distanceM: 180,
    supported: true,
    verdict: 'soft',
  },
  {
    ...stonechat,
    ...hand,
    from: '10:55:22',
    to: '10:57:18',
    pictures: 28,
    seconds: 1 / 1000,
    iso: 800,
    distanceM: 9,
    verdict: 'kept',
  },
  {
    ...stonechat,
    ...hand,
    from: '11:06:30',
    to: '11:08:05',
    pictures: 24,
    seconds: 1 / 500,
    iso: 500,
    distanceM: 8,
    verdict: 'kept',
  },
  {
    ...stonechat,
    ...hand,
    from: '11:15:09',
    to: '11:16:20',
    pictures: 19,
    seconds: 1 / 250,
    iso: 320,
    distanceM: 9,
    verdict: 'soft',
  },
  {
    ...stonechat,
    ...hand,
    from: '11:21:40',
    to: '11:22:55',
    pictures: 16,
    seconds: 1 / 320,
    iso: 400,
    distanceM: 10,
    verdict: 'kept',
  },
  {
    ...stonechat,
    ...hand,
    from: '11:30:12',
    to: '11:31:01',
    pictures: 12,
    seconds: 1 / 125,
    iso: 200,
    distanceM: 10,
    verdict: 'soft',
  },
  {
    ...stonechat,
    ...hand,
    from: '11:38:44',
    to: '11:40:12',
    pictures: 21,
    seconds: 1 / 640,
    iso: 640,
    distanceM: 17,
    verdict: 'small',
  },
  {
    ...beetle,
    from: '12:10:00',
    to: '12:14:31',
    pictures: 26,
    fNumber: 11,
    seconds: 1 / 200,
    iso: 800,
    ratio: 0.6,
    supported: false,
    verdict: 'kept',
  },
  {
    ...beetle,
    from: '12:20:15',
    to: '12:24:02',
    pictures: 31,
    fNumber: 11,
    seconds: 1 / 200,
    iso: 1250,
    ratio: 0.8,
    supported: false,
    verdict: 'kept',
  },
  {
    ...beetle,
    from: '12:31:40',
    to: '12:35:55',
    pictures: 40,
    fNumber: 8,
    seconds: 1 / 250,
    iso: 1600,
    ratio: 1,
    supported: false,
    verdict: 'soft',
    note: 'Lost it to and fro.',
  },
  { ...triangle, from: '21:30:00', to: '21:36:10', pictures: 24, seconds: 10, iso: 3200, verdict: 'kept' },
  { ...triangle, from: '21:42:00', to: '21:48:30', pictures: 24, seconds: 13, iso: 3200, verdict: 'kept' },
  {
    ...triangle,
    from: '21:55:00',
    to: '22:01:20',
    pictures: 20,
    seconds: 15,
    iso: 2500,
    verdict: 'strokes',
    note: 'Corners only, but for the wall it shows.',
  },
  { ...triangle, from: '22:08:00', to: '22:15:00', pictures: 18, seconds: 20, iso: 2000, verdict: 'strokes' },
  { ...triangle, from: '22:21:00', to: '22:26:40', pictures: 22, seconds: 8, iso: 12_800, verdict: 'noisy' },
  { ...pole, from: '22:40:00', to: '23:20:00', pictures: 110, seconds: 20, iso: 1600, verdict: 'kept' },
  { ...pole, from: '23:31:00', to: '23:40:00', pictures: 16, seconds: 30, iso: 1250, verdict: 'kept' },
  { ...pole, from: '23:46:00', to: '23:58:00', pictures: 12, seconds: 60, iso: 800, verdict: 'strokes' },
];

/** What Far counts on the subject for the output that was wanted. */
function counted({ subject, distanceM, kind, body = 'ostrel', optic, converter, wantId, outing, focalMm }: Taken) {
  const outputId = demoOutings[outing].data.wants.find(({ id }) => id === wantId)?.outputId;
  const output = Object.values(demoOutputs).find(({ id }) => id === outputId)?.data;
  if (!subject || !distanceM || kind !== 'far' || !output) return {};
  const lens = converter ? undefined : focalMm;
  const chain = [demoOptics[optic].data as Part, ...(converter ? [demoAdapters[converter].data as Part] : [])];
  const system = foldSystem({ body: demoBodies[body].data, modeId: 'whole', chain, focalMm: lens });
  if (!system.ok) throw new Error(system.problem.message);
  const reading = readFar({ system: system.value, subject: demoSubjects[subject].data, distanceM, output });
  if (!reading.ok) throw new Error(reading.problem.message);
  const { countedPixels, neededPixels } = reading.value;
  return { pixelsOnSubject: Math.round(countedPixels.value), neededPixels: Math.round(neededPixels.value) };
}

function row(taken: Taken, at: number): DemoRow<PictureGroup> {
  const { outing, wantId, subject, name, kind, from, to, pictures, body = 'ostrel', optic, converter } = taken;
  const { fNumber, seconds, iso, distanceM, ratio, supported, verdict, note, focalMm } = taken;
  const { day } = demoOutings[outing].data;
  const own = subject && demoSubjects[subject];
  const lens = demoOptics[optic];
  const first = 4100 + at * 130;
  return {
    id: `00000000-0000-4000-8000-${String(8001 + at).padStart(12, '0')}`,
    data: {
      subjectName: own?.data.name ?? name ?? '',
      kind,
      verdict,
      takenFrom: `${day}T${from}`,
      takenTo: `${day}T${to}`,
      pictures,
      firstFile: `HOL_${first}.JPG`,
      lastFile: `HOL_${first + pictures - 1}.JPG`,
      outingId: demoOutings[outing].id,
      ...(wantId ? { wantId } : {}),
      ...(own ? { subjectId: own.id } : {}),
      bodyId: demoBodies[body].id,
      bodyName: demoBodies[body].data.name,
      opticId: lens.id,
      lensName: lens.data.name,
      ...(converter
        ? { converterId: demoAdapters[converter].id, converterName: demoAdapters[converter].data.name }
        : {}),
      modeId: 'whole',
      focalMm: focalMm ?? lens.data.focalTeleMm,
      fNumber,
      seconds,
      iso,
      ...(distanceM ? { distanceM, distanceFrom: 'entered' as const } : {}),
      ...(ratio ? { ratio } : {}),
      ...(supported === undefined ? {} : { supported }),
      ...counted(taken),
      ...(note ? { note } : {}),
    },
  };
}

/** Thirty groups of two outings, judged. */
export const demoPictureGroups = (): DemoRow<PictureGroup>[] => TAKEN.map(row);
