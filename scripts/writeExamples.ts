/** Writes docs/examples/*.csv: the templates the application offers. */
import fs from 'node:fs';
import path from 'node:path';
import { CSV_EXAMPLES } from '../src/contract/csv/examples';
import { writeCsv } from '../src/contract/csv/writeCsv';

const folder = path.resolve(__dirname, '../docs/examples');
fs.mkdirSync(folder, { recursive: true });
for (const resource of ['bodies', 'optics', 'adapters'] as const) {
  fs.writeFileSync(path.join(folder, `${resource}.csv`), writeCsv(resource, CSV_EXAMPLES[resource] as never));
}
