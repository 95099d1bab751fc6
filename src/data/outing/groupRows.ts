import type { StoredOf } from '@/contract/resources';
import type { Outing } from '@/contract/schemas/outing';
import type { PictureGroup } from '@/contract/schemas/pictureGroup';
import { readFar } from '@/core/far/readFar';
import type { JudgeBy } from '@/core/detail/subjectCount';
import type { HomeGroup } from '@/core/log/homeOrder';
import { knownOfGroup, likelyWant, type PlannedWant } from '@/core/log/groupRow';
import type { OutingPlan } from '@/core/outing/planOuting';
import { foldSystem } from '@/core/optics/foldSystem';
import type { Part } from '@/core/chain/parts';
import type { Kit } from '../situation';

/** The pictures of an outing as groups are matched with them. */
export function plannedWants({ wants }: Outing, plan: OutingPlan | null): PlannedWant[] {
  return wants.map(({ id, name, kind, distanceM }) => ({
    id,
    name,
    kind,
    distanceM,
    setupIds: plan?.pictures.find((each) => each.wantId === id)?.served?.setup.ids,
  }));
}

/** Only what is there; a field that is not known is left out. */
const known = <T extends object>(fields: T): T =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as T;

/** What a group of pictures says of the picture wanted it belongs to. */
export function ofWant(outing: Outing, wantId: string | undefined): Partial<PictureGroup> {
  const want = outing.wants.find(({ id }) => id === wantId);
  if (!want) return {};
  return known({ wantId: want.id, subjectId: want.subjectId, subjectName: want.name, kind: want.kind });
}

/** A group that was read as a row of the log: gear of the kit, settings, and the picture of the plan it most likely is. */
export function groupRow(
  group: HomeGroup,
  outing: StoredOf<'outings'>,
  wants: readonly PlannedWant[],
  kit: Kit,
): PictureGroup {
  const parts = [...kit.optics, ...kit.adapters].map(({ id, data }) => ({ id, part: data as Part }));
  const bodies = kit.bodies.map(({ id, data }) => ({ id, body: data }));
  const { gear, distanceM, ...rest } = knownOfGroup(group, { bodies, parts });
  const want = likelyWant(gear, distanceM, wants);
  const files = group.pictures.map(({ fileName }) => fileName.slice(0, 240));
  return known({
    subjectName: 'Not named yet',
    ...ofWant(outing.data, want?.id),
    ...rest,
    takenFrom: group.takenFrom,
    takenTo: group.takenTo,
    pictures: group.pictures.length,
    firstFile: files[0],
    lastFile: files.at(-1),
    outingId: outing.id,
    bodyId: gear.body?.id,
    opticId: gear.optic?.id,
    converterId: gear.converter?.id,
    converterName: gear.converter?.part.name,
    modeId: gear.modeId ?? undefined,
    distanceM: distanceM ?? want?.distanceM,
    distanceFrom: distanceM !== undefined ? ('exif' as const) : want?.distanceM ? ('plan' as const) : undefined,
    supported: (outing.data.supportWeightG ?? 0) > 0 ? true : undefined,
    prints: group.pictures.flatMap(({ print }) => print ?? []),
    preview: group.preview,
  });
}

/** The pixels on the subject of a group, as Far counts them; nothing where gear, subject or distance are not known. */
export function countedOf(
  group: PictureGroup,
  outing: Outing | null,
  kit: Kit,
  judgeBy: JudgeBy,
): Partial<PictureGroup> {
  const body = kit.bodies.find(({ id }) => id === group.bodyId)?.data;
  const optic = kit.optics.find(({ id }) => id === group.opticId)?.data;
  const converter = kit.adapters.find(({ id }) => id === group.converterId)?.data;
  const subject = kit.subjects.find(({ id }) => id === group.subjectId)?.data;
  const outputId = outing?.wants.find(({ id }) => id === group.wantId)?.outputId;
  const output = (kit.outputs.find(({ id }) => id === outputId) ?? kit.outputs[0])?.data;
  const none = { pixelsOnSubject: undefined, neededPixels: undefined };
  if (!body || !optic || !subject || !output || !group.distanceM || group.kind === 'stars') return none;
  const chain = [optic as Part, ...(converter ? [converter as Part] : [])];
  // What EXIF tells is the focal length of the whole.
  const factor = converter && 'factor' in converter ? converter.factor : 1;
  const focalMm = group.focalMm ? group.focalMm / factor : undefined;
  const system = foldSystem({ body, modeId: group.modeId ?? 'whole', chain, focalMm });
  if (!system.ok) return none;
  const reading = readFar({ system: system.value, subject, distanceM: group.distanceM, output, judgeBy });
  if (!reading.ok) return none;
  const { countedPixels, neededPixels } = reading.value;
  return { pixelsOnSubject: Math.round(countedPixels.value), neededPixels: Math.round(neededPixels.value) };
}

/** Groups without the pictures that are in the log already, and how many those are. */
export function withoutKnown(
  groups: readonly HomeGroup[],
  known: readonly Pick<PictureGroup, 'prints'>[],
): { groups: HomeGroup[]; known: number } {
  const prints = new Set(known.flatMap((each) => each.prints ?? []));
  const fresh = groups.flatMap((group): HomeGroup[] => {
    const pictures = group.pictures.filter(({ print }) => print === undefined || !prints.has(print));
    return pictures.length ? [{ ...group, pictures }] : [];
  });
  const count = (all: readonly HomeGroup[]) => all.reduce((sum, { pictures }) => sum + pictures.length, 0);
  return { groups: fresh, known: count(groups) - count(fresh) };
}

/** Whether a group was brought home before: by its first moment, its body and its first file. */
export const isSameGroup = (a: PictureGroup, b: PictureGroup): boolean =>
  a.takenFrom === b.takenFrom && a.bodyName === b.bodyName && a.firstFile === b.firstFile;
