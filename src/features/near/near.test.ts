import { demoKit } from '@/demo/demoKit';
import { demoAdapters, demoOptics, demoSetups, demoSubjects } from '@/demo/kit';
import { chainLinksOf, ready } from './testSituation';
import { nearLeverText } from './nearLeverText';
import { nearDeskState } from './useNearDesk';
import { nearLeversOf } from './useNearLevers';

const ways = { cocSchool: 'diagonal', screenWidthMm: 300, handHoldRatio: 1 } as const;
const kit = demoKit();
const chosen = { setupId: demoSetups.heath.id, subjectId: demoSubjects.tigerBeetle.id };

it('reads what is in hand, and a measured ratio of the same chain replaces the estimate', () => {
  const reckoned = nearDeskState(ready(kit, chosen), ways).reading!;
  expect(reckoned.ratio.value).toBeCloseTo(1 + 20 / 75, 9);
  const ratio = {
    name: 'x',
    chain: demoSetups.heath.data.chain,
    at: 'closest' as const,
    method: 'ruler' as const,
    ratio: 1.31,
    plusMinus: 0.02,
    visibleMm: 27.5,
    frameWidthMm: 36,
    measuredAt: '2026-06-01T10:00:00Z',
  };
  const row = { id: 'r', version: 1, createdAt: '', updatedAt: '', data: ratio };
  const measured = nearDeskState(ready({ ...kit, ratios: [row] }, chosen), ways).reading!;
  expect([measured.ratio.value, measured.ratio.kind]).toEqual([1.31, 'measured']);
  // Another tube is another chain.
  const other = ready(
    { ...kit, ratios: [row] },
    { ...chosen, chain: chainLinksOf(demoOptics.macro100.id, demoAdapters.tubes.id, [36]) },
  );
  expect(nearDeskState(other, ways).reading!.ratio.kind).toBe('computed');
  // The newest measurement counts.
  const newer = { ...row, id: 's', data: { ...ratio, ratio: 1.29, measuredAt: '2026-07-01T10:00:00Z' } };
  expect(nearDeskState(ready({ ...kit, ratios: [row, newer] }, chosen), ways).reading!.ratio.value).toBe(1.29);
});

it('offers every tube, close-up lens and set-up in words', () => {
  const situation = ready(kit, chosen);
  const levers = nearLeversOf(kit, { ...situation.chosen }, ways);
  const titles = levers.map((lever) => nearLeverText(lever, 'metric').title);
  expect(titles).toEqual(
    expect.arrayContaining([
      'With the tube of 12\u202fmm',
      'Without the tube of 20\u202fmm',
      'With the tube of 36\u202fmm',
      'With the Merrow close-up +5',
      'Crop 1.5',
      'Marsh hide',
    ]),
  );
  // The macro lens takes no converters, and the pocket camera’s lens does not come off.
  expect(titles.some((title) => /×1\.4|×2/.test(title))).toBe(false);
  const closeUp = levers.find((lever) => lever.name === 'Merrow close-up +5')!;
  expect(closeUp.ratioAfter).toBeCloseTo(170 * (1 / 75 + 0.005) - 1, 9);
  expect(nearLeverText(closeUp, 'metric')).toMatchObject({
    gain: expect.stringContaining('2.12 : 1') as string,
    price: expect.stringContaining('in front of the glass') as string,
  });
});
