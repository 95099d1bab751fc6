import isEqual from 'fast-deep-equal';
import type { ResourceName } from '@/contract/resources';
import { nameAndUnit, valueWords } from './fieldWords';
import { formFieldAt } from './formWords';

/** One field on which two copies of a row differ, in words. */
export interface Difference {
  label: string;
  mine: string;
  stored: string;
}

interface Leaf {
  /** Names on the way to it, in words. */
  way: string[];
  /** Its path in the row, without the places in lists. */
  path: string;
  value: unknown;
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What an item of a list is called: by its name, else by its place. */
function itemName(item: Record<string, unknown>, at: number, nameOf: NameOf): string {
  if (typeof item.name === 'string') return `“${item.name}”`;
  if (typeof item.id === 'string') return nameOf(item.id) ?? `${at + 1}`;
  return String(at + 1);
}

/** The same item in two copies: by its id or name, so that one taken out does not shift the others. */
const itemKey = (item: Record<string, unknown>, at: number): string => {
  const own = item.key ?? item.id ?? item.name;
  return typeof own === 'string' ? own : String(at);
};

type NameOf = (id: string) => string | undefined;

/** All values of a row by a key that is the same in both copies. */
function leaves(value: unknown, nameOf: NameOf): Map<string, Leaf> {
  const found = new Map<string, Leaf>();
  const walk = (part: unknown, key: string, path: string, way: string[]): void => {
    if (isObject(part)) {
      for (const [name, inner] of Object.entries(part)) {
        // Which row or item it is stands in the way to it.
        if (name === 'id' && way.length > 0) continue;
        walk(inner, `${key}/${name}`, path ? `${path}.${name}` : name, [...way, nameAndUnit(name).name]);
      }
    } else if (Array.isArray(part) && part.some(isObject)) {
      // Which there are, and in what order.
      const names = part.map((item, at) => (isObject(item) ? itemName(item, at, nameOf) : String(item)));
      found.set(`${key}/`, { way, path, value: names });
      part.forEach((item, at) => {
        if (isObject(item)) walk(item, `${key}/${itemKey(item, at)}`, path, [...way, itemName(item, at, nameOf)]);
      });
    } else found.set(key, { way, path, value: part });
  };
  walk(value, '', '', []);
  return found;
}

/**
 * Where two copies of a row differ, in the words of its form where it has one.
 *
 * @param nameOf what a row is called, by its id
 */
export function differencesOf(
  resource: ResourceName,
  mine: unknown,
  stored: unknown,
  nameOf: NameOf,
): { differences: Difference[]; same: number } {
  const [a, b] = [leaves(mine, nameOf), leaves(stored, nameOf)];
  const keys = [...new Set([...a.keys(), ...b.keys()])];
  const differing = keys.filter((key) => !isEqual(a.get(key)?.value, b.get(key)?.value));
  return {
    differences: differing
      // A list of which one copy has an item more is told as the list; what is in that item belongs to it.
      .filter((key) => (a.has(key) && b.has(key)) || !inMissingItem(key, a, b))
      .map((key) =>
        difference(resource, (a.get(key) ?? b.get(key))!, a.get(key)?.value, b.get(key)?.value, mine, nameOf),
      ),
    same: keys.length - differing.length,
  };
}

/** Whether a value lies in an item that only one of the copies has. */
function inMissingItem(key: string, a: Map<string, Leaf>, b: Map<string, Leaf>): boolean {
  const other = a.has(key) ? b : a;
  const lists = [...a.keys(), ...b.keys()].filter((each) => each.endsWith('/') && key.startsWith(each) && key !== each);
  return lists.some((list) => {
    const item = `${list}${key.slice(list.length).split('/')[0]}/`;
    return ![...other.keys()].some((each) => each.startsWith(item));
  });
}

function difference(
  resource: ResourceName,
  { way, path }: Leaf,
  mine: unknown,
  stored: unknown,
  row: unknown,
  nameOf: NameOf,
): Difference {
  const { unit } = nameAndUnit(path.split('.').at(-1) ?? '');
  const field = formFieldAt(resource, row, path);
  const words = (value: unknown): string =>
    (typeof value === 'string' ? field?.options?.[value] : undefined) ?? valueWords(value, unit, nameOf);
  const own = field ? [...way.slice(0, -1), field.label] : way;
  return {
    label: (field && !path.includes('.') ? [field.label] : own).join(' › '),
    mine: words(mine),
    stored: words(stored),
  };
}
