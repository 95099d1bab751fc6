import crypto from 'node:crypto';

/** Bytes of the hash that are kept: a single flipped bit passes once in 2^96 rows. */
const HASH_BYTES = 12;

/** JSON with the keys of every object in order: the same for the same contents, however they were written down. */
export function canonicalJson(value: unknown): string {
  if (value === null || typeof value !== 'object') return JSON.stringify(value) ?? 'null';
  if (Array.isArray(value)) return `[${value.map(canonicalJson).join(',')}]`;
  const entries = Object.entries(value)
    .filter(([, each]) => each !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0));
  return `{${entries.map(([key, each]) => `${JSON.stringify(key)}:${canonicalJson(each)}`).join(',')}}`;
}

/** The checksum of a row's contents: its table, id and data. It goes along in exports. */
export const contentHash = (resource: string, id: string, data: unknown): string =>
  crypto
    .createHash('sha256')
    .update(`${resource}\n${id}\n${canonicalJson(data)}`)
    .digest()
    .subarray(0, HASH_BYTES)
    .toString('base64url');

/** What stands beside a row besides its contents. */
export interface RowStamp {
  version: number;
  createdAt: string;
  updatedAt: string;
}

/**
 * The checksum as it is stored: the hash of the contents, then version and times once more, so that a flipped bit in any of
 * them is seen. SQL can write it without hashing anything (`checksumSql`).
 */
export const rowChecksum = (hash: string, { version, createdAt, updatedAt }: RowStamp): string =>
  `${hash}/${version}/${createdAt}/${updatedAt}`;

/** The same in SQL, of expressions. */
export const checksumSql = (hash: string, version: string, createdAt: string, updatedAt: string): string =>
  `${hash} || '/' || (${version}) || '/' || ${createdAt} || '/' || ${updatedAt}`;

/** The hash within a stored checksum, in SQL. */
export const hashSql = (column: string): string => `substr(${column}, 1, instr(${column}, '/') - 1)`;
