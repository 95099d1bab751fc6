import fs from 'node:fs';
import path from 'node:path';
import { validateFarInput } from '@/contract/validate';
import { readFarInput } from './readFarInput';

const USAGE = `Usage: npm run -s jauge -- far <file.json | ->

Prints the reading of the Far desk as JSON. The file holds body, mode, chain, subject, distance and output; see demo.json
and the schema "farInput" (docs/api.md). "-" reads standard input.`;

function end(message: string, code: number): never {
  console.error(message);
  process.exit(code);
}

function inputText(file: string): string {
  try {
    return file === '-' ? fs.readFileSync(0, 'utf8') : fs.readFileSync(path.resolve(process.env.INIT_CWD ?? process.cwd(), file), 'utf8');
  } catch (error) {
    return end(`Cannot read ${file}: ${(error as Error).message}`, 2);
  }
}

function main([desk, file]: string[]): void {
  if (desk === undefined || desk === '--help' || desk === '-h') end(USAGE, desk === undefined ? 2 : 0);
  if (desk !== 'far') end(`Unknown desk “${desk}”. Known: far.\n\n${USAGE}`, 2);
  if (file === undefined) end(`Name a file, or "-" for standard input.\n\n${USAGE}`, 2);
  let data: unknown;
  try {
    data = JSON.parse(inputText(file));
  } catch (error) {
    end(`${file} is not valid JSON: ${(error as Error).message}`, 2);
  }
  const checked = validateFarInput(data);
  if (!checked.ok) end(checked.errors.map((error) => `${error.path || file}: ${error.message}`).join('\n'), 2);
  const reading = readFarInput(checked.value);
  if (!reading.ok) end(`${reading.problem.code}: ${reading.problem.message}`, 1);
  console.log(JSON.stringify(reading.value, null, 2));
}

main(process.argv.slice(2));
