import crypto from 'node:crypto';
import { DataTypes, type QueryInterface } from 'sequelize';
import { traceChanges, untraceChanges } from './traceChanges';

export const name = '0007-changes';

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
];

/**
 * In which order rows were last changed, deletions too, so that a device can ask what it has not seen. Written by triggers:
 * whatever changes a row, it is noted. The file gets a name of its own: a cursor holds for one file.
 */
export async function up(queryInterface: QueryInterface): Promise<void> {
  const { sequelize } = queryInterface;
  await sequelize.query(
    'CREATE TABLE changes (seq INTEGER PRIMARY KEY AUTOINCREMENT, resource TEXT NOT NULL, id TEXT NOT NULL, UNIQUE (resource, id))',
  );
  await queryInterface.createTable('file_names', { name: { type: DataTypes.TEXT, primaryKey: true } });
  await sequelize.query('INSERT INTO file_names (name) VALUES ($name)', { bind: { name: crypto.randomUUID() } });
  for (const table of TABLES) await traceChanges(queryInterface, table);
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  for (const table of TABLES) await untraceChanges(queryInterface, table);
  await queryInterface.dropTable('file_names');
  await queryInterface.dropTable('changes');
}
