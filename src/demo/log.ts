import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import type { Part } from '@/core/chain/parts';
import { readFar } from '@/core/far/readFar';
import { foldSystem } from '@/core/optics/foldSystem';
import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects, type DemoRow } from './kit';
import { demoOutings } from './outings';
import { TAKEN, type Taken } from './logTaken';

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
