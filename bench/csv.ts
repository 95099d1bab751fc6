import type { CsvReading } from '../src/contract/csv/readCsv';
import { readCsv } from '../src/contract/csv/readCsv';
import { report } from './timing';

const LINES = 5000;

/** A long CSV from its text to rows that are stored: read and checked here, sent and stored by the server. */
export async function benchCsv(url: string): Promise<void> {
  const header =
    'kind,name,maker,mount,focalWideMm,focalTeleMm,fNumberWide,fNumberTele,closestFocusM,closestRatio,imageCircleWideMm,detailClass,autofocus,weightG,price';
  const text = `${header}\n${Array.from({ length: LINES }, (_, i) => `lens,Lens ${i},Ostrel,Ostrel R,100,400,4.5,6.3,0.98,0.38,43.5,good,yes,1400,${2000 + (i % 700)}`).join('\n')}\n`;
  const start = performance.now();
  const reading: CsvReading = readCsv(text);
  if (!reading.ok) throw new Error(JSON.stringify(reading.errors[0]));
  const read = performance.now() - start;
  const rows = reading.value.rows.map((row, i) => ({
    id: `30000000-0000-4000-8000-${String(i).padStart(12, '0')}`,
    data: row.data,
  }));
  const response = await fetch(`${url}/api/v1/import`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ format: 'jauge', formatVersion: 1, rows: { optics: rows } }),
  });
  if (!response.ok) throw new Error(`import answered ${response.status}`);
  report(`CSV of ${LINES} lines: read and checked`, read, 'ms', 3000);
  report(`CSV of ${LINES} lines: read, sent and stored`, performance.now() - start, 'ms', 3000);
}
