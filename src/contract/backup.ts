/** What a backup was made for. */
export type BackupWhy = 'daily' | 'by-hand' | 'before-import' | 'before-migration' | 'before-restore';

/** A copy of the data file as it once was. */
export interface Backup {
  name: string;
  /** ISO 8601, UTC. */
  madeAt: string;
  why: BackupWhy;
  bytes: number;
}
