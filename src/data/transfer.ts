import { mutate } from 'swr';
import type { CsvReading } from '@/contract/csv/readCsv';
import { RESOURCE_NAMES } from '@/contract/resources';
import type { Existing, ImportSummary, WholeData } from '@/contract/wholeData';
import { api } from './api';
import { agree, newId } from './outbox';
import { useSettledReadings } from './outbox/settle';

/** What a worker says while it reads a CSV. */
type CsvMessage = { kind: 'progress'; done: number; total: number } | { kind: 'done'; reading: CsvReading };

const READER_MISSING =
  'The file could not be read: this part of Jauge did not arrive. Start the server again, then choose it once more.';

export interface CsvJob {
  /** Rejected when the file is gone, or what reads it cannot be fetched or breaks off. */
  reading: Promise<CsvReading | null>;
  /** Stops reading; `reading` then gives null. */
  cancel: () => void;
}

/** Reads a CSV in a worker, so that a long one does not stop the page. */
export function readCsvFile(file: Blob, onProgress: (done: number, total: number) => void): CsvJob {
  // Metro knows a worker by this form. The address is absolute; what it is resolved against must only be valid, which
  // import.meta.url is not in a part that is fetched later.
  const worker = new Worker(new URL('../workers/readCsv.worker.ts', window.location.href));
  let cancel = () => undefined as void;
  const reading = new Promise<CsvReading | null>((resolve, reject) => {
    cancel = () => {
      worker.terminate();
      resolve(null);
    };
    worker.onmessage = ({ data }: MessageEvent<CsvMessage>) => {
      if (data.kind === 'progress') return onProgress(data.done, data.total);
      worker.terminate();
      resolve(data.reading);
    };
    worker.onerror = (event) => {
      worker.terminate();
      reject(new Error(event.message || READER_MISSING));
    };
    file
      .text()
      .then((text) => worker.postMessage(text))
      .catch((error: Error) => {
        worker.terminate();
        reject(error);
      });
  });
  return { reading, cancel: () => cancel() };
}

/** Rows of a CSV as data to bring in; what had no id gets one. */
export function csvAsData(reading: Extract<CsvReading, { ok: true }>): WholeData {
  const { resource, rows } = reading.value;
  return {
    format: 'jauge',
    formatVersion: 1,
    rows: { [resource]: rows.map((row) => ({ id: row.id ?? newId(), data: row.data })) },
  };
}

/** Counts the rows of a file of data. */
export const rowCount = (data: WholeData): number =>
  RESOURCE_NAMES.reduce((sum, name) => sum + (data.rows[name]?.length ?? 0), 0);

/** Reads every list again: what the server holds has changed as a whole. */
export async function readAllAgain(): Promise<void> {
  await agree();
  await mutate(() => true);
  useSettledReadings.setState(({ count }) => ({ count: count + 1, answers: [] }));
}

/** Sends data, or a file of it as it is, to be brought in, all or nothing, and reads the lists again. */
export async function bringIn(data: WholeData | Blob, existing: Existing): Promise<ImportSummary> {
  const summary = await api.importData(data instanceof Blob ? data : new Blob([JSON.stringify(data)]), existing);
  await readAllAgain();
  return summary;
}
