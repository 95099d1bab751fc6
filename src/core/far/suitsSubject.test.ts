import { demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import { linksOf } from '../chain/link';
import { farLevers, type FarSituation, type Lever } from './levers';
import { suitsSubject } from './suitsSubject';

const body = demoBodies.ostrel.data;
const setupOf = (...parts: Parameters<typeof linksOf>[0]) => ({ body, modeId: 'whole', chain: linksOf(parts) });
const situation: FarSituation = {
  setup: setupOf(demoOptics.tele600.data),
  subject: demoSubjects.curlew.data,
  distanceM: 60,
  output: demoOutputs.web.data,
  judgeBy: 'resolved',
  convention: 'usual',
  kit: {
    parts: [],
    setups: [
      { id: 'wide', name: 'Wide', setup: setupOf(demoOptics.wide20.data) },
      { id: 'zoom', name: 'Zoom', setup: setupOf(demoOptics.zoom150600.data) },
      {
        id: 'heavy',
        name: 'Heavy telescope',
        setup: setupOf({
          kind: 'telescope',
          name: 'T',
          apertureMm: 200,
          focalMm: 1200,
          detailClass: 'good',
          weightG: 20_000,
        }),
      },
      { id: 'macro', name: 'Macro', setup: setupOf(demoOptics.macro100.data) },
    ],
  },
};

it('a curlew is offered another long lens, not a wide one, a macro lens or a telescope of 20 kg', () => {
  const offered = farLevers(situation).filter(suitsSubject);
  expect(offered.filter((each) => each.kind === 'setup').map((each) => each.name)).toEqual(['Zoom']);
  // All the rest stays.
  const others = (levers: Lever[]) => levers.filter((each) => each.kind !== 'setup').map((each) => each.id);
  expect(others(offered)).toEqual(others(farLevers(situation)));
});

it('goes by the share of the pixels: 20 mm against 600 mm is one thirtieth', () => {
  const wide = farLevers(situation).find((each) => each.name === 'Wide')!;
  expect(wide.pixelsRatio).toBeCloseTo(20 / 600, 2);
  expect(suitsSubject(wide)).toBe(false);
  expect(suitsSubject({ ...wide, pixelsRatio: 0.41 })).toBe(true);
  // What cannot be compared is judged by the rest.
  expect(suitsSubject({ ...wide, comparable: false })).toBe(true);
  expect(suitsSubject({ ...wide, comparable: false, cannotFocus: true })).toBe(false);
  expect(suitsSubject({ ...wide, pixelsRatio: 1, weightChangeG: 5001 })).toBe(false);
  expect(suitsSubject({ ...wide, pixelsRatio: 1, weightChangeG: undefined as never })).toBe(true);
});
