import { Op } from 'sequelize';
import { summary } from '@/contract/fieldErrors';
import type { FieldError } from '@/contract/problem';
import type { ResourceName, ResourceTypes } from '@/contract/resources';
import { validateWholeData } from '@/contract/validate';
import { TRANSFER_ORDER, type ImportSummary, type TransferRow, type WholeData } from '@/contract/wholeData';
import type { Database } from '../database';
import { HttpProblem } from '../problems';
import { columnsOf, partsOf } from '../rowColumns';

/** SQLite takes a limited number of values in one statement. */
const CHUNK = 500;

function* chunks<T>(items: T[]): Generator<T[]> {
  for (let i = 0; i < items.length; i += CHUNK) yield items.slice(i, i + CHUNK);
}

/** References of the set-ups to rows that are neither in the file nor in the database. */
async function danglingReferences({ write }: Database, data: WholeData): Promise<FieldError[]> {
  const setups = data.rows.setups ?? [];
  const wanted = { bodies: new Set<string>(), optics: new Set<string>(), adapters: new Set<string>() };
  for (const { data: setup } of setups) {
    wanted.bodies.add(setup.bodyId);
    for (const link of setup.chain) wanted[link.type === 'optic' ? 'optics' : 'adapters'].add(link.id);
  }
  const missing = new Set<string>();
  for (const name of ['bodies', 'optics', 'adapters'] as const) {
    const here = new Set((data.rows[name] ?? []).map((row) => row.id));
    const sought = [...wanted[name]].filter((id) => !here.has(id));
    for (const part of chunks(sought)) {
      const found = new Set((await write.rows[name].findAll({ where: { id: { [Op.in]: part } }, attributes: ['id'] })).map((row) => row.get('id') as string));
      part.filter((id) => !found.has(id)).forEach((id) => missing.add(id));
    }
  }
  return setups.flatMap(({ data: setup }, i) => {
    const parts = [{ id: setup.bodyId, path: 'bodyId' }, ...setup.chain.map((link, j) => ({ id: link.id, path: `chain.${j}.id` }))];
    return parts.filter((part) => missing.has(part.id)).map((part) => ({ path: `rows.setups.${i}.data.${part.path}`, message: `“${setup.name}” refers to a part that is neither in this file nor in the kit.` }));
  });
}

function duplicates(data: WholeData): FieldError[] {
  return TRANSFER_ORDER.flatMap((name) => {
    const seen = new Set<string>();
    return (data.rows[name] ?? []).flatMap((row, i) => {
      if (!seen.has(row.id)) {
        seen.add(row.id);
        return [];
      }
      return [{ path: `rows.${name}.${i}.id`, message: `The id ${row.id} stands twice in the file.` }];
    });
  });
}

const invalid = (errors: FieldError[]) => new HttpProblem(422, 'import.invalid', 'Nothing was imported', summary(errors.slice(0, 5)), { errors });

/**
 * Takes a file of data in, all of it or nothing. A row whose id exists with the same data is left alone; one with other
 * data is kept or replaced as the file says. A row that was deleted goes on counting its versions.
 */
export async function importData(database: Database, sent: unknown, now: () => Date): Promise<ImportSummary> {
  const checked = validateWholeData(sent);
  if (!checked.ok) throw invalid(checked.errors);
  const data = checked.value;
  const twice = duplicates(data);
  if (twice.length) throw invalid(twice);
  const done: ImportSummary = { created: 0, replaced: 0, kept: 0, unchanged: 0 };
  await database.queue(() =>
    database.together(async () => {
      const dangling = await danglingReferences(database, data);
      if (dangling.length) throw invalid(dangling);
      for (const name of TRANSFER_ORDER) {
        for (const part of chunks((data.rows[name] ?? []) as TransferRow<ResourceName>[])) await importChunk(database, name, part, data.existing ?? 'keep', now().toISOString(), done);
      }
    }),
  );
  return done;
}

async function importChunk({ write }: Database, name: ResourceName, rows: TransferRow<ResourceName>[], existing: 'keep' | 'replace', time: string, done: ImportSummary): Promise<void> {
  const ids = rows.map((row) => row.id);
  const stored = new Map((await write.rows[name].findAll({ where: { id: { [Op.in]: ids } } })).map((row) => [row.get('id') as string, row]));
  const buried = new Map((await write.tombstones.findAll({ where: { id: { [Op.in]: ids } } })).map((row) => [row.get('id') as string, row.get('version') as number]));
  const fresh = rows.filter((row) => !stored.has(row.id));
  await write.rows[name].bulkCreate(
    fresh.map((row) => ({
      id: row.id,
      // The version of the file, unless the row lived on here after the file was written.
      version: Math.max(row.version ?? 1, (buried.get(row.id) ?? 0) + (row.version === buried.get(row.id) ? 0 : 1)),
      data: JSON.stringify(row.data),
      createdAt: row.createdAt ?? time,
      updatedAt: row.updatedAt ?? time,
      ...columnsOf(name, row.data),
    })),
  );
  await write.tombstones.destroy({ where: { id: { [Op.in]: ids } } });
  done.created += fresh.length;
  const changed = rows.filter((row) => {
    const old = stored.get(row.id);
    if (!old) return false;
    const same = old.get('data') === JSON.stringify(row.data);
    if (same) done.unchanged += 1;
    else if (existing === 'keep') done.kept += 1;
    return !same && existing === 'replace';
  });
  for (const row of changed) {
    const old = stored.get(row.id)!;
    await old.update({ version: (old.get('version') as number) + 1, data: JSON.stringify(row.data), updatedAt: time, ...columnsOf(name, row.data) });
  }
  done.replaced += changed.length;
  if (name !== 'setups') return;
  await write.setupParts.destroy({ where: { setupId: { [Op.in]: changed.map((row) => row.id) } } });
  await write.setupParts.bulkCreate([...fresh, ...changed].flatMap((row) => partsOf(row.id, row.data as ResourceTypes['setups'])));
}

