import { DEEP_KIND_NAMES, DEEP_OBJECTS, type DeepObject } from './catalogue';

/** Names in common use; several where more than one is. */
export const COMMON_NAMES: Readonly<Record<string, readonly string[]>> = {
  'M 1': ['Crab Nebula'],
  'M 6': ['Butterfly Cluster'],
  'M 8': ['Lagoon Nebula'],
  'M 11': ['Wild Duck Cluster'],
  'M 13': ['Hercules Cluster'],
  'M 16': ['Eagle Nebula'],
  'M 17': ['Omega Nebula', 'Swan Nebula'],
  'M 20': ['Trifid Nebula'],
  'M 27': ['Dumbbell Nebula'],
  'M 31': ['Andromeda Galaxy'],
  'M 33': ['Triangulum Galaxy'],
  'M 42': ['Orion Nebula'],
  'M 44': ['Beehive Cluster', 'Praesepe'],
  'M 45': ['Pleiades'],
  'M 51': ['Whirlpool Galaxy'],
  'M 57': ['Ring Nebula'],
  'M 63': ['Sunflower Galaxy'],
  'M 64': ['Black Eye Galaxy'],
  'M 81': ['Bode’s Galaxy'],
  'M 82': ['Cigar Galaxy'],
  'M 83': ['Southern Pinwheel Galaxy'],
  'M 97': ['Owl Nebula'],
  'M 101': ['Pinwheel Galaxy'],
  'M 104': ['Sombrero Galaxy'],
  'NGC 104': ['47 Tucanae'],
  'NGC 253': ['Sculptor Galaxy'],
  'NGC 869': ['Double Cluster'],
  'NGC 891': ['Silver Sliver Galaxy'],
  'NGC 2024': ['Flame Nebula'],
  'NGC 2070': ['Tarantula Nebula'],
  'NGC 2237': ['Rosette Nebula'],
  'NGC 3372': ['Carina Nebula'],
  'NGC 4565': ['Needle Galaxy'],
  'NGC 5139': ['Omega Centauri'],
  'NGC 6960': ['Western Veil'],
  'NGC 6992': ['Eastern Veil'],
  'NGC 7000': ['North America Nebula'],
  'NGC 7293': ['Helix Nebula'],
  'IC 405': ['Flaming Star Nebula'],
  'IC 434': ['Horsehead Nebula'],
  'IC 1396': ['Elephant’s Trunk'],
  'IC 1805': ['Heart Nebula'],
  'IC 1848': ['Soul Nebula'],
  'IC 5070': ['Pelican Nebula'],
};

/** The name most use, if there is one. */
export const commonName = ({ id }: DeepObject): string | undefined => COMMON_NAMES[id]?.[0];

/** In small letters, with a plain apostrophe. */
const plain = (text: string): string => text.toLowerCase().replaceAll('’', "'");
const packed = (text: string): string => plain(text).replace(/\s+/g, '');

/**
 * Objects by number, name or kind: "m31", "ngc 70", "andromeda", "planetary". A number typed whole comes first: M 1 before M 11.
 *
 * @example findObjects('m31')[0].id // 'M 31'
 */
export function findObjects(sought: string): DeepObject[] {
  const number = packed(sought);
  if (number === '') return [...DEEP_OBJECTS];
  const words = plain(sought)
    .split(/\s+/)
    .filter((word) => word !== '');
  const rank = (object: DeepObject): number => {
    const id = packed(object.id);
    if (id === number) return 0;
    if (id.startsWith(number)) return 1;
    const names = plain([...(COMMON_NAMES[object.id] ?? []), DEEP_KIND_NAMES[object.kind]].join(' '));
    return words.every((word) => names.includes(word)) ? 2 : Infinity;
  };
  return DEEP_OBJECTS.map((object) => ({ object, at: rank(object) }))
    .filter(({ at }) => at < Infinity)
    .sort((a, b) => a.at - b.at)
    .map(({ object }) => object);
}
