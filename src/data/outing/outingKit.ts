import type { Outing, OutingWant } from '@/contract/schemas/outing';
import { chainName, type Kit as BagKit } from '@/core/bag/pieces';
import type { Want } from '@/core/bag/serve';
import type { Part } from '@/core/chain/parts';
import { linksOfRows, measuredWith } from '../chainLinks';
import type { Kit } from '../situation';

/** A picture wanted with what the outing alone knows of it. */
export type OutingPicture = Want & { pictures?: number | undefined; note?: string | undefined };

/** Why a picture of an outing cannot be read. */
export type LostWant = { id: string; name: string; lost: 'subject' | 'output' };

const isLoose = ({ retired, wish }: { retired?: boolean | undefined; wish?: boolean | undefined }): boolean =>
  !retired && !wish;

/** All one has as the bag takes it: what is retired or only wished for stays out, unless it is packed. */
export function bagKitOf(kit: Kit, packed: ReadonlySet<string>): BagKit {
  const taken = ({ id, data }: { id: string; data: { retired?: boolean | undefined; wish?: boolean | undefined } }) =>
    packed.has(id) || isLoose(data);
  const parts = [...kit.optics.filter(taken), ...kit.adapters.filter(taken)].map(({ id, data }) => ({
    id,
    part: data as Part,
  }));
  const chains = kit.ratios.flatMap(({ data }) => {
    const links = linksOfRows(data.chain, kit);
    return links ? [{ chain: chainName(links), ratios: measuredWith(data.chain, kit.ratios) }] : [];
  });
  return {
    bodies: kit.bodies.filter(taken).map(({ id, data }) => ({ id, body: data })),
    parts,
    ...(chains.length ? { measured: chains } : {}),
  };
}

/** A stored picture with what it names; what is gone from the lists is told. */
export function pictureOf(want: OutingWant, kit: Kit): OutingPicture | LostWant {
  const { id, kind, name, pictures, note } = want;
  const output = kit.outputs.find((row) => row.id === want.outputId)?.data;
  if (!output) return { id, name, lost: 'output' };
  const common = { id, output, pictures, note };
  if (kind === 'stars')
    return { ...common, name, declinationDeg: want.declinationDeg ?? 0, fieldDeg: want.fieldDeg ?? 60 };
  const subject = kit.subjects.find((row) => row.id === want.subjectId)?.data;
  if (!subject) return { id, name, lost: 'subject' };
  return { ...common, subject, ...(kind === 'far' ? { distanceM: want.distanceM ?? subject.distanceM } : {}) };
}

export const isLost = (picture: OutingPicture | LostWant): picture is LostWant => 'lost' in picture;

/** Ids of what is in the bag of an outing. */
export const packedOf = ({ bag }: Pick<Outing, 'bag'>): Set<string> => new Set(bag.map(({ id }) => id));
