import fs from 'node:fs';
import { faultsOf } from '@/cli/check';
import type { Desk } from '@/cli/desk';
import { run } from '@/cli/run';

type Path = readonly (string | number)[];

/** The input a reading's documentation shows. */
export const exampleOf = (name: string): unknown =>
  JSON.parse(fs.readFileSync(`docs/examples/${name}.json`, 'utf8')) as unknown;

/** Every place in a value, parents before what they hold. */
export function placesIn(value: unknown, at: Path = []): Path[] {
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, each]) => {
    const place = [...at, Array.isArray(value) ? Number(key) : key];
    return [place, ...placesIn(each, place)];
  });
}

function parentOf(whole: unknown, place: Path): Record<string | number, unknown> | undefined {
  return place
    .slice(0, -1)
    .reduce<unknown>((held, key) => (held as Record<string | number, unknown> | undefined)?.[key], whole) as
    Record<string | number, unknown> | undefined;
}

/** A copy without what stands at the places; one that went with its parent is gone already. */
export function without(value: unknown, ...places: Path[]): unknown {
  const copy: unknown = structuredClone(value);
  // The last of a list first, so that the others keep their numbers.
  for (const place of [...places].sort((a, b) => String(b).localeCompare(String(a), undefined, { numeric: true }))) {
    const parent = parentOf(copy, place);
    const key = place[place.length - 1]!;
    if (Array.isArray(parent)) parent.splice(Number(key), 1);
    else if (parent) delete parent[key];
  }
  return copy;
}

/** A copy with another number at a place. */
export function withNumber(value: unknown, place: Path, number: number): unknown {
  const copy: unknown = structuredClone(value);
  parentOf(copy, place)![place[place.length - 1]!] = number;
  return copy;
}

/** Answers that are objects or places may be null where there is none; a number may not. */
const MAY_BE_NULL =
  /^(dark|darkWithoutMoon|nautical|civil|sunset|sunrise|best|swap|adds|most|by|settings|moonrise|moonset)$/;

/**
 * What must stand in no answer: no number where one belongs, and no such word in any text.
 *
 * @returns what is wrong; null where the input is refused by the schema, or nothing is
 */
export function faultIn(desk: Desk, input: unknown): string | null {
  if (faultsOf(desk.schema, input).length > 0) return null;
  const { stdout, stderr } = run(desk, JSON.stringify(input), 'the input');
  const text = `${stdout}\n${stderr}`.replace(/ratioAtInfinity|noInfinity/g, '');
  const word = /.{0,40}\b(Infinity|NaN|undefined)\b.{0,40}|.{0,40}∞.{0,40}/.exec(text)?.[0];
  if (word !== undefined) return word.trim();
  for (const [, key] of text.matchAll(/"(\w+)": null/g)) if (!MAY_BE_NULL.test(key!)) return `${key} is null`;
  return /^\s*null,?$/m.exec(text) ? 'null in a list' : null;
}
