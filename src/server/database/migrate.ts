import type { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { MIGRATIONS } from '../migrations';
import { inTransaction } from './connect';

/**
 * Brings the tables up to date. Each step and the note that it was done are one transaction: a kill in the middle leaves
 * the file as it was before the step.
 *
 * @param beforeFirst run once, when there is something to do
 */
export async function migrate(
  writer: Sequelize,
  beforeFirst: () => Promise<unknown> = () => Promise.resolve(),
): Promise<void> {
  const notes = new SequelizeStorage({ sequelize: writer });
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () =>
        inTransaction(writer, async () => {
          await up(writer.getQueryInterface());
          await notes.logMigration({ name });
        }),
      down: () =>
        inTransaction(writer, async () => {
          await down(writer.getQueryInterface());
          await notes.unlogMigration({ name });
        }),
    })),
    // Noted within the step's own transaction above.
    storage: {
      executed: () => notes.executed(),
      logMigration: () => Promise.resolve(),
      unlogMigration: () => Promise.resolve(),
    },
    logger: undefined,
  });
  if ((await umzug.pending()).length === 0) return;
  await beforeFirst();
  await umzug.up();
}
