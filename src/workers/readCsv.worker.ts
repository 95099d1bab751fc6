import { readCsv, type CsvReading } from '@/contract/csv/readCsv';
import { onAsked, teller } from './talk';

/** What the worker tells: how far it is, then what it read. */
export type CsvMessage = { kind: 'progress'; done: number; total: number } | { kind: 'done'; reading: CsvReading };

const tell = teller<CsvMessage>();

onAsked<string>((text) => {
  const reading = readCsv(text, (done, total) => tell({ kind: 'progress', done, total }));
  tell({ kind: 'done', reading });
});
