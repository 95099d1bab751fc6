import { demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import { besideMore } from './besideMore';
import { sideBySide, type Compared, type Stance } from './sideBySide';

const contenders = [
  { id: 'a', name: 'A', setup: { body: demoBodies.ostrel.data, modeId: 'whole', chain: [demoOptics.tele600.data] } },
  {
    id: 'b',
    name: 'B',
    setup: { body: demoBodies.quillon.data, modeId: 'whole', chain: [demoOptics.zoom150600.data] },
  },
];
const asked = {
  subject: demoSubjects.curlew.data,
  output: demoOutputs.web.data,
  cocSchool: 'diagonal' as const,
  background: { kind: 'distance' as const, distanceM: 300 },
};
const of = (stance: Stance) => {
  const { compared } = sideBySide({
    contenders,
    stance,
    subject: asked.subject,
    distanceM: 60,
    output: asked.output,
    judgeBy: 'resolved',
    convention: 'usual',
  });
  expect(compared).toHaveLength(2);
  return compared.map((each) => ({ each, more: besideMore(each, asked) }));
};

it.each(['sameSpot', 'sameFraming', 'samePicture'] as const)(
  'at the %s depth and blur follow from focal length, f-number and distance of each',
  (stance) => {
    for (const { each, more } of of(stance)) {
      const { system, reading, fNumber } = each;
      const f = system.focalMm.value;
      const u = reading.subjectM.value * 1000;
      const diagonal = Math.hypot(system.used.widthMm, system.used.heightMm);
      expect(more.cocMm.value).toBeCloseTo(diagonal / 1500, 9);
      // A thin lens focused on u: half-widths by u·f²/(f² ± N·c·(u − f)); these lenses shorten a little when focused.
      const spread = fNumber * more.cocMm.value * (u - f);
      const depth = u * f ** 2 * (1 / (f ** 2 - spread) - 1 / (f ** 2 + spread));
      expect(more.depthM!.value / (depth / 1000)).toBeCloseTo(1, 1);
      // The background's disc on the sensor, as a share of its width; the background stays where it is when one walks.
      const behindMm = 300_000 + each.walkM * 1000 - (reading.distanceM.value * 1000 - u);
      const pupil = (reading.pupilMm.value * system.fNumber.value) / fNumber;
      const discMm = (pupil * reading.ratio.value * (behindMm - u)) / behindMm;
      expect(more.backgroundBlur.value / ((100 * discMm) / system.used.widthMm)).toBeCloseTo(1, 6);
      expect(fNumber).toBeGreaterThanOrEqual(system.fNumber.value - 1e-9);
    }
  },
);

it('as the same picture both are equally deep; the sky behind blurs with the pupil, which walking changes', () => {
  const [a, b] = of('samePicture');
  expect(b!.more.depthM!.value / a!.more.depthM!.value).toBeCloseTo(1, 1);
  const sky = (each: { each: Compared }) =>
    besideMore(each.each, { ...asked, background: { kind: 'distance', distanceM: Infinity } }).backgroundBlur.value;
  const pupil = ({ each }: { each: Compared }) =>
    (each.reading.pupilMm.value * each.system.fNumber.value) / each.fNumber;
  // At one framing the disc of the sky, A·m, is the same share of the frame as the pupil is of the field at the subject.
  expect(sky(b!) / sky(a!)).toBeCloseTo(pupil(b!) / pupil(a!), 2);
  // Wide open the one with the larger pupil for the view is shallower.
  const [wideA, wideB] = of('sameSpot');
  expect(wideA!.more.depthM!.value).not.toBeCloseTo(wideB!.more.depthM!.value, 2);
});

it('the stopped pupil says from what it follows', () => {
  const stopped = of('samePicture').find(({ each }) => each.fNumber > each.system.fNumber.value * 1.01);
  if (!stopped) throw new Error('none is stopped down: choose other contenders');
  const limit = stopped.more.nearLimitM.why.inputs.find((each) => each.symbol === 'A')!.quantity;
  const value = (symbol: string) => limit.why.inputs.find((each) => each.symbol === symbol)!.quantity.value;
  expect(limit.value).toBeCloseTo((value('A') * value('N₀')) / value('N'), 9);
});
