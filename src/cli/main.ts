import fs from 'node:fs';
import path from 'node:path';
import { validateFarInput, validateNearInput, validatePlanetInput, validateStarsInput, validateSystemInput, type Checked } from '@/contract/validate';
import type { Result } from '@/core/quantity/result';
import { readFarInput } from './readFarInput';
import { readKitInput } from './readKitInput';
import { readNearInput } from './readNearInput';
import { readPlanetInput } from './readPlanetInput';
import { readStarsInput } from './readStarsInput';

const USAGE = `Usage: npm run -s jauge -- <far | near | stars | planet | kit> <file.json | ->

far   prints the reading of the Far desk. The file holds body, mode, chain, subject, distance and output; see demo.json
      and the schema "farInput".
near  prints the reading of the Near desk. The file holds body, mode, chain, subject and output, and may hold a ratio, an
      f-number and measured ratios; see demo-near.json and the schema "nearInput".
stars   prints the reading of the Stars desk with every school. The file holds body, mode, chain and output, and may hold
      where the camera points, a tolerance, a school and an exposure; see demo-stars.json and the schema "starsInput".
planet  prints the reading and the recording of the Planets desk. The file holds body, mode, chain and planet, and may
      hold its disc; see demo-planet.json and the schema "planetInput".
kit   prints what body, mode and chain become together: the effective system, what each part changed, the checks, the
      zoom range and the modes of the body; see demo-kit.json and the schema "systemInput".

All print JSON (docs/api.md). "-" reads standard input.`;

/** A desk: how its input is checked, and what it reads from it. */
function desk<T>(validate: (data: unknown) => Checked<T>, read: (input: T) => Result<unknown>) {
  return (data: unknown, file: string): Result<unknown> => {
    const checked = validate(data);
    if (!checked.ok) end(checked.errors.map((error) => `${error.path || file}: ${error.message}`).join('\n'), 2);
    return read(checked.value);
  };
}

const DESKS: Record<string, (data: unknown, file: string) => Result<unknown>> = {
  far: desk(validateFarInput, readFarInput),
  near: desk(validateNearInput, readNearInput),
  stars: desk(validateStarsInput, readStarsInput),
  planet: desk(validatePlanetInput, readPlanetInput),
  kit: desk(validateSystemInput, readKitInput),
};

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

function main([name, file]: string[]): void {
  if (name === undefined || name === '--help' || name === '-h') end(USAGE, name === undefined ? 2 : 0);
  const read = DESKS[name];
  if (!read) end(`Unknown desk “${name}”. Known: ${Object.keys(DESKS).join(', ')}.\n\n${USAGE}`, 2);
  if (file === undefined) end(`Name a file, or "-" for standard input.\n\n${USAGE}`, 2);
  let data: unknown;
  try {
    data = JSON.parse(inputText(file));
  } catch (error) {
    end(`${file} is not valid JSON: ${(error as Error).message}`, 2);
  }
  const reading = read(data, file);
  if (!reading.ok) end(`${reading.problem.code}: ${reading.problem.message}`, 1);
  console.log(JSON.stringify(reading.value, null, 2));
}

main(process.argv.slice(2));
