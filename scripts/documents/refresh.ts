/** Writes the answers below the runnable commands of the documents anew, each with the keys it shows. */
import fs from 'node:fs';
import path from 'node:path';
import { refreshed, runCommand, shownIn, written, type Json } from './answers';
import { documents, root } from './markdown';

/** The last line of JSON a command prints, or all of it. */
function printedOf(stdout: string): Json {
  try {
    return JSON.parse(stdout) as Json;
  } catch {
    return JSON.parse(stdout.trim().split('\n').at(-1)!) as Json;
  }
}

for (const { name, text } of documents()) {
  let anew = text;
  for (const { command, answer } of shownIn(text)) {
    if (answer === null) continue;
    const { stdout, stderr, status } = runCommand(command);
    if (status !== 0) throw new Error(`${name}: ${command}\n${stderr}`);
    anew = anew.replace(answer, () => `${written(refreshed(JSON.parse(answer) as Json, printedOf(stdout)))}\n`);
  }
  if (anew !== text) fs.writeFileSync(path.join(root, name), anew);
}
