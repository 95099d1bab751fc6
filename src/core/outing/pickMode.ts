import { foldSystem, type CropConventionChoice, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import { readFar, type FarReading } from '../far/readFar';
import type { SubjectWant } from '../bag/serve';

/** Share of the frame's side a subject may take to have some room around it, %. */
const ROOM_PERCENT = 85;
/** Modes that only change the shape of the picture are no crop modes here. */
const SAME_SHAPE = 0.02;

/** A set-up in a mode, read. */
export interface ReadIn {
  setup: SystemInput;
  system: EffectiveSystem;
  reading: FarReading;
}

/** Whether what the output shows of the picture still lies within the frame. */
function holdsOutput({ system, reading }: ReadIn, { output }: SubjectWant): boolean {
  if (reading.shareOfFrame.value > ROOM_PERCENT) return false;
  if (output.kind === 'identification') return true;
  const { columns, rows } = system.used;
  return Math.max(columns, rows) >= reading.pixelsOnSubject.value / output.subjectShare;
}

/**
 * The mode to set: the tightest crop mode that still holds all the output shows, with room around the subject. The pixels on
 * the subject are the same; files are smaller, and often more frames a second come.
 *
 * @returns null where the set-up cannot be read at all
 */
export function pickMode(
  whole: SystemInput,
  want: SubjectWant,
  distanceM: number,
  convention: CropConventionChoice | undefined,
): ReadIn | null {
  const readIn = (modeId: string): ReadIn | null => {
    const setup = { ...whole, modeId };
    const system = foldSystem(setup, convention);
    if (!system.ok) return null;
    const reading = readFar({ system: system.value, subject: want.subject, distanceM, output: want.output });
    return reading.ok ? { setup, system: system.value, reading: reading.value } : null;
  };
  const first = readIn('whole');
  if (!first) return null;
  const { columns, rows } = first.system.used;
  const cropped = whole.body.cropModes.flatMap(({ id }): ReadIn[] => {
    const found = readIn(id);
    if (!found) return [];
    const { used } = found.system;
    const sameShape = Math.abs(used.columns / used.rows / (columns / rows) - 1) < SAME_SHAPE;
    return sameShape && used.columns < columns && holdsOutput(found, want) ? [found] : [];
  });
  return cropped.sort((a, b) => a.system.used.columns - b.system.used.columns)[0] ?? first;
}
