import { DataTypes, type QueryInterface } from 'sequelize';
import { traceChanges, untraceChanges } from './traceChanges';

export const name = '0011-guesses';

/** Answers given while training the eye: they refer to nothing. */
export async function up(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.createTable('guesses', {
    id: { type: DataTypes.TEXT, primaryKey: true },
    version: { type: DataTypes.INTEGER, allowNull: false },
    data: { type: DataTypes.TEXT, allowNull: false },
    created_at: { type: DataTypes.TEXT, allowNull: false },
    updated_at: { type: DataTypes.TEXT, allowNull: false },
  });
  await traceChanges(queryInterface, 'guesses');
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await untraceChanges(queryInterface, 'guesses');
  await queryInterface.dropTable('guesses');
}
