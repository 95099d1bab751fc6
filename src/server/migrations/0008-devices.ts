import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0008-devices';

/** Devices that were paired, each with the hash of its secret: whoever reads the file cannot pass for one of them. */
export async function up(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.createTable('devices', {
    id: { type: DataTypes.TEXT, primaryKey: true },
    name: { type: DataTypes.TEXT, allowNull: false },
    secret_hash: { type: DataTypes.TEXT, allowNull: false },
    paired_at: { type: DataTypes.TEXT, allowNull: false },
    last_seen_at: { type: DataTypes.TEXT, allowNull: false },
  });
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.dropTable('devices');
}
