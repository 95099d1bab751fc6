import { QueryTypes, type QueryInterface } from 'sequelize';

export const name = '0014-counted-pixels';

/** The number of a reading, of its JSON: what the verdict counts. */
const COUNTED = `CASE WHEN json_extract(data, '$.input.judgeBy') = 'sampled' THEN json_extract(data, '$.result.pixelsOnSubject')
  ELSE json_extract(data, '$.result.resolvedPixels') END`;
const SAMPLED = `json_extract(data, '$.result.pixelsOnSubject')`;

async function setFigure({ sequelize }: QueryInterface, figure: string): Promise<void> {
  // A column that is derived from a row is no change a device needs to hear of.
  const [update] = await sequelize.query<{ sql: string }>(
    `SELECT sql FROM sqlite_master WHERE type = 'trigger' AND name = 'readings_update_noted'`,
    { type: QueryTypes.SELECT },
  );
  await sequelize.query('DROP TRIGGER IF EXISTS readings_update_noted');
  await sequelize.query(
    `UPDATE readings SET figure = coalesce(${figure}, 0) WHERE json_valid(data) AND desk <> 'stars'`,
  );
  if (update) await sequelize.query(update.sql);
}

/** Readings are listed by the pixels their verdict counts, as they show them: resolved ones, unless sampled ones were chosen. */
export const up = (queryInterface: QueryInterface): Promise<void> => setFigure(queryInterface, COUNTED);

export const down = (queryInterface: QueryInterface): Promise<void> => setFigure(queryInterface, SAMPLED);
