import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

/** The built application as a version to come: other files, another name of the version. */
export function nextVersion(): string {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-next-'));
  fs.cpSync('dist', folder, { recursive: true });
  for (const name of ['index.html', 'sw.js'])
    for (const packed of ['br', 'gz']) fs.rmSync(path.join(folder, `${name}.${packed}`));
  const page = path.join(folder, 'index.html');
  fs.writeFileSync(page, fs.readFileSync(page, 'utf8').replace(/ data-version="[^"]+"/, ' data-version="next"'));
  const worker = path.join(folder, 'sw.js');
  const text = fs.readFileSync(worker, 'utf8');
  const marked = text.replace(/(url:"index\.html",revision:")[0-9a-f]+"/, '$1next"');
  if (marked === text) throw new Error('the worker names no revision of index.html');
  fs.writeFileSync(worker, marked);
  return folder;
}
