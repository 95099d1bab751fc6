import type { ResourceName, ResourceTypes } from './resources';

/** A row on its way in or out; what is known of its history goes with it. */
export interface TransferRow<N extends ResourceName> {
  id: string;
  version?: number;
  createdAt?: string;
  updatedAt?: string;
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

/** After the last version a number can hold exactly, counting starts anew: versions are only compared for being the same. */
export const nextVersion = (version: number): number => (version >= Number.MAX_SAFE_INTEGER ? 1 : version + 1);
