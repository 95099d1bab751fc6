import { adapters } from './adapters';
import { bodies } from './bodies';
import { guesses } from './guesses';
import { measurements } from './measurements';
import { optics } from './optics';
import { outputs } from './outputs';
import { pictureGroups } from './pictureGroups';
import { ratios } from './ratios';
import { outings } from './outings';
import { readings } from './readings';
import type { Column, Resource } from './resource';
import { setups } from './setups';
import { starTests } from './starTests';
import type { Stored } from './stored';
import { subjects } from './subjects';

export type { Page, Stored } from './stored';

/**
 * What the server keeps, by the name in its URL, which is the name of its table too. In this order every row's references
 * exist before it, in the file of all data and when it is brought in.
 */
export const RESOURCES = {
  bodies,
  optics,
  adapters,
  setups,
  subjects,
  outputs,
  readings,
  ratios,
  starTests,
  measurements,
  outings,
  pictureGroups,
  guesses,
};

export type ResourceName = keyof typeof RESOURCES;

/** The type of a row, by the name of its resource. */
export type ResourceTypes = {
  [N in ResourceName]: (typeof RESOURCES)[N] extends Resource<infer T> ? T : never;
};

export type StoredOf<N extends ResourceName> = Stored<ResourceTypes[N]>;

export const RESOURCE_NAMES = Object.keys(RESOURCES) as ResourceName[];

/** What a person calls one row. */
export const nounOf = (name: ResourceName): string => RESOURCES[name].noun;

/** The description of a resource whose name is known only when the program runs. */
export const resourceOf = (name: ResourceName): Resource<ResourceTypes[ResourceName]> =>
  RESOURCES[name] as Resource<ResourceTypes[ResourceName]>;

/** The columns of a resource besides those every table has. */
export const columnsOf = (name: ResourceName): Record<string, Column<ResourceTypes[ResourceName]>> =>
  resourceOf(name).columns ?? {};

/** What these columns hold for one row. */
export const columnValues = (
  name: ResourceName,
  row: ResourceTypes[ResourceName],
): Record<string, string | number | null> =>
  Object.fromEntries(Object.entries(columnsOf(name)).map(([field, column]) => [field, column.of(row)]));
