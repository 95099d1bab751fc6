import type { FormatName } from './kinds/common';

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
