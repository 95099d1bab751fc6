import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0004-star-tests';

/** Star tests remember their lens by its id and outlive it: they refer to nothing. */
export async function up(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.createTable('starTests', {
    id: { type: DataTypes.TEXT, primaryKey: true },
    version: { type: DataTypes.INTEGER, allowNull: false },
    data: { type: DataTypes.TEXT, allowNull: false },
    created_at: { type: DataTypes.TEXT, allowNull: false },
    updated_at: { type: DataTypes.TEXT, allowNull: false },
  });
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.dropTable('starTests');
}
