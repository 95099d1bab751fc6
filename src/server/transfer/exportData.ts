import { once } from 'node:events';
import type { Writable } from 'node:stream';
import type { ResourceName } from '@/contract/resources';
import { WHOLE_DATA_VERSION } from '@/contract/schemas/wholeData';
import { RESOURCE_NAMES } from '@/contract/resources';
import { openRaw, type Raw } from '../database/raw';
import { ROW_JSON, orderOf } from '../database/rowsJson';

/** Rows sent in one piece: some hundred kilobytes; others are served in between. */
const PAGE = 50;

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
      `SELECT ${first} AS at, id, ${ROW_JSON} AS text FROM ${name} ${last ? `WHERE (${columns}) ${comes} (?, ?)` : ''} ORDER BY ${orderOf(name)} LIMIT ${PAGE}`,
      ...(last ?? []),
    );
    if (rows.length) yield rows.map((row) => row.text).join(',');
    const end = rows[rows.length - 1];
    if (!end || rows.length < PAGE) return;
    last = [end.at, end.id];
  }
}

/**
 * Writes everything in the database as one file, in the form an import reads, whatever its size: as it stood when it was
 * asked for, though others write meanwhile. Goes on only as fast as it is taken.
 */
export async function exportData(file: string, to: Writable, now: () => Date): Promise<void> {
  const raw = await openRaw(file);
  try {
    await raw.run('BEGIN');
    const write = async (text: string) => {
      if (to.destroyed) throw new Error('the export was broken off by its reader');
      if (!to.write(text)) await once(to, 'drain');
    };
    await write(
      `{"format":"jauge","formatVersion":${WHOLE_DATA_VERSION},"exportedAt":"${now().toISOString()}","rows":{`,
    );
    for (const [i, name] of RESOURCE_NAMES.entries()) {
      await write(`${i ? ',' : ''}"${name}":[`);
      let separator = '';
      for await (const page of pagesOf(raw, name)) {
        await write(separator + page);
        separator = ',';
      }
      await write(']');
    }
    await write('}}\n');
    to.end();
  } finally {
    await raw.close();
  }
}
