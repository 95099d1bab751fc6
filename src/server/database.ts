import fs from 'node:fs';
import path from 'node:path';
import { Mutex } from 'async-mutex';
import { QueryTypes, Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import type { ResourceName } from '@/contract/resources';
import * as first from './migrations/0001-first-tables';
import * as reducers from './migrations/0002-reducers';
import * as ratios from './migrations/0003-ratios';
import * as starTests from './migrations/0004-star-tests';
import { defineTables, type Tables } from './models/tables';

const MIGRATIONS = [first, reducers, ratios, starTests];

export interface Trace {
  exists: boolean;
  deletedVersion: number | null;
}

/**
 * An open database: one connection that reads and one that writes. Sequelize would open a new connection for every
 * transaction on SQLite, which costs more than the write itself; a single writing connection behind a queue does not.
 */
export interface Database {
  read: Tables;
  write: Tables;
  /** Waits for its turn to write: SQLite takes one writer at a time. */
  queue: <T>(work: () => Promise<T>) => Promise<T>;
  /** Within a turn, runs changes in one immediate transaction: all of them hold, or none. */
  together: <T>(work: () => Promise<T>) => Promise<T>;
  /** Whether a row exists, and the version it had when it was last deleted: one question instead of two. */
  trace: (resource: ResourceName, id: string) => Promise<Trace>;
  /** Rows of a page as JSON texts with commas between, UTF-8. */
  pageText: (resource: ResourceName, limit: number, offset: number) => Promise<Buffer>;
  /** The reading connection, for checks of the file itself. */
  sequelize: Sequelize;
  close: () => Promise<void>;
}

/**
 * Opens a database file, making it and its folder when missing, and brings its tables up to date.
 *
 * Write-ahead logging lets readers go on while one writes. `synchronous=FULL` makes every acknowledged write survive a
 * killed process and a power cut.
 */
export async function openDatabase(file: string): Promise<Database> {
  fs.mkdirSync(path.dirname(file), { recursive: true });
  const writer = await connect(file);
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () => up(writer.getQueryInterface()),
      down: () => down(writer.getQueryInterface()),
    })),
    storage: new SequelizeStorage({ sequelize: writer }),
    logger: undefined,
  });
  await umzug.up();
  const reader = await connect(file);
  const turn = new Mutex();
  return {
    read: defineTables(reader),
    write: defineTables(writer),
    queue: (work) => turn.runExclusive(work),
    together: (work) => inTransaction(writer, work),
    trace: (resource, id) => traceOf(writer, resource, id),
    pageText: (resource, limit, offset) => pageTextOf(reader, resource, limit, offset),
    sequelize: reader,
    close: async () => {
      await turn.waitForUnlock();
      await Promise.all([writer.close(), reader.close()]);
    },
  };
}

async function connect(file: string): Promise<Sequelize> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  await sequelize.query('PRAGMA journal_mode = WAL');
  await sequelize.query('PRAGMA synchronous = FULL');
  return sequelize;
}

/** Written as plain SQL: through a model, Sequelize asks for the table's columns before every such question. */
async function traceOf(writer: Sequelize, resource: ResourceName, id: string): Promise<Trace> {
  const sql = `SELECT EXISTS (SELECT 1 FROM ${resource} WHERE id = $id) AS present, (SELECT version FROM tombstones WHERE id = $id) AS deletedVersion`;
  const [row] = await writer.query<{ present: number; deletedVersion: number | null }>(sql, { bind: { id }, type: QueryTypes.SELECT });
  return { exists: row?.present === 1, deletedVersion: row?.deletedVersion ?? null };
}

/**
 * Readings come newest first, everything else in the order it was made. Put together in SQL, because taking a thousand
 * rows apart into objects only to write them as text again took most of the time of a list; as bytes, because they are
 * sent as bytes.
 */
async function pageTextOf(reader: Sequelize, resource: ResourceName, limit: number, offset: number): Promise<Buffer> {
  const order = resource === 'readings' ? 'taken_at DESC, id DESC' : 'created_at, id';
  const sql = `SELECT CAST(group_concat(
      '{"id":"' || id || '","version":' || version || ',"createdAt":"' || created_at || '","updatedAt":"' || updated_at || '","data":' || data || '}', ','
    ) AS BLOB) AS items FROM (SELECT * FROM ${resource} ORDER BY ${order} LIMIT $limit OFFSET $offset)`;
  const [row] = await reader.query<{ items: Buffer | null }>(sql, { bind: { limit, offset }, type: QueryTypes.SELECT });
  return row?.items ?? Buffer.alloc(0);
}

async function inTransaction<T>(writer: Sequelize, work: () => Promise<T>): Promise<T> {
  await writer.query('BEGIN IMMEDIATE');
  let result: T;
  try {
    result = await work();
  } catch (error) {
    await writer.query('ROLLBACK');
    throw error;
  }
  await writer.query('COMMIT');
  return result;
}
