/** What a picture is for, and so how many pixels it needs. */
export type OutputSpec =
  | { kind: 'screen'; name: string; longSidePx: number; subjectShare: number }
  | {
      kind: 'print';
      name: string;
      longSideMm: number;
      pixelsPerInch?: number | undefined;
      viewingDistanceMm?: number | undefined;
      subjectShare: number;
    }
  | { kind: 'identification'; name: string; smallestDetailMm: number };

/** Pixels per inch beyond which a person sees no more detail from a distance, at one arcminute. */
export function pixelsPerInchAtDistance(viewingDistanceMm: number): number {
  return (3438 / viewingDistanceMm) * 25.4;
}

/** Density of a print, from what was entered: its own, or that of its viewing distance, or the customary 300. */
export function printPixelsPerInch(output: {
  pixelsPerInch?: number | undefined;
  viewingDistanceMm?: number | undefined;
}): number {
  if (output.pixelsPerInch !== undefined) return output.pixelsPerInch;
  return output.viewingDistanceMm === undefined ? 300 : pixelsPerInchAtDistance(output.viewingDistanceMm);
}

/** Pixels along the long side of the finished picture, or null for an identification record, which has no fixed size. */
export function outputLongSidePx(output: OutputSpec): number | null {
  switch (output.kind) {
    case 'screen':
      return output.longSidePx;
    case 'print':
      return (output.longSideMm / 25.4) * printPixelsPerInch(output);
    case 'identification':
      return null;
  }
}

/**
 * Resolved pixels the subject needs, along the length that is measured.
 *
 * A picture is cropped until the subject takes `subjectShare` of its long side, so it needs that share of the output's
 * pixels. An identification needs two pixels on the smallest detail to be told apart.
 *
 * @param subjectMm length of the subject, mm
 * @example neededPixels({ kind: 'screen', name: 'Web page', longSidePx: 2048, subjectShare: 0.5 }, 420) // 1024
 */
export function neededPixels(output: OutputSpec, subjectMm: number): number {
  const longSide = outputLongSidePx(output);
  if (longSide === null) return output.kind === 'identification' ? (2 * subjectMm) / output.smallestDetailMm : 0;
  return output.kind === 'identification' ? 0 : longSide * output.subjectShare;
}
