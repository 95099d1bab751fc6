import type { QueryInterface } from 'sequelize';

export const name = '0002-reducers';

/** Factors below 1 were kept as converters before reducers became a kind of their own. */
export async function up(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.sequelize.query(
    `UPDATE adapters SET data = json_set(data, '$.kind', 'reducer') WHERE json_extract(data, '$.kind') = 'converter' AND json_extract(data, '$.factor') < 1`,
  );
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.sequelize.query(
    `UPDATE adapters SET data = json_set(data, '$.kind', 'converter') WHERE json_extract(data, '$.kind') = 'reducer'`,
  );
}
