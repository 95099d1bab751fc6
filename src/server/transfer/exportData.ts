import { WHOLE_DATA_VERSION } from '@/contract/schemas/wholeData';
import { TRANSFER_ORDER } from '@/contract/wholeData';
import type { Database } from '../database';

/** Everything in the database as one file, UTF-8, in the form an import reads; put together by the database itself. */
export async function exportData({ pageText }: Database, now: () => Date): Promise<Buffer> {
  const parts: Buffer[] = [Buffer.from(`{"format":"jauge","formatVersion":${WHOLE_DATA_VERSION},"exportedAt":"${now().toISOString()}","rows":{`)];
  for (const [i, name] of TRANSFER_ORDER.entries()) {
    parts.push(Buffer.from(`${i ? ',' : ''}"${name}":[`), await pageText(name, -1, 0), Buffer.from(']'));
  }
  parts.push(Buffer.from('}}\n'));
  return Buffer.concat(parts);
}
