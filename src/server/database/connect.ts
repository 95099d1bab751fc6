import { Sequelize } from 'sequelize';

/** Longest a statement waits for another process that holds the file, ms. */
const BUSY_MS = 2000;

/**
 * A connection to a file. Write-ahead logging lets readers go on while one writes; `synchronous=FULL` makes every
 * acknowledged write survive a killed process and a power cut.
 */
export async function connect(file: string): Promise<Sequelize> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  await sequelize.query('PRAGMA journal_mode = WAL');
  await sequelize.query('PRAGMA synchronous = FULL');
  await sequelize.query(`PRAGMA busy_timeout = ${BUSY_MS}`);
  return sequelize;
}

/** Runs changes in one immediate transaction: all of them hold, or none. */
export async function inTransaction<T>(writer: Sequelize, work: () => Promise<T>): Promise<T> {
  await writer.query('BEGIN IMMEDIATE');
  let result: T;
  try {
    result = await work();
    await writer.query('COMMIT');
  } catch (error) {
    // A full disk ends the transaction by itself; then there is nothing left to take back.
    await writer.query('ROLLBACK').catch(() => undefined);
    throw error;
  }
  return result;
}
