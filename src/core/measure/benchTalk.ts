import type { PictureKind } from '../formats/pictures/kindOfPicture';
import type { Part } from '../picture/shown';
import type { Tone } from '../picture/tone';
import type { Problem, Result } from '../quantity/result';
import type { DiscFound } from './disc/findDisc';
import type { EdgeByColour } from './edge/edgesByColour';
import type { EdgesFound, Frame } from './edge/findEdges';
import type { SubjectFound } from './findSubject';
import type { LengthFound } from './measureLength';
import type { RulerFound } from './ruler/findRuler';
import type { StarSetup } from './stars/predictedTrail';
import type { StarsFound } from './stars/findStars';

/** A place on a picture, px; the middle of the top left pixel is [0, 0]. */
export type Place = [number, number];

/** What can be asked of a picture. */
export type Question =
  | { measure: 'ruler'; tickMm?: number | undefined; notAlong?: number[] | undefined }
  | { measure: 'length'; ends: [Place, Place] }
  | { measure: 'disc' }
  | { measure: 'subject' }
  | { measure: 'edge'; frame?: Frame | undefined }
  | { measure: 'stars'; setup?: StarSetup | undefined };
export type Measure = Question['measure'];

/** What is found, by question. */
export interface FoundOf {
  ruler: RulerFound;
  length: LengthFound;
  disc: DiscFound;
  subject: SubjectFound;
  edge: EdgesFound & { colours?: EdgeByColour[] };
  stars: StarsFound;
}
export type Found = { [M in Measure]: { measure: M; value: FoundOf[M] } }[Measure];

/** An opened picture. */
export interface Opened {
  width: number;
  height: number;
  kind: PictureKind;
  tone: Tone;
  /** Which frame of a film or page of a file it is, counted from 0, and of how many; nothing where there is but one. */
  frame?: number | undefined;
  frames?: number | undefined;
}

/** What a page asks the worker that holds a picture. */
export type BenchAsk =
  | { id: number; ask: 'open'; file: Blob; tone?: Tone | undefined; frame?: number | undefined }
  | { id: number; ask: 'measure'; question: Question }
  | { id: number; ask: 'part'; part: Part };

/** What the worker tells: how far it is, or what came of what was asked. */
export type BenchNews =
  | { id: number; share: number }
  | { id: number; opened: Result<Opened> }
  | { id: number; found: Result<Found> }
  /** Red, green, blue and full opacity of each pixel. */
  | { id: number; part: Uint8ClampedArray }
  | { id: number; problem: Problem };
