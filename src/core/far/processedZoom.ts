/** What one step of a processed zoom leaves of the picture. */
export interface ZoomStep {
  zoom: number;
  /** Sensor columns behind the picture's width. */
  realColumns: number;
  /** Share of the recorded columns that are real, at most 1: a share of the width. */
  realShare: number;
  /** Share of the recorded pixels that are real: both sides shrink. */
  realAreaShare: number;
}

/**
 * Processed zoom on a read-out: free of loss up to sampled ÷ recorded columns (one to one there), invented pixels beyond.
 *
 * @param sampledColumns S
 * @param recordedColumns R
 * @param zoom z ≥ 1
 * @source real columns S/z; share min(1, (S/z)/R)
 */
export function processedZoom(sampledColumns: number, recordedColumns: number, zoom: number): ZoomStep {
  const realColumns = sampledColumns / zoom;
  const realShare = Math.min(1, realColumns / recordedColumns);
  return { zoom, realColumns, realShare, realAreaShare: realShare ** 2 };
}

/** Zoom up to which nothing is invented; below 1 the mode invents pixels even without zoom. */
export const freeZoom = (sampledColumns: number, recordedColumns: number): number => sampledColumns / recordedColumns;

/** Every tenth up to the limit, the limit included. */
export function zoomSteps(sampledColumns: number, recordedColumns: number, limit: number): ZoomStep[] {
  const count = Math.floor((limit - 1) * 10 + 1e-9);
  const zooms = Array.from({ length: count + 1 }, (_, i) => Number((1 + i / 10).toFixed(1)));
  if (zooms.at(-1) !== limit) zooms.push(limit);
  return zooms.map((zoom) => processedZoom(sampledColumns, recordedColumns, zoom));
}
