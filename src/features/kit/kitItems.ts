import type { StoredOf } from '@/contract/resources';
import type { Part, PartKind } from '@/core/chain/parts';
import { PART_WORDS } from '@/core/kit/words';
import { pitchUm } from '@/core/sensor/pitch';
import type { Kit } from '@/data/situation';
import { whereUsed, type PartResource } from '@/data/whereUsed';
import { bodyBrief } from './briefs';
import { kitKindOf, partBrief } from './kinds';
import { UNREADABLE } from './unreadable';

/** One line of the kit: a part with what it can be sought, filtered and sorted by. */
export interface KitItem {
  resource: PartResource;
  id: string;
  name: string;
  brief: string;
  kind: PartKind | 'body';
  kindName: string;
  maker: string;
  retired: boolean;
  /** Names of the set-ups it is in. */
  usedBy: string[];
  weightG?: number;
  price?: number;
  pitchUm?: number;
  /** Largest entrance pupil: f/N at the long end, aperture of a telescope, objective of a scope. */
  entrancePupilMm?: number;
}

export type KitFilter = 'all' | 'bodies' | 'optics' | 'adapters' | 'retired';
export type KitSort = 'name' | 'weight' | 'price' | 'pitch' | 'pupil';

/** The pupil of a part that has one, as a line takes it. */
function pupilIn(part: Part): Pick<KitItem, 'entrancePupilMm'> {
  const entrancePupilMm = kitKindOf(part).pupilMm?.(part);
  return entrancePupilMm === undefined ? {} : { entrancePupilMm };
}

/** A line with what its resource adds; of a row that cannot be read only its name, so that the others stay. */
function line(
  kit: Kit,
  resource: PartResource,
  row: StoredOf<PartResource>,
  own: () => Pick<KitItem, 'kind' | 'kindName' | 'brief'> & Partial<KitItem>,
): KitItem {
  const data = row.data as Partial<typeof row.data>;
  const common = {
    resource,
    id: row.id,
    name: String(data.name ?? row.id),
    maker: String(data.maker ?? ''),
    retired: data.retired === true,
    usedBy: whereUsed(kit, resource, row.id).map((user) => user.data.name),
  };
  try {
    return {
      ...common,
      ...(data.weightG === undefined ? {} : { weightG: data.weightG }),
      ...(data.price === undefined ? {} : { price: data.price }),
      ...own(),
    };
  } catch {
    return { ...common, kind: 'body', kindName: '', brief: UNREADABLE };
  }
}

/** All parts of the kit as lines. */
export function kitItems(kit: Kit): KitItem[] {
  return [
    ...kit.bodies.map((row) =>
      line(kit, 'bodies', row, () => ({
        kind: 'body',
        kindName: 'Body',
        brief: bodyBrief(row.data),
        pitchUm: pitchUm(row.data.sensor.widthMm, row.data.sensor.columns),
      })),
    ),
    ...kit.optics.map((row) =>
      line(kit, 'optics', row, () => ({
        kind: row.data.kind,
        kindName: PART_WORDS[row.data.kind].name,
        brief: partBrief(row.data),
        ...pupilIn(row.data),
      })),
    ),
    ...kit.adapters.map((row) =>
      line(kit, 'adapters', row, () => ({
        kind: row.data.kind,
        kindName: PART_WORDS[row.data.kind].name,
        brief: partBrief(row.data),
      })),
    ),
  ];
}

const plain = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[\u202f\u00a0]/g, ' ');

/** The value a sort goes by; parts without it come last. */
export const sortValue = (item: KitItem, sort: Exclude<KitSort, 'name'>): number | undefined =>
  ({ weight: item.weightG, price: item.price, pitch: item.pitchUm, pupil: item.entrancePupilMm })[sort];

/**
 * The lines a person asked for. Every word sought must stand in name, maker, kind or brief. Weight, price and pitch go up;
 * the entrance pupil goes down, because more of it is what one looks for.
 */
export function selectItems(items: KitItem[], sought: string, filter: KitFilter, sort: KitSort): KitItem[] {
  const words = plain(sought)
    .split(/\s+/)
    .filter((word) => word !== '');
  const found = items.filter((item) => {
    if (filter === 'retired' ? !item.retired : item.retired) return false;
    if (filter !== 'all' && filter !== 'retired' && item.resource !== filter) return false;
    const text = plain(`${item.name} ${item.maker} ${item.kindName} ${item.brief}`);
    return words.every((word) => text.includes(word));
  });
  const byName = (a: KitItem, b: KitItem) => a.name.localeCompare(b.name, undefined, { numeric: true });
  if (sort === 'name') return found.sort(byName);
  const sign = sort === 'pupil' ? -1 : 1;
  return found.sort((a, b) => {
    const [x, y] = [sortValue(a, sort), sortValue(b, sort)];
    if (x === undefined || y === undefined) return x === y ? byName(a, b) : x === undefined ? 1 : -1;
    return sign * (x - y) || byName(a, b);
  });
}
