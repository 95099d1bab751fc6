import { between, count, text } from '@/contract/schemas/fields';
import type { Adapter } from '@/contract/schemas/adapter';
import type { Body } from '@/contract/schemas/body';
import type { Optic } from '@/contract/schemas/optic';
import type { Output } from '@/contract/schemas/output';
import type { Subject } from '@/contract/schemas/subject';
import type { Kit } from '@/core/bag/pieces';
import type { Served, Want } from '@/core/bag/serve';
import { partAsUsed } from '@/core/chain/link';
import { verdictOf } from '@/core/output/verdict';
import { fail, ok, type Result } from '@/core/quantity/result';
import { list, objectSchema } from './fields';

/** A whole kit as an input tells it. */
export interface PlainKit {
  bodies: Body[];
  optics: Optic[];
  adapters?: Adapter[] | undefined;
}

export const PLAIN_KIT = {
  bodies: list('Bodies', { $ref: 'body' }, 1, 20),
  optics: list('Lenses, telescopes, scopes', { $ref: 'optic' }, 1, 60),
  adapters: list('Adapters', { $ref: 'adapter' }, 0, 60),
};

/** Things of one name are told apart by where they stand in the list. */
export function kitOf({ bodies, optics, adapters = [] }: PlainKit): Kit {
  const named = <T extends { name: string }>(items: readonly T[], kind: string) =>
    items.map((item, i) => ({ id: `${kind}:${i}`, item }));
  return {
    bodies: named(bodies, 'body').map(({ id, item }) => ({ id, body: item })),
    parts: [...named(optics, 'optic'), ...named(adapters, 'adapter')].map(({ id, item }) => ({ id, part: item })),
  };
}

/** Ids of what is named; the name that none of the kit has is a problem. */
export function namedPieces(kit: Kit, carried: readonly string[], field: string): Result<Set<string>> {
  const names = new Map([
    ...kit.bodies.map(({ id, body }) => [id, body.name] as const),
    ...kit.parts.map(({ id, part }) => [id, part.name] as const),
  ]);
  const unknown = carried.find((name) => ![...names.values()].includes(name));
  return unknown === undefined
    ? ok(new Set([...names].filter(([, name]) => carried.includes(name)).map(([id]) => id)))
    : fail(
        `${field}.unknown`,
        `“${unknown}” is not among bodies, optics and adapters. Name it as it is named there.`,
        field,
      );
}

/** A picture wanted: of a subject, or of the sky. */
export interface PlainWant {
  name: string;
  output: Output;
  subject?: Subject | undefined;
  distanceM?: number | undefined;
  declinationDeg?: number | undefined;
  fieldDeg?: number | undefined;
  pictures?: number | undefined;
}

export const PLAIN_WANTS = list(
  'Pictures wanted: of a subject, close up where no distance is given, or of the sky with declinationDeg and fieldDeg',
  objectSchema(
    'Picture wanted',
    {
      name: text('Name'),
      subject: { $ref: 'subject' },
      output: { $ref: 'output' },
      distanceM: between('Distance to keep in m', 0.01, 100_000),
      declinationDeg: between('Declination in degrees', -90, 90),
      fieldDeg: between('Width of the sky in degrees', 0.1, 175),
      pictures: count('Pictures hoped for', 100_000),
    },
    ['name', 'output'],
  ),
  1,
  12,
);

/** The pictures as the core takes them; told by their names, which are each its own. */
export function wantsOf(asked: readonly PlainWant[]): Result<(Want & { pictures?: number | undefined })[]> {
  if (new Set(asked.map(({ name }) => name)).size < asked.length)
    return fail('wants.names', 'Two pictures wanted have one name. Give each its own.', 'wants');
  const wants: (Want & { pictures?: number | undefined })[] = [];
  for (const [i, { name, output, subject, distanceM, declinationDeg, fieldDeg, pictures }] of asked.entries()) {
    const common = { id: name, output, pictures };
    if (subject) wants.push({ ...common, subject, distanceM });
    else if (declinationDeg !== undefined && fieldDeg !== undefined)
      wants.push({ ...common, name, declinationDeg, fieldDeg });
    else
      return fail(
        'wants.what',
        `“${name}” has neither a subject nor a part of the sky. Give it a subject, or declinationDeg and fieldDeg.`,
        `wants.${i}`,
      );
  }
  return ok(wants);
}

/** What a set-up gives for a picture, as it is told. */
export const plainServed = ({ setup, unit, counted, plusMinus, needed, focalMm, ratio }: Served) => ({
  body: setup.body.body.name,
  parts: setup.chain.map((link) => partAsUsed(link).name),
  focalMm,
  ...(ratio === undefined ? {} : { ratio }),
  unit,
  counted,
  ...(plusMinus === undefined ? {} : { plusMinus }),
  needed,
  verdict: verdictOf(counted, needed, plusMinus),
});
