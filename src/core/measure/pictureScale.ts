import { fail, ok, type Result } from '../quantity/result';
import { usedArea, type CropRule, type SensorSpec } from '../sensor/cropMode';
import { pitchUm } from '../sensor/pitch';

/** A mode a body can take pictures in, with the name it goes by. */
export interface ModeOfBody extends CropRule {
  id: string;
  name: string;
}

/** What a picture's size says of how it was taken. */
export interface PictureScale {
  /** Distance on the sensor that one pixel of this picture stands for, µm. */
  pitchUm: number;
  /** The mode whose pixels it has. */
  modeId: string;
  modeName: string;
  /** Larger or smaller by this factor than it was taken, after the fact; 1 as it left the camera. */
  resized: number;
}

/** A picture as taken may be this much off what is known of its mode: borders are counted differently. */
const AS_TAKEN = 0.012;
/** A picture made larger or smaller keeps its shape this well: both sides are whole pixels. */
const SAME_SHAPE = 0.004;

/**
 * Which mode of a body a picture was taken in, by its pixels alone, and what one of its pixels stands for on the sensor. A
 * picture made smaller or larger afterwards is put right when its shape is still that of a mode; of one that was cut it cannot
 * be known whether it was made smaller too, and it is refused.
 *
 * @param modeId the mode thought of: taken first where several fit
 */
export function pictureScale(
  sensor: SensorSpec,
  modes: ModeOfBody[],
  modeId: string,
  { width, height }: { width: number; height: number },
): Result<PictureScale> {
  const long = Math.max(width, height);
  const short = Math.min(width, height);
  const pitch = pitchUm(sensor.widthMm, sensor.columns);
  const known = [...modes]
    .sort((a, b) => Number(b.id === modeId) - Number(a.id === modeId))
    .map((mode) => {
      const { columns, rows } = usedArea(sensor, mode);
      return { mode, long: Math.max(columns, rows), short: Math.min(columns, rows) };
    });
  const asTaken = known.find(
    (each) => Math.abs(long / each.long - 1) < AS_TAKEN && Math.abs(short / each.short - 1) < AS_TAKEN,
  );
  if (asTaken) return ok({ pitchUm: pitch, modeId: asTaken.mode.id, modeName: asTaken.mode.name, resized: 1 });
  const sameShape = known.find(
    (each) => Math.abs(long / short / (each.long / each.short) - 1) < SAME_SHAPE + 1 / short,
  );
  if (sameShape) {
    const resized = Math.sqrt((long / sameShape.long) * (short / sameShape.short));
    return ok({ pitchUm: pitch / resized, modeId: sameShape.mode.id, modeName: sameShape.mode.name, resized });
  }
  const [first] = known;
  return fail(
    'picture.cut',
    `The picture has ${width} × ${height} px, which is the shape of no mode of this body${first ? ` (${first.long} × ${first.short} px as taken)` : ''}. It was cut afterwards, so what one of its pixels stands for is not known. Bring it as it left the camera, or measure only what needs no pitch.`,
    'picture',
  );
}
