import type { Problem } from '../quantity/result';
import type { MainLens } from './asLens';
import type { Part } from './parts';
import type { Used } from './link';

/**
 * What a part does to the light that goes through it. `fold` knows how each of these acts; a kind only says which one it
 * is, and with what numbers.
 */
export type Light =
  | { does: 'nothing' }
  /** Spreads the picture by a factor t: focal length, ratio and f-number are multiplied. */
  | { does: 'factor'; factor: number; own50LpPerMm?: number | undefined }
  /** Moves the sensor back. */
  | { does: 'extension'; mm: number }
  /** A thin lens in contact in front; a numerical aperture where it stops the light on the subject's side. */
  | { does: 'power'; dioptres: number; own50LpPerMm?: number | undefined; numericalAperture?: number }
  /** A tele attachment or scope in front. */
  | {
      does: 'afocal';
      magnification: number;
      objectiveMm: number;
      own50LpPerMm?: number | undefined;
      apparentFieldDeg?: number | undefined;
    }
  /** Turns the lens round. */
  | { does: 'turn'; ringMm: number }
  /** Makes up the difference between two flange distances. */
  | { does: 'flange'; mm: number }
  /** Swallows light and changes nothing else. */
  | { does: 'shade'; stops: number };

/**
 * Where a part stands: it forms the picture, in front of what does, behind it, between two lenses, or it only holds the
 * camera behind an eyepiece.
 */
export type Place = 'main' | 'front' | 'back' | 'joint' | 'holder';

/** The mount a part shows to the body's side and the one it offers to the subject's; or a thread, which fits by its ring. */
export type Faces = { rear: string | undefined; front: string | undefined } | 'thread';

/** How serious a check is: it will not work, it works with a loss, or it is worth knowing. */
export type CheckWeight = 'stop' | 'caution' | 'note';

export interface Check {
  code: string;
  weight: CheckWeight;
  message: string;
  /** The one move that mends it, where there is one. */
  mend?: Mend;
}

/** A move on a set-up: put a part of the kit in, choose a mode, or set the chain's parts in another order. */
export type Mend =
  | { does: 'add'; name: string }
  | { does: 'mode'; modeId: string; name: string }
  | { does: 'order'; order: number[]; words: string };

/** What a part can see of the chain it is in when it says what is to be checked. */
export interface Around {
  main: Part;
  /** Parts behind the main optic, from it outwards. */
  back: readonly Part[];
  /** Image circle the main optic throws by itself, mm, where it is known. */
  circleMm: number | undefined;
  /** Diagonal of the part of the sensor that is used, mm. */
  frameDiagonalMm: number;
  bodyFlangeMm: number | undefined;
  /** Something holds the camera behind the eyepiece. */
  held: boolean;
  /** What stands between main optic and sensor takes this much, mm, flange distance of the body included. */
  takesMm: number | undefined;
}

/** Everything the core must know of a kind of part. */
export interface Kind<S> {
  /** What a person calls it, and what it does in half a line. */
  name: string;
  gloss: string;
  /** The list of the kit it is kept in. */
  shelf: 'optic' | 'adapter';
  place: Place;
  faces(part: S): Faces;
  through(part: S): Light;
  /** Whether autofocus passes; what has nothing to do with it says yes. */
  autofocus(part: S): boolean;
  /** By how much it moves the sensor away from the main optic, mm. */
  lengthMm(part: S): number;
  /** Put in and taken out in the field; other parts make another set-up. */
  loose?: true;
  /** Whether it goes with the optic that forms the picture, as far as is known; with any when left out. */
  goesWith?(part: S, main: Part): boolean;
  /** What forms the picture, read as a lens with a focal range, f-numbers, closest focus and image circle. */
  asLens?(part: S): MainLens;
  /** The part as a chain uses it, and what a whole part says of its use. */
  asUsed?(part: S, used: Used): S;
  usedOf?(part: S): Used | undefined;
  /** Data that cannot be. */
  fault?(part: S): Problem | null;
  /** What is worth saying of it in this chain. */
  checks?(part: S, around: Around): Check[];
}

/** Most parts have one mount on both sides. */
export const oneMount = ({ mount }: { mount?: string | undefined }): Faces => ({ rear: mount, front: mount });
export const thread = (): Faces => 'thread';
export const nothing = (): Light => ({ does: 'nothing' });
export const noLength = (): number => 0;

/** A number in a sentence. */
export const figures = (value: number, count = 3): string => String(Number(value.toPrecision(count)));
