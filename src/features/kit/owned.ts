/** A row whose numbers somebody has looked at: no longer marked as assumed. */
export function owned<T extends object>(row: T): T {
  if (!('assumed' in row)) return row;
  const { assumed: _, ...own } = row;
  return own as T;
}
