/** Told of a file that was there when it was chosen. */
export const GONE =
  'The file can no longer be read: it was moved or changed, or its card taken out. Put it back, then choose it again.';

/** Whether reading failed because the file is gone, not because of what is in it. Source: File API, section on errors. */
export const isGone = (error: unknown): boolean =>
  ['NotReadableError', 'NotFoundError'].includes((error as { name?: string } | null)?.name ?? '');

/** Whether a file can no longer be read, by asking for its first byte: what sends a file does not say why it could not. */
export async function nowGone(file: Blob): Promise<boolean> {
  try {
    await file.slice(0, 1).arrayBuffer();
    return false;
  } catch (error) {
    return isGone(error);
  }
}
