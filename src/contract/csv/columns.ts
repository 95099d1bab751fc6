import { ADAPTER_KIND_SCHEMAS } from '../schemas/adapter';
import { bodySchema } from '../schemas/body';
import { OPTIC_KIND_SCHEMAS } from '../schemas/optic';
import { pictureGroupSchema } from '../schemas/pictureGroup';

/** What a CSV can hold: one line a part, or a group of pictures of the log, whose small picture stays out. Modes, windows, noise and set-ups do not fit into one line; the JSON file holds them. */
export type CsvResource = 'bodies' | 'optics' | 'adapters' | 'pictureGroups';

/** A column of a CSV: the path of its field, and how its cells are read. */
export interface CsvColumn {
  path: string;
  type: 'text' | 'number' | 'integer' | 'flag' | 'numbers';
  /** What the field is called, for messages. */
  title: string;
}

interface SchemaNode {
  type?: string;
  title?: string;
  const?: string;
  properties?: Record<string, SchemaNode>;
  items?: SchemaNode;
}

function columnsBelow(node: SchemaNode, prefix = ''): CsvColumn[] {
  return Object.entries(node.properties ?? {}).flatMap(([name, child]): CsvColumn[] => {
    const path = prefix + name;
    const title = child.title ?? name;
    switch (child.type) {
      case 'string':
        return [{ path, type: 'text', title }];
      case 'number':
        return [{ path, type: 'number', title }];
      case 'integer':
        return [{ path, type: 'integer', title }];
      case 'boolean':
        return [{ path, type: 'flag', title }];
      case 'array':
        return child.items?.type === 'number' ? [{ path, type: 'numbers', title }] : [];
      case 'object':
        return columnsBelow(child, `${path}.`);
      default:
        return [];
    }
  });
}

/** The union of the columns of all kinds, each once, in the order they first stand. */
function columnsOfKinds(schemas: Record<string, object>): CsvColumn[] {
  const all = Object.values(schemas).flatMap((schema) => columnsBelow(schema as SchemaNode));
  return all.filter(
    (column, i) =>
      all.findIndex((other) => other.path === column.path) === i &&
      !['usedMm', 'magnificationSet'].includes(column.path),
  );
}

/** The columns of each kind of CSV, besides `id`, which is optional everywhere. */
export const CSV_COLUMNS: Record<CsvResource, CsvColumn[]> = {
  bodies: columnsBelow(bodySchema as SchemaNode),
  optics: columnsOfKinds(OPTIC_KIND_SCHEMAS),
  adapters: columnsOfKinds(ADAPTER_KIND_SCHEMAS),
  pictureGroups: columnsBelow(pictureGroupSchema as SchemaNode).filter(({ path }) => path !== 'preview'),
};

/** Header of a template: what every line needs first, then the rest. */
export const csvHeader = (resource: CsvResource): string[] => [
  'id',
  ...CSV_COLUMNS[resource].map((column) => column.path),
];

/** Tells from a header, and from the kinds that stand below it, what a CSV is about. */
export function csvResourceOf(header: string[], kinds: string[]): CsvResource | null {
  if (header.includes('sensor.widthMm') || header.includes('sensor.columns')) return 'bodies';
  if (header.includes('takenFrom')) return 'pictureGroups';
  if (!header.includes('kind')) return null;
  if (kinds.some((kind) => kind in OPTIC_KIND_SCHEMAS)) return 'optics';
  return kinds.some((kind) => kind in ADAPTER_KIND_SCHEMAS) ? 'adapters' : null;
}
