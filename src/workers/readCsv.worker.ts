import { readCsv, type CsvReading } from '@/contract/csv/readCsv';

/** What the worker tells: how far it is, then what it read. */
export type CsvMessage = { kind: 'progress'; done: number; total: number } | { kind: 'done'; reading: CsvReading };

interface WorkerScope {
  onmessage: ((event: MessageEvent<string>) => void) | null;
  postMessage: (message: CsvMessage) => void;
}

const scope = globalThis as unknown as WorkerScope;
scope.onmessage = ({ data }) => {
  const reading = readCsv(data, (done, total) => scope.postMessage({ kind: 'progress', done, total }));
  scope.postMessage({ kind: 'done', reading });
};
