import fs from 'node:fs';
import path from 'node:path';
import { systemProperties, type SystemInputData } from '@/contract/schemas/systemInput';
import { pictureScale } from '@/core/measure/pictureScale';
import type { Grey } from '@/core/picture/grey';
import { fail, ok, type Result } from '@/core/quantity/result';
import { faultsOf } from '../check';
import { setupSchema } from '../desks/fields';
import type { MeasureOptions } from './options';

/** What one pixel of a picture stands for, µm; nothing where nobody said. */
export type PitchOf = (grey: Grey) => Result<number | null>;

/** The set-up of a file, out of an input of any desk. */
function setupOf(file: string): Result<SystemInputData> {
  let data: unknown;
  try {
    data = JSON.parse(fs.readFileSync(path.resolve(process.env.INIT_CWD ?? process.cwd(), file), 'utf8')) as unknown;
  } catch (error) {
    return fail('measure.setup', `Cannot read the set-up in ${file}: ${(error as Error).message}`, 'setup');
  }
  const known = new Set(Object.keys(systemProperties));
  const own =
    typeof data === 'object' && data !== null
      ? Object.fromEntries(Object.entries(data).filter(([name]) => known.has(name)))
      : data;
  const [fault] = faultsOf(setupSchema, own);
  if (fault) return fail('measure.setup', `The set-up in ${file}: ${fault.path}: ${fault.message}`, 'setup');
  return ok(own as SystemInputData);
}

/** How pixels of this call are turned into µm: by a pitch, by a set-up and each picture's size, or not at all. */
export function pitchReader({ pitchUm, setup }: MeasureOptions): Result<PitchOf> {
  if (pitchUm !== undefined) return ok(() => ok(pitchUm));
  if (setup === undefined) return ok(() => ok(null));
  const read = setupOf(setup);
  if (!read.ok) return read;
  const { body, modeId } = read.value;
  const modes = [{ id: 'whole', name: 'Whole sensor' }, ...body.cropModes];
  return ok((grey) => {
    const scale = pictureScale(body.sensor, modes, modeId, grey);
    return scale.ok ? ok(scale.value.pitchUm) : scale;
  });
}

/** The set-up a call names; nothing where it names none. */
export function setupReader({ setup }: MeasureOptions): SystemInputData | null {
  const read = setup === undefined ? null : setupOf(setup);
  return read?.ok ? read.value : null;
}
