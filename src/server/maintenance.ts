import type { Logger } from 'pino';
import { Op } from 'sequelize';
import { backupDue } from './database/backups';
import type { Database } from './database/openDatabase';

const HOUR_MS = 3600 * 1000;
/** A change that is sent again comes within days; its answer is kept this long. */
const ANSWERS_MS = 60 * 24 * HOUR_MS;

/** A backup a day, and answers forgotten that nobody will ask for again. */
export async function maintain(database: Database, now: Date = new Date()): Promise<void> {
  if (!backupDue(database.file, now)) return;
  // What is running makes a backup of its own, or will be over in an hour.
  if (database.jobs.running()) return;
  await database.jobs.runUnasked('backup', () => database.backup('daily'));
  const before = new Date(now.getTime() - ANSWERS_MS).toISOString();
  await database.queue(() => database.write.answers.destroy({ where: { madeAt: { [Op.lt]: before } } }));
}

/**
 * Maintains now and every hour. What fails is said and tried again: it must not stop the work.
 *
 * @returns stops it; resolved once what it is just doing with the data file is done
 */
export function maintainHourly(database: Database, logger: Logger): () => Promise<void> {
  let working = Promise.resolve();
  const run = () => {
    working = maintain(database).catch((error: unknown) =>
      logger.error({ err: error }, 'the daily backup failed; it is tried again in an hour'),
    );
  };
  run();
  const timer = setInterval(run, HOUR_MS);
  timer.unref();
  return () => {
    clearInterval(timer);
    return working;
  };
}
