import type { TakenGroup } from './groupPictures';
import { middleOf } from './groupPictures';
import { recogniseGear, type Gear, type GearKit } from './recogniseGear';
import type { PhotoTags } from '../formats/photoProposal';

/** A picture of the plan, as far as a group is matched with it. */
export interface PlannedWant {
  id: string;
  name: string;
  kind: 'far' | 'near' | 'stars';
  distanceM?: number | undefined;
  /** Ids of the set-up of the bag that takes it, body first. */
  setupIds?: readonly string[] | undefined;
}

const uses = ({ setupIds = [] }: PlannedWant, { body, optic }: Gear): boolean =>
  !!body && !!optic && setupIds.includes(body.id) && setupIds.includes(optic.id);

const farOff = (want: PlannedWant, distanceM: number): number =>
  Math.abs(Math.log((want.distanceM ?? 0.5) / distanceM));

/**
 * The picture of the plan a group most likely belongs to: taken with its set-up, and of several the one from nearest the distance
 * EXIF tells.
 *
 * @returns null where several are as likely, or none is
 */
export function likelyWant(
  gear: Gear,
  distanceM: number | undefined,
  wants: readonly PlannedWant[],
): PlannedWant | null {
  const fitting = wants.filter((want) => uses(want, gear));
  if (fitting.length < 2) return fitting[0] ?? null;
  if (distanceM === undefined) return null;
  return [...fitting].sort((a, b) => farOff(a, distanceM) - farOff(b, distanceM))[0]!;
}

/** What of a group is known from its pictures: gear, settings in the middle of it, and the distance EXIF tells. */
export function knownOfGroup({ pictures }: TakenGroup, kit: GearKit) {
  const tags: PhotoTags = pictures[Math.floor(pictures.length / 2)]!.tags;
  const gear = recogniseGear(tags, kit);
  const middle = (of: (tags: PhotoTags) => number | undefined) => middleOf(pictures.map((each) => of(each.tags)));
  return {
    gear,
    bodyName: gear.body?.body.name ?? tags.model,
    lensName: gear.optic?.part.name ?? tags.lensModel,
    focalMm: middle(({ focalLengthMm }) => focalLengthMm),
    fNumber: middle(({ fNumber }) => fNumber),
    seconds: middle(({ exposureS }) => exposureS),
    iso: middle(({ iso }) => iso),
    distanceM: middle(({ subjectDistanceM }) => subjectDistanceM),
  };
}
