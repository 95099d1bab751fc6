import { QueryTypes, type QueryInterface } from 'sequelize';
import { LARGEST_VERSION } from '@/contract/wholeData';
import { contentHash, rowChecksum } from '../database/rowChecksum';

export const name = '0012-checksums';

/** The tables there were at this step. */
const TABLES = [
  'bodies',
  'optics',
  'adapters',
  'setups',
  'subjects',
  'outputs',
  'readings',
  'ratios',
  'starTests',
  'measurements',
  'outings',
  'pictureGroups',
  'guesses',
];
const PAGE = 500;

interface Row {
  id: string;
  version: number;
  data: string;
  createdAt: string;
  updatedAt: string;
}

const parsed = (data: string): unknown => {
  try {
    return JSON.parse(data) as unknown;
  } catch {
    // Damaged already: the checksum of the text, so that it gets no worse unseen.
    return data;
  }
};

/**
 * A checksum for every row, by which damage within its contents is noticed. Triggers that note changes are left alone: a
 * checksum is no change a device needs to hear of. Devices get rights of their own.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  const run = (sql: string) => sequelize.query(sql);
  for (const table of TABLES) {
    const [update] = await sequelize.query<{ sql: string }>(
      `SELECT sql FROM sqlite_master WHERE type = 'trigger' AND name = '${table}_update_noted'`,
      { type: QueryTypes.SELECT },
    );
    await run(`DROP TRIGGER IF EXISTS ${table}_update_noted`);
    // Brought by a file once: the next version could not be told from it.
    await run(`UPDATE ${table} SET version = 1 WHERE version > ${LARGEST_VERSION}`);
    await run(`ALTER TABLE ${table} ADD COLUMN checksum TEXT NOT NULL DEFAULT ''`);
    for (let last = ''; ;) {
      const rows = await sequelize.query<Row>(
        `SELECT id, version, data, created_at AS createdAt, updated_at AS updatedAt FROM ${table} WHERE id > $last ORDER BY id LIMIT ${PAGE}`,
        { bind: { last }, type: QueryTypes.SELECT },
      );
      for (const row of rows) {
        const checksum = rowChecksum(contentHash(table, row.id, parsed(row.data)), row);
        await sequelize.query(`UPDATE ${table} SET checksum = $checksum WHERE id = $id`, {
          bind: { id: row.id, checksum },
        });
      }
      if (rows.length < PAGE) break;
      last = rows[rows.length - 1]!.id;
    }
    if (update) await run(update.sql);
  }
  await run("ALTER TABLE devices ADD COLUMN rights TEXT NOT NULL DEFAULT ''");
}

export async function down({ sequelize }: QueryInterface): Promise<void> {
  for (const table of TABLES) await sequelize.query(`ALTER TABLE ${table} DROP COLUMN checksum`);
  await sequelize.query('ALTER TABLE devices DROP COLUMN rights');
}
