import type { DeepObject } from './catalogue';

/** A field on the sky, degrees. */
export interface FieldDeg {
  widthDeg: number;
  heightDeg: number;
}

export interface MosaicPlan {
  columns: number;
  rows: number;
  panels: number;
  /** The object's extent along the frame's sides as it is turned, degrees. */
  alongDeg: number;
  acrossDeg: number;
  /** Object ÷ field along the side it fills more; up to 1 it fits one frame. */
  fill: number;
  /** Field of all panels together, degrees. */
  totalWidthDeg: number;
  totalHeightDeg: number;
  /** Centres of the panels from the object's centre, degrees along the frame's sides, row by row from the top. */
  centres: { xDeg: number; yDeg: number }[];
}

const RAD = Math.PI / 180;

/**
 * Width and height of an ellipse turned against the frame, along the frame's sides.
 *
 * @param turnDeg angle between the ellipse's length and the frame's up
 */
export function extentOf(length: number, width: number, turnDeg: number): { across: number; up: number } {
  const [sin, cos] = [Math.sin(turnDeg * RAD), Math.cos(turnDeg * RAD)];
  return { across: Math.hypot(length * sin, width * cos), up: Math.hypot(length * cos, width * sin) };
}

/** Fewest frames in a row that cover an extent with an overlap, a share of a frame. */
export const framesToCover = (extent: number, field: number, overlap: number): number =>
  extent <= field * (1 + 1e-9) ? 1 : Math.ceil((extent - overlap * field) / (field * (1 - overlap)) - 1e-9);

/**
 * The frames needed for an object.
 *
 * @param rollDeg position angle of the frame's up
 * @param overlap of neighbouring frames, as a share of a frame, 0 to 0.9
 * @example planMosaic(m31, { widthDeg: 2, heightDeg: 1.5 }, 0, 0.2).panels
 */
export function planMosaic(
  object: Pick<DeepObject, 'lengthArcmin' | 'widthArcmin' | 'positionAngleDeg'>,
  field: FieldDeg,
  rollDeg: number,
  overlap: number,
): MosaicPlan {
  const { across, up } = extentOf(
    object.lengthArcmin / 60,
    object.widthArcmin / 60,
    (object.positionAngleDeg ?? 0) - rollDeg,
  );
  const columns = framesToCover(across, field.widthDeg, overlap);
  const rows = framesToCover(up, field.heightDeg, overlap);
  const [stepX, stepY] = [field.widthDeg * (1 - overlap), field.heightDeg * (1 - overlap)];
  return {
    columns,
    rows,
    panels: columns * rows,
    alongDeg: up,
    acrossDeg: across,
    fill: Math.max(across / field.widthDeg, up / field.heightDeg),
    totalWidthDeg: field.widthDeg + (columns - 1) * stepX,
    totalHeightDeg: field.heightDeg + (rows - 1) * stepY,
    centres: Array.from({ length: rows * columns }, (_, i) => ({
      xDeg: ((i % columns) - (columns - 1) / 2) * stepX,
      yDeg: ((rows - 1) / 2 - Math.floor(i / columns)) * stepY,
    })),
  };
}

/** The turn of the frame, whole steps of five degrees, that takes the fewest frames, and then the least room. */
export function bestRollDeg(object: Parameters<typeof planMosaic>[0], field: FieldDeg, overlap: number): number {
  let best = { roll: 0, panels: Infinity, fill: Infinity };
  for (let roll = 0; roll < 180; roll += 5) {
    const { panels, fill } = planMosaic(object, field, roll, overlap);
    if (panels < best.panels || (panels === best.panels && fill < best.fill - 1e-9)) best = { roll, panels, fill };
  }
  return best.roll;
}

/** How a pixel stands against the seeing: between a third and a half of its width is right. */
export type SeeingStand = 'fine' | 'right' | 'coarse';

export const SEEING_WORDS: Record<SeeingStand, string> = {
  fine: 'finer than the air allows: binning or a reducer costs nothing',
  right: 'the pixel and the air go together',
  coarse: 'coarser than the air would allow: detail is left',
};

/** @param seeingArcsec full width at half maximum of a star */
export function seeingStand(pixelArcsec: number, seeingArcsec: number): SeeingStand {
  const share = pixelArcsec / seeingArcsec;
  if (share < 1 / 3 - 1e-9) return 'fine';
  return share <= 0.5 + 1e-9 ? 'right' : 'coarse';
}

/** Longest exposure on a mount that follows but is not guided, s, for a run of some pixels; its error in ″ per minute. */
export const unguidedS = (tolerancePx: number, pixelArcsec: number, errorArcsecPerMin: number): number =>
  (tolerancePx * pixelArcsec * 60) / errorArcsecPerMin;
