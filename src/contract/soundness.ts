import type { ResourceName } from './resources';

/** A row whose contents are not what was written, and the newest backup that has it intact. */
export interface DamagedReport {
  resource: ResourceName;
  id: string;
  /** What a person calls one of these. */
  noun: string;
  name?: string;
  how: string;
  intact?: { backup: string; madeAt: string; data: unknown };
}

/** What is known of the soundness of the data file. */
export interface Soundness {
  /** When it was last looked through, ISO 8601; null before the first time. */
  checkedAt: string | null;
  running: boolean;
  /** Rows looked at. */
  rows: number;
  damaged: DamagedReport[];
  /** What SQLite finds wrong with pages, indexes and references. */
  structure: string[];
  /** What else a person must hear of. */
  remarks: string[];
}
