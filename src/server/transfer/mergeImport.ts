import { QueryTypes } from 'sequelize';
import type { FieldError } from '@/contract/problem';
import { RESOURCE_NAMES, columnsOf, nounOf, type ResourceName } from '@/contract/resources';
import type { Existing, ImportSummary } from '@/contract/wholeData';
import type { Database } from '../database/openDatabase';
import { checksumSql } from '../database/rowChecksum';
import { importInvalid } from './importProblem';
import { stagingFile } from './staging';

/** Rows taken over in one transaction; in between others write. Readings refer to nothing, so they may come in parts. */
export const BATCH = 60;
const MOST_ERRORS = 50;

/** An import that a full or failing disk stopped when a part was taken over already. */
export class CutOff extends Error {}

type Run = (sql: string, options: { bind: Record<string, unknown> }) => Promise<unknown>;
type Ask = <T extends object>(sql: string, bind?: Record<string, unknown>) => Promise<T[]>;

/** The version a row of the file gets: that of the file, unless the row lived on here after the file was written. */
const VERSION_IN = `max(coalesce(s.version, 1), CASE WHEN s.version IS t.version THEN coalesce(t.version, 0) ELSE coalesce(t.version, 0) + 1 END)`;
const CHECKSUM_IN = checksumSql('s.hash', VERSION_IN, 'coalesce(s.created_at, $time)', 'coalesce(s.updated_at, $time)');
const CHECKSUM_OVER = checksumSql('s.hash', 'm.version + 1', 'm.created_at', '$time');

/**
 * Takes a draft over whose rows are all good: first the kit, whose rows refer to each other, in one transaction, then the
 * readings in parts, so that nobody else waits long. Taking over a part twice changes nothing, so that an import cut off by
 * a kill is carried through at the next start.
 *
 * @throws HttpProblem when rows refer to what does not exist; then nothing has been taken over
 */
export async function mergeImport(
  database: Database,
  time: string,
  onRows: (rows: number) => void = () => undefined,
): Promise<ImportSummary> {
  const { writer, queue, together } = database;
  const ask: Ask = <T extends object>(sql: string, bind: Record<string, unknown> = {}) =>
    writer.query<T>(sql, { bind, type: QueryTypes.SELECT });
  const sum: ImportSummary = { created: 0, replaced: 0, kept: 0, removed: 0, unchanged: 0 };
  await queue(() => writer.query('ATTACH $file AS staged', { bind: { file: stagingFile(database.file) } }));
  try {
    const [decision] = await ask<{ existing: Existing; named: string }>('SELECT existing, named FROM staged.decision');
    const { existing, named } = decision ?? { existing: 'keep', named: '[]' };
    const run = writer.query.bind(writer) as Run;
    const counts = Object.fromEntries(
      (
        await ask<{ resource: string; n: number }>('SELECT resource, count(*) AS n FROM staged.rows GROUP BY resource')
      ).map((row) => [row.resource, row.n]),
    );
    const readings = counts.readings ?? 0;
    const part = (name: ResourceName, from: number, to: number) =>
      mergePart(ask, run, { name, from, to, existing, time }, sum);
    await queue(() =>
      together(async () => {
        if (existing === 'only') sum.removed += await removeOthers(ask, run, JSON.parse(named) as ResourceName[]);
        await refuseDangling(ask);
        for (const name of RESOURCE_NAMES) if (name !== 'readings' && counts[name]) await part(name, 0, counts[name]);
        await refuseUnknownModes(ask);
        await part('readings', 0, Math.min(BATCH, readings));
      }),
    );
    for (let from = BATCH; from < readings; from += BATCH) {
      onRows(from);
      await queue(() => together(() => part('readings', from, Math.min(readings, from + BATCH)))).catch(
        (error: unknown) => {
          throw new CutOff(
            `The import stopped after ${from} of ${readings} readings. It is carried through when Jauge is started again.`,
            { cause: error },
          );
        },
      );
    }
  } finally {
    await queue(() => writer.query('DETACH staged'));
  }
  return sum;
}

/**
 * Takes out every row of the resources named that the draft does not hold, those that refer to others first. A deleted row
 * leaves its version behind.
 */
async function removeOthers(ask: Ask, run: Run, named: readonly ResourceName[]): Promise<number> {
  // A set-up that is about to be replaced may still refer to what goes.
  await run('PRAGMA defer_foreign_keys = ON', { bind: {} });
  let removed = 0;
  for (const name of [...RESOURCE_NAMES].reverse()) {
    if (!named.includes(name)) continue;
    const others = `id NOT IN (SELECT id FROM staged.rows WHERE resource = '${name}')`;
    if (name === 'setups')
      await run(`DELETE FROM main.setup_parts WHERE setup_id IN (SELECT id FROM main.setups WHERE ${others})`, {
        bind: {},
      });
    await run(
      `INSERT OR REPLACE INTO main.tombstones (id, version) SELECT id, version FROM main.${name} WHERE ${others}`,
      {
        bind: {},
      },
    );
    await run(`DELETE FROM main.${name} WHERE ${others}`, { bind: {} });
    const [gone] = await ask<{ n: number }>('SELECT changes() AS n');
    removed += gone!.n;
  }
  return removed;
}

interface Part {
  name: ResourceName;
  from: number;
  to: number;
  existing: Existing;
  time: string;
}

