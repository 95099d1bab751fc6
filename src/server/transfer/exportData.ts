import { Readable, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ResourceName } from '@/contract/resources';
import { WHOLE_DATA_VERSION } from '@/contract/schemas/wholeData';
import { RESOURCE_NAMES } from '@/contract/resources';
import { openRaw, type Raw } from '../database/raw';
import { EXPORTED_ROW_JSON, orderOf } from '../database/rowsJson';

/** Rows sent in one piece: some hundred kilobytes; others are served in between. */
const PAGE = 50;

/** Bounds of an export: its snapshot keeps the log from being folded in, so it must not live for ever. */
export interface ExportLimits {
  /** The longest it may take, ms. */
  wholeMs: number;
  /** The longest its reader may take nothing, ms. */
  idleMs: number;
}

const USUAL_LIMITS: ExportLimits = { wholeMs: 30 * 60_000, idleMs: 60_000 };

/** Where a page of rows goes on: after the last row of the page before. */
const KEY: Record<'readings' | 'others', { columns: string; comes: '<' | '>' }> = {
  readings: { columns: 'taken_at, id', comes: '<' },
  others: { columns: 'created_at, id', comes: '>' },
};

async function* pagesOf(raw: Raw, name: ResourceName): AsyncGenerator<string> {
  const { columns, comes } = KEY[name === 'readings' ? 'readings' : 'others'];
  const [first] = columns.split(', ');
  for (let last: [string, string] | null = null; ;) {
    const rows: { at: string; id: string; text: string }[] = await raw.all(
      `SELECT ${first} AS at, id, ${EXPORTED_ROW_JSON} AS text FROM ${name} ${last ? `WHERE (${columns}) ${comes} (?, ?)` : ''} ORDER BY ${orderOf(name)} LIMIT ${PAGE}`,
      ...(last ?? []),
    );
    if (rows.length) yield rows.map((row) => row.text).join(',');
    const end = rows[rows.length - 1];
    if (!end || rows.length < PAGE) return;
    last = [end.at, end.id];
  }
}

/** The file in pieces, all of one snapshot, which ends with the last piece or when nobody takes the next one. */
async function* piecesOf(file: string, now: () => Date): AsyncGenerator<string> {
  const raw = await openRaw(file);
  try {
    await raw.run('BEGIN');
    yield `{"format":"jauge","formatVersion":${WHOLE_DATA_VERSION},"exportedAt":"${now().toISOString()}","rows":{`;
    for (const [i, name] of RESOURCE_NAMES.entries()) {
      yield `${i ? ',' : ''}"${name}":[`;
      let separator = '';
      for await (const page of pagesOf(raw, name)) {
        yield separator + page;
        separator = ',';
      }
      yield ']';
    }
    yield '}}\n';
  } finally {
    await raw.close();
  }
}

/**
 * Writes everything in the database as one file, in the form an import reads, whatever its size: as it stood when it was
 * asked for, though others write meanwhile. Goes on only as fast as it is taken; a reader that has left, or has taken
 * nothing for a minute, ends it, and its snapshot with it.
 *
 * @throws where the reader left or a limit was reached
 */
export async function exportData(
  file: string,
  to: Writable,
  now: () => Date,
  { wholeMs, idleMs }: ExportLimits = USUAL_LIMITS,
): Promise<void> {
  const ended = new AbortController();
  let taken = Date.now();
  const begun = taken;
  const pieces = async function* () {
    for await (const piece of piecesOf(file, now)) {
      yield piece;
      // The next piece is asked for only once there is room for it: the reader is reading.
      taken = Date.now();
    }
  };
  const watch = setInterval(
    () => {
      const time = Date.now();
      if (time - taken > idleMs || time - begun > wholeMs) ended.abort();
    },
    Math.min(1000, idleMs / 4),
  );
  try {
    await pipeline(Readable.from(pieces(), { objectMode: false, highWaterMark: 64 * 1024 }), to, {
      signal: ended.signal,
    });
  } finally {
    clearInterval(watch);
  }
}
