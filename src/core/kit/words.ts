import type { FinderBehaviour, FormatName, LensDesign, PartKind, Restriction } from '../chain/parts';

/** What a person calls each kind of part, and what it does in half a line. */
export const PART_WORDS: Record<PartKind, { name: string; gloss: string }> = {
  lens: { name: 'Lens', gloss: 'prime or zoom, mirror, macro' },
  builtIn: { name: 'Built-in lens', gloss: 'of a compact or phone camera' },
  telescope: { name: 'Telescope', gloss: 'the camera in place of the eyepiece' },
  scope: { name: 'Spotting scope', gloss: 'picture taken through its eyepiece' },
  objective: { name: 'Microscope objective', gloss: 'with a tube lens or tubes' },
  converter: { name: 'Converter', gloss: 'longer, slower' },
  reducer: { name: 'Focal reducer', gloss: 'shorter, faster' },
  barlow: { name: 'Barlow', gloss: 'lengthens a telescope' },
  tubes: { name: 'Extension tubes', gloss: 'a set; any sum of them' },
  closeUp: { name: 'Close-up lens', gloss: 'in front, in dioptres' },
  reversing: { name: 'Reversing ring', gloss: 'lens the wrong way round' },
  coupling: { name: 'Coupling ring', gloss: 'two lenses front to front' },
  tubeLens: { name: 'Tube lens', gloss: 'behind an infinity objective' },
  afocal: { name: 'Afocal adapter', gloss: 'camera behind an eyepiece' },
  mountAdapter: { name: 'Mount adapter', gloss: 'one mount onto another' },
};

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

export const FORMAT_WORDS: Record<FormatName, string> = {
  mediumFormat: 'Medium format',
  fullFrame: 'Full frame',
  apsC: 'APS-C',
  fourThirds: 'Four-thirds',
  oneInch: 'One-inch',
  phone: 'Phone or compact',
};

/** Diagonal the named format needs covered, mm. */
export const FORMAT_DIAGONAL_MM: Record<FormatName, number> = {
  mediumFormat: 54.8,
  fullFrame: 43.3,
  apsC: 28.2,
  fourThirds: 21.6,
  oneInch: 15.9,
  phone: 12.3,
};
