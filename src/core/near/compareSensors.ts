import type { BodySpec } from '../kit/body';
import { circleOfConfusionMm, type CocSchool } from '../output/circleOfConfusion';
import { cropFactor } from '../sensor/cropFactor';
import { usedArea, type UsedArea } from '../sensor/cropMode';
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
  /** Ratio, f-number as set and working f-number on the first, as its desk reads them. */
  ratio: number;
  fNumber: number;
  workingFNumber: number;
  subjectMm: number;
  stance: SensorStance;
  /** How blur is judged, and what an eye tells apart along the output. */
  cocSchool: CocSchool;
  viewedPx: number;
  /** The part of the first sensor that is used; the whole of it when left out. */
  used?: UsedArea | undefined;
}

/**
 * The same subject on several sensors, through optics that can be set as the stance asks. The first is the measure: its numbers
 * are those of its desk.
 *
 * The circle of confusion follows the school chosen. By the diagonal and by the output it is that of the first at the same
 * ratio, where the pictures are looked at enlarged alike, and of each sensor where the whole frames are, which then show the
 * same piece; by the pixel it is each sensor's own.
 *
 * The same picture is framed by the measure its circle of confusion goes by: the diagonal, or the long side on an output. Then
 * depth, blur and diffraction agree between any two shapes of sensor. By the pixel the frames are alike by their diagonals,
 * and the f-number is that of the same depth; diffraction then differs by as much as the pixels do.
 *
 * @source same field: m ∝ W; same picture: m ∝ s and c·N_w/m² equal, which for c ∝ s is N_w ∝ s; N_w ∝ 1 + m otherwise
 */
export function compareSensors({
  bodies,
  ratio,
  fNumber,
  workingFNumber,
  subjectMm,
  stance,
  cocSchool,
  viewedPx,
  used: part,
}: SensorCompareInput): SensorPicture[] {
  const first = part ?? (bodies[0] && usedArea(bodies[0].sensor, { factor: 1 }));
  if (!first) return [];
  const cocOf = ({ widthMm, heightMm }: UsedArea, pitch: number) =>
    circleOfConfusionMm(cocSchool, diagonal(widthMm, heightMm), Math.max(widthMm, heightMm), pitch, viewedPx);
  const pitchOf = ({ sensor }: BodySpec) => pitchUm(sensor.widthMm, sensor.columns);
  const frameOf = ({ widthMm, heightMm }: UsedArea) =>
    cocSchool === 'output' ? Math.max(widthMm, heightMm) : diagonal(widthMm, heightMm);
  return bodies.map((body, i) => {
    const used = i === 0 ? first : usedArea(body.sensor, { factor: 1 });
    const pitch = pitchOf(body);
    const judged = stance === 'sameRatio' && cocSchool !== 'pixel' ? first : used;
    const coc = cocOf(judged, pitch);
    const size = stance === 'sameDepth' ? frameOf(used) / frameOf(first) : used.widthMm / first.widthMm;
    const own = stance === 'sameRatio' ? ratio : ratio * size;
    const working =
      stance === 'sameDepth'
        ? (workingFNumber * size ** 2 * cocOf(first, pitchOf(bodies[0]!))) / coc
        : (workingFNumber * (1 + own)) / (1 + ratio);
    return {
      body,
      ratio: own,
      // What the lens is set to: its cone grows with the ratio.
      fNumber: (fNumber * working * (1 + ratio)) / (workingFNumber * (1 + own)),
      workingFNumber: working,
      fieldWidthMm: used.widthMm / own,
      framed: own * cropFactor(used.widthMm, used.heightMm, 'diagonal'),
      pixels: (1000 * own * subjectMm) / pitch,
      subjectPixelUm: pitch / own,
      depthMm: nearDepth(own, working, coc).totalMm,
      stops: -2 * Math.log2(working / workingFNumber),
    };
  });
}
