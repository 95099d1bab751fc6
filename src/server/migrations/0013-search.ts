import type { QueryInterface } from 'sequelize';

export const name = '0013-search';

/**
 * Words of the readings by their groups of three characters, so that any part of a word is found without reading every row.
 * Kept up to date by triggers. Rows are known by their id: SQLite may number them anew when it writes a file anew.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  for (const sql of [
    `CREATE VIRTUAL TABLE readings_found USING fts5(words, id UNINDEXED, tokenize = 'trigram', detail = 'none')`,
    `CREATE TABLE readings_found_at (id TEXT PRIMARY KEY, place INTEGER NOT NULL) WITHOUT ROWID`,
    `INSERT INTO readings_found (words, id) SELECT words, id FROM readings`,
    `INSERT INTO readings_found_at (id, place) SELECT id, rowid FROM readings_found`,
    `CREATE TRIGGER readings_insert_found AFTER INSERT ON readings BEGIN
      INSERT INTO readings_found (words, id) VALUES (NEW.words, NEW.id);
      INSERT INTO readings_found_at (id, place) VALUES (NEW.id, last_insert_rowid());
    END`,
    `CREATE TRIGGER readings_delete_found AFTER DELETE ON readings BEGIN
      DELETE FROM readings_found WHERE rowid = (SELECT place FROM readings_found_at WHERE id = OLD.id);
      DELETE FROM readings_found_at WHERE id = OLD.id;
    END`,
    `CREATE TRIGGER readings_update_found AFTER UPDATE OF words ON readings WHEN OLD.words <> NEW.words BEGIN
      UPDATE readings_found SET words = NEW.words WHERE rowid = (SELECT place FROM readings_found_at WHERE id = NEW.id);
    END`,
  ])
    await sequelize.query(sql);
}

export async function down({ sequelize }: QueryInterface): Promise<void> {
  for (const trigger of ['insert', 'delete', 'update']) await sequelize.query(`DROP TRIGGER readings_${trigger}_found`);
  await sequelize.query('DROP TABLE readings_found_at');
  await sequelize.query('DROP TABLE readings_found');
}
