/** Told of a file that was there when it was chosen. */
export const GONE =
  'The file can no longer be read: it was moved or changed, or its card taken out. Put it back, then choose it again.';

/** Whether reading failed because the file is gone, not because of what is in it. Source: File API, section on errors. */
export const isGone = (error: unknown): boolean =>
  ['NotReadableError', 'NotFoundError'].includes((error as { name?: string } | null)?.name ?? '');
