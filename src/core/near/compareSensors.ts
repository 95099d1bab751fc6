import type { BodySpec } from '../kit/parts';
import { usedArea } from '../sensor/cropMode';
import { diagonal } from '../sensor/diagonal';
import { pitchUm } from '../sensor/pitch';
import { nearDepth } from './nearDepth';

/** What is held equal between the sensors. */
export type SensorStance = 'sameRatio' | 'sameField' | 'sameDepth';

/** One sensor's picture of the same subject. */
export interface SensorPicture {
  body: BodySpec;
  ratio: number;
  fNumber: number;
  workingFNumber: number;
  fieldWidthMm: number;
  framed: number;
  pixels: number;
  subjectPixelUm: number;
  depthMm: number;
  /** Change of the light on the sensor against the first at the same shutter time and ISO, stops. */
  stops: number;
}

export interface SensorCompareInput {
  bodies: BodySpec[];
  /** Ratio and marked f-number on the first. */
  ratio: number;
  fNumber: number;
  subjectMm: number;
  stance: SensorStance;
}

/**
 * The same subject on several sensors, through ideal lenses that can be set as the stance asks. The first is the measure.
 *
 * The circle of confusion is D/1500 of the first at the same ratio, where the pictures are looked at enlarged alike; of each
 * sensor where the whole frames are, which then show the same piece.
 *
 * @source same field: m ∝ W; same picture: m·k and N_w/W equal, so depth, blur and diffraction agree
 */
export function compareSensors({ bodies, ratio, fNumber, subjectMm, stance }: SensorCompareInput): SensorPicture[] {
  const first = bodies[0] && usedArea(bodies[0].sensor, { factor: 1 });
  if (!first) return [];
  const firstDiagonal = diagonal(first.widthMm, first.heightMm);
  return bodies.map((body) => {
    const used = usedArea(body.sensor, { factor: 1 });
    const size = used.widthMm / first.widthMm;
    const own = stance === 'sameRatio' ? ratio : ratio * size;
    const working = stance === 'sameDepth' ? fNumber * (1 + ratio) * size : fNumber * (1 + own);
    const ownDiagonal = diagonal(used.widthMm, used.heightMm);
    const coc = (stance === 'sameRatio' ? firstDiagonal : firstDiagonal * size) / 1500;
    const pitch = pitchUm(body.sensor.widthMm, body.sensor.columns);
    return {
      body,
      ratio: own,
      fNumber: working / (1 + own),
      workingFNumber: working,
      fieldWidthMm: used.widthMm / own,
      framed: (own * 43.2666) / ownDiagonal,
      pixels: (1000 * own * subjectMm) / pitch,
      subjectPixelUm: pitch / own,
      depthMm: nearDepth(own, working, coc).totalMm,
      stops: -2 * Math.log2(working / (fNumber * (1 + ratio))),
    };
  });
}
