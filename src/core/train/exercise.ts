import type { PatchSubject, PatchSystem } from '../detail/patch';
import type { BodySpec } from '../kit/body';
import type { SubjectKind, SubjectSpec } from '../kit/subjects';
import type { KitAround } from '../levers/candidates';
import type { SystemInput } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import type { Quantity } from '../quantity/quantity';
import type { UnitSystem } from '../quantity/units';
import type { RulerScale } from '../simulate/rulerScene';
import type { StarsMade } from '../simulate/starScene';

/** What is trained, in the order in which it is first met. */
export const TRAIN_KINDS = [
  'pixels',
  'enlarged',
  'ruler',
  'modeOrCrop',
  'smallSensor',
  'starField',
  'resolves',
  'lever',
  'fNumber',
] as const;
export type TrainKind = (typeof TRAIN_KINDS)[number];

export const TRAIN_NAMES: Record<TrainKind, string> = {
  pixels: 'How many pixels are on it?',
  enlarged: 'Enlarged, or magnified?',
  ruler: 'Which ratio is it?',
  modeOrCrop: 'Crop mode, later crop, or more?',
  smallSensor: 'What is it like on full frame?',
  starField: 'Which star field still passes?',
  resolves: 'Which of the two took it?',
  lever: 'Which lever helps most?',
  fNumber: 'Which f-number was it?',
};

/** From plain to fine. */
export type Level = 1 | 2 | 3 | 4 | 5;
export const LEVELS: readonly Level[] = [1, 2, 3, 4, 5];

/** What a picture is made of: drawn in a worker, as the simulated camera sees it. */
export type PhotoOrder =
  | {
      make: 'subject';
      kind: SubjectKind;
      sizeMm: number;
      /** Light of the subject and of what lies behind it. */
      light: number;
      ground: number;
      sceneSeed: number;
      noiseSeed: number;
      turnDeg: number;
      columns: number;
      rows: number;
      pxPerMm: number;
      sigmaPx: number;
      fullWell: number;
      /** How many times it is shown larger, between its pixels, as screens do. */
      enlarge: number;
    }
  | {
      make: 'ruler';
      columns: number;
      rows: number;
      pxPerMm: number;
      scale: RulerScale;
      turnDeg: number;
      sigmaPx: number;
      seed: number;
    }
  | { make: 'stars'; sky: StarsMade; seed: number; enlarge: number }
  | { make: 'patch'; systems: PatchSystem[]; subject: PatchSubject; at: number };

/** What is looked at: a photograph, or a drawing to scale. */
export type Plate =
  | { kind: 'photo'; label: string; order: PhotoOrder }
  | { kind: 'frame'; label: string; subject: SubjectKind; widthMm: number; heightMm: number; onSensorMm: number }
  | {
      kind: 'lights';
      label: string;
      subject: SubjectKind;
      shareOfFrame: number;
      discShare: number;
      aspect: number;
      seed: number;
    }
  | { kind: 'sensors'; label: string; widthMm: number; heightMm: number };

/** What is asked: one of several, or an amount. */
export type Ask =
  | { type: 'choice'; options: readonly { id: string; text: string }[]; right: string }
  | { type: 'amount'; unit: 'px' | ':1' | 'f/'; low: number; high: number; truth: number };

/** One exercise: it is made of its kind, level and seed, and of the kit. */
export interface Exercise {
  kind: TrainKind;
  level: Level;
  seed: number;
  /** What is known, and what is asked. */
  given: string;
  question: string;
  plates: readonly Plate[];
  ask: Ask;
  /** What is true, in words, and the number it rests on. */
  told: string;
  why: Quantity;
}

/** What exercises are made from. */
export interface TrainKit {
  bodies: readonly BodySpec[];
  setups: readonly { id: string; name: string; setup: SystemInput }[];
  subjects: readonly SubjectSpec[];
  outputs: readonly OutputSpec[];
  parts: KitAround['parts'];
}

/** What a generator is given. */
export interface Making {
  kit: TrainKit;
  level: Level;
  seed: number;
  /** Units distances are told in. */
  units?: UnitSystem | undefined;
}

/** How far apart two things lie that are to be told apart, as a factor, level by level. */
export const apartAt = (level: Level): number => [2.4, 1.9, 1.6, 1.4, 1.25][level - 1]!;
