import type { QueryInterface } from 'sequelize';
import * as first from './0001-first-tables';
import * as reducers from './0002-reducers';
import * as ratios from './0003-ratios';
import * as starTests from './0004-star-tests';
import * as answersAndWords from './0005-answers-and-words';
import * as measurements from './0006-measurements';
import * as changes from './0007-changes';
import * as devices from './0008-devices';
import * as outings from './0009-outings';
import * as pictureGroups from './0010-picture-groups';
import * as guesses from './0011-guesses';
import * as checksums from './0012-checksums';
import * as search from './0013-search';
import * as countedPixels from './0014-counted-pixels';

/** One step from an older form of the tables to the next. */
export interface Migration {
  name: string;
  up: (queryInterface: QueryInterface) => Promise<void>;
  down: (queryInterface: QueryInterface) => Promise<void>;
}

/** In this order; a file that has one that is not here was written by a newer program. */
export const MIGRATIONS: readonly Migration[] = [
  first,
  reducers,
  ratios,
  starTests,
  answersAndWords,
  measurements,
  changes,
  devices,
  outings,
  pictureGroups,
  guesses,
  checksums,
  search,
  countedPixels,
];

export const MIGRATION_NAMES: readonly string[] = MIGRATIONS.map((each) => each.name);
