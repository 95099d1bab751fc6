import { outputLongSidePx, printPixelsPerInch, type OutputSpec } from './needs';

/** What an eye tells apart along a print or screen that is looked at from as far as it is wide. */
const WHOLE_VIEW_PX = 3438;

/** Details along the output's long side that an eye tells apart, or that it shows, if those are fewer. */
export function viewedPixels(output: OutputSpec): number {
  const shown = outputLongSidePx(output) ?? WHOLE_VIEW_PX;
  if (output.kind !== 'print' || output.viewingDistanceMm === undefined) return Math.min(shown, WHOLE_VIEW_PX);
  return Math.min(
    shown,
    (output.longSideMm / 25.4) * printPixelsPerInch({ viewingDistanceMm: output.viewingDistanceMm }),
  );
}
