import fs from 'node:fs';
import path from 'node:path';
import { textOf } from './inputs';
import { MEASURE_USAGE, measureCommand } from './measure/measureCommand';
import { DESKS, deskOf } from './registry';
import { run } from './run';

const names = Object.entries(DESKS).map(([name, { about }]) => `  ${name.padEnd(11)}${about}`);
const USAGE = `Usage: npm run -s jauge -- <reading> <file.json | ->
       npm run -s jauge -- <reading> --example | --schema
${MEASURE_USAGE}

Prints the same reading as the screen as JSON. "-" reads standard input. A file may hold one input, an array of inputs, or one
input a line; it gives as many outputs in the same form. --example prints an input to start from, --schema its JSON Schema.

Readings:
${names.join('\n')}

Ends with 0 when all could be read, 1 when something could not, 2 when an input is not what it should be. A value
without a limit is left out.`;

function end(message: string, code: number): never {
  console.error(message);
  process.exit(code);
}

const exampleOf = (name: string): string =>
  fs.readFileSync(path.resolve(__dirname, '../../docs/examples', `${name}.json`), 'utf8');

async function measure(words: string[]): Promise<void> {
  if (words.length === 0) end(USAGE, 2);
  process.exitCode = await measureCommand(words, console.log, console.error);
}

function main([name, file, ...more]: string[]): void {
  if (name === 'measure') return void measure(file === undefined ? [] : [file, ...more]);
  if (name === undefined || name === '--help' || name === '-h') end(USAGE, name === undefined ? 2 : 0);
  const desk = deskOf(name);
  if (!desk) end(`Unknown reading “${name}”. Known: ${Object.keys(DESKS).join(', ')}.\n\n${USAGE}`, 2);
  if (file === undefined) end(`Name a file, or "-" for standard input.\n\n${USAGE}`, 2);
  if (file === '--example') return void process.stdout.write(exampleOf(name));
  if (file === '--schema') return console.log(JSON.stringify(desk.schema, null, 2));
  let text: string;
  try {
    text = textOf(file);
  } catch (error) {
    return end(`Cannot read ${file}: ${(error as Error).message}`, 2);
  }
  const { stdout, stderr, code } = run(desk, text, file);
  if (stderr) console.error(stderr);
  if (stdout) console.log(stdout);
  process.exitCode = code;
}

main(process.argv.slice(2));
