import { DataTypes, type QueryInterface } from 'sequelize';
import { traceChanges, untraceChanges } from './traceChanges';

export const name = '0010-picture-groups';

/** Groups name outing, subject and pieces by ids and outlive them: they refer to nothing. */
export async function up(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.createTable('pictureGroups', {
    id: { type: DataTypes.TEXT, primaryKey: true },
    version: { type: DataTypes.INTEGER, allowNull: false },
    data: { type: DataTypes.TEXT, allowNull: false },
    created_at: { type: DataTypes.TEXT, allowNull: false },
    updated_at: { type: DataTypes.TEXT, allowNull: false },
  });
  await traceChanges(queryInterface, 'pictureGroups');
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await untraceChanges(queryInterface, 'pictureGroups');
  await queryInterface.dropTable('pictureGroups');
}
