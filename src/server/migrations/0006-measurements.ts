import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0006-measurements';

/** Measurements remember the chain they were taken with by ids and outlive it: they refer to nothing. */
export async function up(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.createTable('measurements', {
    id: { type: DataTypes.TEXT, primaryKey: true },
    version: { type: DataTypes.INTEGER, allowNull: false },
    data: { type: DataTypes.TEXT, allowNull: false },
    created_at: { type: DataTypes.TEXT, allowNull: false },
    updated_at: { type: DataTypes.TEXT, allowNull: false },
  });
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.dropTable('measurements');
}