async function mergePart(
  ask: Ask,
  run: Run,
  { name, from, to, existing, time }: Part,
  sum: ImportSummary,
): Promise<void> {
  if (to <= from) return;
  const here = { name, from, to };
  const staged = 's.resource = $name AND s.n >= $from AND s.n < $to';
  const [counted] = await ask<{ differ: number; same: number }>(
    `SELECT coalesce(sum(m.data <> s.data), 0) AS differ, coalesce(sum(m.data = s.data), 0) AS same FROM staged.rows AS s JOIN main.${name} AS m ON m.id = s.id WHERE ${staged}`,
    here,
  );
  const extra = Object.values(columnsOf(name)).map((column) => column.name);
  const replaces = existing !== 'keep';
  if (replaces && counted!.differ > 0) {
    await run(
      `UPDATE main.${name} AS m SET version = m.version + 1, data = s.data, updated_at = $time, checksum = ${CHECKSUM_OVER}${extra.map((column) => `, ${column} = s.${column}`).join('')}
        FROM staged.rows AS s WHERE ${staged} AND m.id = s.id AND m.data <> s.data`,
      { bind: { ...here, time } },
    );
  }
  await run(
    `INSERT INTO main.${name} (id, version, data, created_at, updated_at, checksum${extra.map((column) => `, ${column}`).join('')})
      SELECT s.id, ${VERSION_IN}, s.data, coalesce(s.created_at, $time), coalesce(s.updated_at, $time), ${CHECKSUM_IN}${extra.map((column) => `, s.${column}`).join('')}
      FROM staged.rows AS s LEFT JOIN main.tombstones AS t ON t.id = s.id
      WHERE ${staged} AND NOT EXISTS (SELECT 1 FROM main.${name} AS m WHERE m.id = s.id) ORDER BY s.n`,
    { bind: { ...here, time } },
  );
  const [inserted] = await ask<{ n: number }>('SELECT changes() AS n');
  await run(`DELETE FROM main.tombstones WHERE id IN (SELECT s.id FROM staged.rows AS s WHERE ${staged})`, {
    bind: here,
  });
  if (name === 'setups') {
    const taken = `SELECT s.id FROM staged.rows AS s JOIN main.setups AS m ON m.id = s.id WHERE s.resource = 'setups' AND m.data = s.data`;
    await run(`DELETE FROM main.setup_parts WHERE setup_id IN (${taken})`, { bind: {} });
    await run(
      `INSERT INTO main.setup_parts (setup_id, position, optic_id, adapter_id) SELECT setup_id, position, optic_id, adapter_id FROM staged.parts WHERE setup_id IN (${taken})`,
      { bind: {} },
    );
  }
  sum.created += inserted!.n;
  sum.unchanged += counted!.same;
  if (replaces) sum.replaced += counted!.differ;
  else sum.kept += counted!.differ;
}

/** References of the set-ups to rows that are neither in the file nor in the database. */
async function refuseDangling(ask: Ask): Promise<void> {
  const missing = (column: string, resource: ResourceName) =>
    `NOT EXISTS (SELECT 1 FROM main.${resource} AS m WHERE m.id = ${column}) AND NOT EXISTS (SELECT 1 FROM staged.rows AS r WHERE r.resource = '${resource}' AND r.id = ${column})`;
  const rows = await ask<{ n: number; name: string; path: string }>(
    `SELECT s.n, json_extract(s.data, '$.name') AS name, 'bodyId' AS path FROM staged.rows AS s WHERE s.resource = 'setups' AND ${missing('s.body_id', 'bodies')}
     UNION ALL SELECT s.n, json_extract(s.data, '$.name'), 'chain.' || p.position || '.id' FROM staged.parts AS p JOIN staged.rows AS s ON s.resource = 'setups' AND s.id = p.setup_id
       WHERE (p.optic_id IS NOT NULL AND ${missing('p.optic_id', 'optics')}) OR (p.adapter_id IS NOT NULL AND ${missing('p.adapter_id', 'adapters')})
     ORDER BY 1 LIMIT ${MOST_ERRORS}`,
  );
  const errors: FieldError[] = rows.map(({ n, name, path }) => ({
    path: `rows.setups.${n}.data.${path}`,
    message: `“${name}” refers to a part that is neither in this file nor in the kit.`,
  }));
  if (errors.length) throw importInvalid(errors);
}

/** Set-ups whose mode their body does not have, once all bodies are as they will be. */
async function refuseUnknownModes(ask: Ask): Promise<void> {
  const rows = await ask<{ n: number | null; name: string; mode: string; body: string }>(
    `SELECT s.n, json_extract(m.data, '$.name') AS name, json_extract(m.data, '$.modeId') AS mode, json_extract(b.data, '$.name') AS body
     FROM main.setups AS m JOIN main.bodies AS b ON b.id = m.body_id LEFT JOIN staged.rows AS s ON s.resource = 'setups' AND s.id = m.id
     WHERE json_extract(m.data, '$.modeId') <> 'whole' AND NOT EXISTS (SELECT 1 FROM json_each(b.data, '$.cropModes') AS c WHERE json_extract(c.value, '$.id') = json_extract(m.data, '$.modeId'))
     LIMIT ${MOST_ERRORS}`,
  );
  const errors: FieldError[] = rows.map(({ n, name, mode, body }) => ({
    path: n === null ? 'rows.bodies' : `rows.setups.${n}.data.modeId`,
    message: `The ${nounOf('setups')} “${name}” uses the mode “${mode}”, which “${body}” does not have.`,
  }));
  if (errors.length) throw importInvalid(errors);
}
