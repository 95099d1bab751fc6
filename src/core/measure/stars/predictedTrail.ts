import { directionAt, pointAt, skyCamera } from '../../sky/camera';
import { turned } from '../../sky/drift';
import type { Projection } from '../../sky/projection';
import { smearOf, type Smear } from './trailField';

/** What is known of how a picture of stars was taken. */
export interface StarSetup {
  pitchUm: number;
  focalMm: number;
  exposureS: number;
  declinationDeg: number;
  /** Position angle of the picture's upper side, from north through east; nothing where it is not known. */
  rollDeg?: number | undefined;
  projection?: Projection | undefined;
}

/** The vector a star draws that is at a place of the picture at half of the exposure, px; nothing outside what a lens draws. */
export function drawnAt(
  { pitchUm, focalMm, exposureS, declinationDeg, rollDeg = 0, projection = 'rectilinear' }: StarSetup,
  { width, height }: { width: number; height: number },
): (x: number, y: number) => [number, number] | null {
  const camera = skyCamera(projection, focalMm, { declinationDeg, rollDeg });
  const mmPerPx = pitchUm / 1000;
  return (x, y) => {
    const direction = directionAt(camera, {
      xMm: (x - (width - 1) / 2) * mmPerPx,
      yMm: -(y - (height - 1) / 2) * mmPerPx,
    });
    const start = direction && pointAt(camera, turned(direction, -exposureS / 2));
    const end = direction && pointAt(camera, turned(direction, exposureS / 2));
    return start && end ? [(end.xMm - start.xMm) / mmPerPx, -(end.yMm - start.yMm) / mmPerPx] : null;
  };
}

/** The same as a smear, px². */
export function predictedSmear(
  setup: StarSetup,
  size: { width: number; height: number },
): (x: number, y: number) => Smear {
  const drawn = drawnAt(setup, size);
  return (x, y) => {
    const vector = drawn(x, y);
    return vector ? smearOf(...vector) : [0, 0];
  };
}
