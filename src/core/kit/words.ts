import type { LensDesign } from '../chain/kinds/common';
import { KINDS, PART_KINDS } from '../chain/kinds';
import type { PartKind } from '../chain/parts';
import type { FinderBehaviour, Restriction } from './body';

/** What a person calls each kind of part, and what it does in half a line. */
export const PART_WORDS = Object.fromEntries(
  PART_KINDS.map((kind) => [kind, { name: KINDS[kind].name, gloss: KINDS[kind].gloss }]),
) as Record<PartKind, { name: string; gloss: string }>;

export const FINDER_WORDS: Record<FinderBehaviour, string> = {
  masks: 'finder hides what is outside',
  outlines: 'finder draws a line around it',
  fills: 'finder is filled with it',
};

export const RESTRICTION_WORDS: Record<Restriction, string> = {
  compressedStillsOnly: 'compressed stills only',
  noRaw: 'no raw',
  simpleFocusAreas: 'simple focus areas only',
  noStills: 'no stills',
  noVideo: 'no video',
};

export const DESIGN_WORDS: Record<LensDesign, string> = {
  refractive: 'Refractive',
  mirror: 'Mirror',
  diffractive: 'Diffractive',
};
