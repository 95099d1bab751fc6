import type { TakenGroup } from './groupPictures';
import type { UnreadPicture } from './picture';

/** A group with the small picture its middle one carries in itself, as a data address. */
export interface HomeGroup extends TakenGroup {
  preview?: string | undefined;
}

/** What the worker that reads pictures tells: how far it is, then what it found. */
export type HomeNews =
  { kind: 'progress'; done: number; total: number } | { kind: 'done'; groups: HomeGroup[]; unread: UnreadPicture[] };

/** What it is asked. The files stay on the device; only their first bytes are read. */
export interface HomeOrder {
  files: File[];
  pauseMin: number;
}
