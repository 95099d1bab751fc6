import type { SubjectKind } from '../../kit/subjects';
import { fur } from './fur';
import { petal } from './petal';
import { plumage } from './plumage';
import { shell } from './shell';
import { wingScales } from './wingScales';

/** What covers a subject, drawn by Jauge. */
export interface Texture {
  /** In words, after "a piece of": "plumage". */
  name: string;
  /** Brightness 0 to 1 at a place, mm on a subject of the size it is drawn for. */
  at: (xMm: number, yMm: number) => number;
  /** The subject's size the distances are drawn for, mm; others have theirs in proportion. */
  drawnForMm: number;
}

const PLUMAGE: Texture = { name: 'plumage', at: plumage, drawnForMm: 550 };
const FUR: Texture = { name: 'fur', at: fur, drawnForMm: 300 };

const TEXTURES: Record<SubjectKind, Texture> = {
  wader: PLUMAGE,
  perchingBird: PLUMAGE,
  raptor: { ...PLUMAGE, drawnForMm: 1300 },
  smallMammal: FUR,
  // The hair of a large animal is not coarser in proportion: a coat three times as coarse on one five times as large.
  deer: { ...FUR, drawnForMm: 500 },
  butterfly: { name: 'wing', at: wingScales, drawnForMm: 60 },
  beetle: { name: 'wing case', at: shell, drawnForMm: 20 },
  flower: { name: 'petal', at: petal, drawnForMm: 40 },
};

/** The texture a kind of subject is covered with. */
export const textureOf = (kind: SubjectKind): Texture => TEXTURES[kind];
