import type { ResourceName, ResourceTypes } from './resources';

/** A row on its way in or out; what is known of its history goes with it. */
export interface TransferRow<N extends ResourceName> {
  id: string;
  version?: number;
  createdAt?: string;
  updatedAt?: string;
  /** Of its contents, as they were exported: a row whose contents no longer match is refused. */
  checksum?: string;
  data: ResourceTypes[N];
}

/**
 * What happens to what is there already: a row with the same id is kept or replaced; `only` makes every resource the file
 * names exactly what the file holds of it, and takes out the rest.
 */
export type Existing = 'keep' | 'replace' | 'only';

/** Everything one has entered, or a part of it. */
export interface WholeData {
  format: 'jauge';
  formatVersion: 1;
  exportedAt?: string;
  /** What happens to a row whose id exists already with other data; kept when left out. */
  existing?: Existing;
  rows: { [N in ResourceName]?: TransferRow<N>[] };
}

/** What an import did. */
export interface ImportSummary {
  created: number;
  replaced: number;
  /** Rows that existed with other data and were left as they were. */
  kept: number;
  /** Rows taken out because the file is to be all there is. */
  removed: number;
  /** Rows that existed with the same data. */
  unchanged: number;
}

/** No file may bring a version beyond this: from here on a billion changes a second count for months without an error. */
export const LARGEST_VERSION = 2 ** 52;

/** A row's version after a change. */
export const nextVersion = (version: number): number => version + 1;
