import type { QueryInterface } from 'sequelize';

const EVENTS = { insert: 'NEW', update: 'NEW', delete: 'OLD' } as const;

/** Notes what is in a table, and from now on every change of it, for those who ask what is new (0007). */
export async function traceChanges({ sequelize }: QueryInterface, table: string): Promise<void> {
  await sequelize.query(
    `INSERT INTO changes (resource, id) SELECT '${table}', id FROM ${table} ORDER BY created_at, id`,
  );
  for (const [event, row] of Object.entries(EVENTS))
    // Taken out and put in anew, not replaced: within a trigger OR REPLACE gives way to what the statement outside says.
    await sequelize.query(`CREATE TRIGGER ${table}_${event}_noted AFTER ${event.toUpperCase()} ON ${table} BEGIN
      DELETE FROM changes WHERE resource = '${table}' AND id = ${row}.id;
      INSERT INTO changes (resource, id) VALUES ('${table}', ${row}.id);
    END`);
}

export async function untraceChanges({ sequelize }: QueryInterface, table: string): Promise<void> {
  for (const event of Object.keys(EVENTS)) await sequelize.query(`DROP TRIGGER ${table}_${event}_noted`);
}
