import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize';
import { columnValues } from '@/contract/resources';
import type { Reading } from '@/contract/schemas/reading';

export const name = '0005-answers-and-words';

const PAGE = 500;

/**
 * Answers to changes sent with a key, so that sending one twice answers as the first time. Readings get columns to search
 * and sort by. Set-ups whose mode their body no longer has use the whole sensor: from here on such a mode is refused.
 */
export async function up(queryInterface: QueryInterface): Promise<void> {
  const { sequelize } = queryInterface;
  await queryInterface.createTable('answers', {
    key: { type: DataTypes.TEXT, primaryKey: true },
    request: { type: DataTypes.TEXT, allowNull: false },
    body: { type: DataTypes.TEXT, allowNull: false },
    made_at: { type: DataTypes.TEXT, allowNull: false },
  });
  await queryInterface.addIndex('answers', ['made_at'], { name: 'answers_made_at' });
  for (const column of ['desk', 'subject', 'words'])
    await sequelize.query(`ALTER TABLE readings ADD COLUMN ${column} TEXT NOT NULL DEFAULT ''`);
  await sequelize.query('ALTER TABLE readings ADD COLUMN figure REAL NOT NULL DEFAULT 0');
  await sequelize.query('ALTER TABLE readings ADD COLUMN held TEXT');
  for (let last = ''; ;) {
    const rows = await sequelize.query<{ id: string; data: string }>(
      'SELECT id, data FROM readings WHERE id > $last ORDER BY id LIMIT $page',
      { bind: { last, page: PAGE }, type: QueryTypes.SELECT },
    );
    for (const row of rows) {
      const { desk, subject, words, figure, held } = columnValues('readings', JSON.parse(row.data) as Reading);
      await sequelize.query(
        'UPDATE readings SET desk = $desk, subject = $subject, words = $words, figure = $figure, held = $held WHERE id = $id',
        { bind: { id: row.id, desk, subject, words, figure, held } },
      );
    }
    if (rows.length < PAGE) break;
    last = rows[rows.length - 1]!.id;
  }
  await sequelize.query('CREATE INDEX readings_subject ON readings (subject, taken_at DESC, id DESC)');
  await queryInterface.addIndex('readings', ['figure', 'taken_at', 'id'], { name: 'readings_figure' });
  await sequelize.query(`CREATE INDEX readings_held ON readings (desk, taken_at) WHERE held IS NOT NULL`);
  await sequelize.query(`UPDATE setups SET data = json_set(data, '$.modeId', 'whole')
    WHERE json_extract(data, '$.modeId') <> 'whole' AND NOT EXISTS (
      SELECT 1 FROM bodies AS b, json_each(b.data, '$.cropModes') AS mode
      WHERE b.id = setups.body_id AND json_extract(mode.value, '$.id') = json_extract(setups.data, '$.modeId'))`);
}

export async function down(queryInterface: QueryInterface): Promise<void> {
  await queryInterface.dropTable('answers');
  for (const index of ['readings_subject', 'readings_figure', 'readings_held'])
    await queryInterface.sequelize.query(`DROP INDEX ${index}`);
  for (const column of ['desk', 'subject', 'words', 'figure', 'held'])
    await queryInterface.sequelize.query(`ALTER TABLE readings DROP COLUMN ${column}`);
}
