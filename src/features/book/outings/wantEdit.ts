import type { StoredOf } from '@/contract/resources';
import type { OutingWant } from '@/contract/schemas/outing';
import type { Kit } from '@/data/situation';

/** A picture of another subject: its own distance, and its name. */
export const withSubject = (want: OutingWant, { id, data }: StoredOf<'subjects'>): OutingWant => ({
  ...want,
  subjectId: id,
  name: data.name,
  ...(want.kind === 'far' ? { distanceM: data.distanceM } : {}),
});

/** A usual part of the sky: the equator, as wide as a wide lens sees. */
const USUAL_SKY = { declinationDeg: 0, fieldDeg: 60 } as const;

/** A picture of another kind: what its kind needs comes in, what it has no use for goes. */
export function withKind(want: OutingWant, kind: OutingWant['kind'], kit: Kit): OutingWant {
  const { id, outputId, pictures, note } = want;
  const common = { id, kind, outputId, pictures, note };
  if (kind === 'stars') return { ...common, name: want.kind === 'stars' ? want.name : '', ...USUAL_SKY };
  const subject = kit.subjects.find((row) => row.id === want.subjectId) ?? kit.subjects[0];
  return subject ? withSubject({ ...common, name: '' }, subject) : { ...common, name: '' };
}

/** What keeps a picture from being saved, in words; null where nothing does. */
export function lacking(want: OutingWant, kit: Kit): string | null {
  if (!kit.outputs.some(({ id }) => id === want.outputId)) return 'Choose what the picture is for.';
  if (want.kind === 'stars') {
    if (!want.name.trim()) return 'Give this part of the sky a name.';
    if (want.declinationDeg === undefined || want.fieldDeg === undefined)
      return 'Say where the camera points and how wide a part of the sky is to be seen.';
    return null;
  }
  if (!kit.subjects.some(({ id }) => id === want.subjectId)) return 'Choose the subject of this picture.';
  if (want.kind === 'far' && want.distanceM === undefined)
    return 'Say from which distance this picture is to be taken.';
  return null;
}

/** The pictures with one of them moved a place up or down. */
export function movedWant(wants: readonly OutingWant[], at: number, by: -1 | 1): OutingWant[] {
  const next = [...wants];
  const [moved] = next.splice(at, 1);
  if (moved) next.splice(at + by, 0, moved);
  return next;
}
