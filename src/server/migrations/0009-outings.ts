import { DataTypes, type QueryInterface } from 'sequelize';
import { traceChanges, untraceChanges } from './traceChanges';

export const name = '0009-outings';

/** Outings name subjects and pieces by ids and outlive them: they refer to nothing. */
export async function up(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.createTable('outings', {
    id: { type: DataTypes.TEXT, primaryKey: true },
    version: { type: DataTypes.INTEGER, allowNull: false },
    data: { type: DataTypes.TEXT, allowNull: false },
    created_at: { type: DataTypes.TEXT, allowNull: false },
    updated_at: { type: DataTypes.TEXT, allowNull: false },
  });
  await traceChanges(queryInterface, 'outings');
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await untraceChanges(queryInterface, 'outings');
  await queryInterface.dropTable('outings');
}
