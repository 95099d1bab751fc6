/** Header of an answer that was given before, to the same change with the same key. */
export const REPEATED = 'idempotency-replayed';
