import { compareSensors } from './compareSensors';
import { COC_SCHOOLS } from '../output/circleOfConfusion';
import type { BodySpec } from '../kit/body';

const body = (name: string, widthMm: number, heightMm: number, columns: number): BodySpec =>
  ({
    name,
    sensor: { widthMm, heightMm, columns, rows: Math.round((columns * heightMm) / widthMm) },
    antiAliasFilter: 'none',
    cropModes: [],
  }) as unknown as BodySpec;

const BODIES = [body('3:2', 36, 24, 8256), body('4:3', 17.3, 13, 5184), body('16:9', 13.2, 7.4, 3840)];

it.each(COC_SCHOOLS)('the same picture has the same depth on every shape of sensor, by %s', (cocSchool) => {
  const pictures = compareSensors({
    bodies: BODIES,
    ratio: 1,
    fNumber: 8,
    workingFNumber: 16,
    subjectMm: 10,
    stance: 'sameDepth',
    cocSchool,
    viewedPx: 3000,
  });
  const [first, ...others] = pictures;
  if (cocSchool === 'pixel') {
    // Two pixels are another share of each frame: the depth by that blur agrees, the wave term differs with the pixels.
    const byBlur = (each: (typeof pictures)[number]) =>
      (each.body.sensor.widthMm / each.body.sensor.columns) * (each.workingFNumber / each.ratio ** 2);
    for (const each of others) expect(byBlur(each) / byBlur(first!)).toBeCloseTo(1, 9);
    return;
  }
  for (const each of others) expect(each.depthMm / first!.depthMm).toBeCloseTo(1, 9);
  // Blur by diffraction against what counts as sharp, and the entrance cone, agree as well.
  const frame = ({ body: { sensor } }: (typeof pictures)[number]) =>
    cocSchool === 'output' ? sensor.widthMm : Math.hypot(sensor.widthMm, sensor.heightMm);
  for (const each of others) {
    expect(each.workingFNumber / frame(each)).toBeCloseTo(first!.workingFNumber / frame(first!), 9);
    expect(each.ratio / frame(each)).toBeCloseTo(first!.ratio / frame(first!), 9);
  }
});
