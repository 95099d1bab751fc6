import { DataTypes, type QueryInterface } from 'sequelize';

const common = {
  id: { type: DataTypes.TEXT, primaryKey: true },
  version: { type: DataTypes.INTEGER, allowNull: false },
  data: { type: DataTypes.TEXT, allowNull: false },
  created_at: { type: DataTypes.TEXT, allowNull: false },
  updated_at: { type: DataTypes.TEXT, allowNull: false },
};

const reference = (table: string, allowNull = false, onDelete = 'RESTRICT') => ({
  type: DataTypes.TEXT,
  allowNull,
  references: { model: table, key: 'id' },
  onDelete,
});

export const name = '0001-first-tables';

export async function up(queryInterface: QueryInterface): Promise<void> {
  for (const table of ['bodies', 'optics', 'adapters', 'subjects', 'outputs'])
    await queryInterface.createTable(table, common);
  await queryInterface.createTable('setups', { ...common, body_id: reference('bodies') });
  await queryInterface.createTable('setup_parts', {
    setup_id: { ...reference('setups', false, 'CASCADE'), primaryKey: true },
    position: { type: DataTypes.INTEGER, primaryKey: true },
    optic_id: reference('optics', true),
    adapter_id: reference('adapters', true),
  });
  // Readings carry all they were worked out from, so they outlive the kit and refer to nothing.
  await queryInterface.createTable('readings', { ...common, taken_at: { type: DataTypes.TEXT, allowNull: false } });
  await queryInterface.addIndex('readings', ['taken_at', 'id'], { name: 'readings_taken_at' });
  await queryInterface.addIndex('setups', ['body_id'], { name: 'setups_body_id' });
  await queryInterface.addIndex('setup_parts', ['optic_id'], { name: 'setup_parts_optic_id' });
  await queryInterface.addIndex('setup_parts', ['adapter_id'], { name: 'setup_parts_adapter_id' });
  await queryInterface.createTable('tombstones', {
    id: { type: DataTypes.TEXT, primaryKey: true },
    version: { type: DataTypes.INTEGER, allowNull: false },
  });
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  for (const table of [
    'tombstones',
    'readings',
    'setup_parts',
    'setups',
    'outputs',
    'subjects',
    'adapters',
    'optics',
    'bodies',
  ]) {
    await queryInterface.dropTable(table);
  }
}
