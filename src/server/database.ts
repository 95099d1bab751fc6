import fs from 'node:fs';
import path from 'node:path';
import { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import * as first from './migrations/0001-first-tables';
import { defineTables, type Tables } from './models/tables';

const MIGRATIONS = [first];

export interface Database {
  sequelize: Sequelize;
  tables: Tables;
  close: () => Promise<void>;
}

/**
 * Opens a database file, making it and its folder when missing, and brings its tables up to date.
 *
 * Write-ahead logging lets readers go on while one writes. `synchronous=FULL` makes every acknowledged write survive a
 * killed process and a power cut; SQLite opens every connection with it, and `assertDurable` refuses to start otherwise.
 */
export async function openDatabase(file: string): Promise<Database> {
  fs.mkdirSync(path.dirname(file), { recursive: true });
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  await sequelize.query('PRAGMA journal_mode = WAL');
  await assertDurable(sequelize);
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () => up(sequelize.getQueryInterface()),
      down: () => down(sequelize.getQueryInterface()),
    })),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  });
  await umzug.up();
  return { sequelize, tables: defineTables(sequelize), close: () => sequelize.close() };
}

async function assertDurable(sequelize: Sequelize): Promise<void> {
  const FULL = 2;
  await sequelize.transaction(async (transaction) => {
    const [[row]] = (await sequelize.query('PRAGMA synchronous', { transaction })) as [{ synchronous: number }[], unknown];
    if (row?.synchronous !== FULL) throw new Error('This SQLite does not open its connections with synchronous=FULL.');
  });
}
