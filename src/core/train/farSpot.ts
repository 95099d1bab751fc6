import { readFar, type FarReading } from '../far/readFar';
import { SUBJECT_KINDS, type SubjectSpec } from '../kit/subjects';
import { foldSystem, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import type { Chance } from '../simulate/chance';
import type { TrainKit } from './exercise';

/** A subject at a distance, as one set-up of the kit sees it. */
export interface FarSpot {
  id: string;
  name: string;
  setup: SystemInput;
  subject: SubjectSpec;
  distanceM: number;
  output: OutputSpec;
  system: EffectiveSystem;
  reading: FarReading;
}

/** Where the kit has no output of its own. */
export const PLAIN_OUTPUT: OutputSpec = { kind: 'screen', name: 'Web page', longSidePx: 1600, subjectShare: 0.5 };

/** Distances as one paces them. */
export const paced = (metres: number): number =>
  metres < 10 ? Number(metres.toFixed(1)) : metres < 30 ? Math.round(metres) : 5 * Math.round(metres / 5);

/** A set-up's view of a subject; nothing where it does not focus there or the subject does not fit. */
export function spotOf(
  { id, name, setup }: TrainKit['setups'][number],
  subject: SubjectSpec,
  distanceM: number,
  output: OutputSpec,
): FarSpot | null {
  const system = foldSystem(setup);
  if (!system.ok) return null;
  const reading = readFar({ system: system.value, subject, distanceM, output });
  if (!reading.ok || reading.value.obstacle || reading.value.overflow) return null;
  return { id, name, setup, subject, distanceM, output, system: system.value, reading: reading.value };
}

/** How small and how large a subject may be in the frame to be looked at, per cent of its side. */
const [LEAST_SHARE, MOST_SHARE] = [6, 70];
const TRIES = 24;

/** A place in the field by chance: a subject of the kit that one of its set-ups draws neither tiny nor too large. */
export function farSpot(kit: TrainKit, { oneOf, between }: Chance): FarSpot | null {
  if (!kit.setups.length || !kit.subjects.length) return null;
  const output = kit.outputs.length ? oneOf(kit.outputs) : PLAIN_OUTPUT;
  for (let i = 0; i < TRIES; i += 1) {
    const subject = oneOf(kit.subjects);
    const distanceM = paced(SUBJECT_KINDS[subject.kind].usualDistanceM * 2 ** between(-1, 1));
    const spot = distanceM > 0 ? spotOf(oneOf(kit.setups), subject, distanceM, output) : null;
    const share = spot?.reading.shareOfFrame.value ?? 0;
    if (spot && share >= LEAST_SHARE && share <= MOST_SHARE) return spot;
  }
  return null;
}
