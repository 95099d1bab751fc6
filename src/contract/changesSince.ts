import type { ResourceName, Stored } from './resources';

/** A row that has changed since a cursor; null when it is deleted. */
export interface ChangedRow {
  resource: ResourceName;
  id: string;
  row: Stored<unknown> | null;
}

/** What has changed since a cursor, oldest first, each row once and as it is now. */
export interface ChangesSince {
  changes: ChangedRow[];
  /** To be asked for next. It means something to the server only. */
  cursor: string;
  /** There is more to be asked for at once. */
  more: boolean;
  /** The cursor asked for is not of this data: this is the beginning of everything, and what it does not bring is gone. */
  fromStart: boolean;
}

/** Changes that come at once, at most. */
export const MOST_CHANGES = 500;
