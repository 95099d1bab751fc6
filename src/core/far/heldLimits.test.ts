import { heldLimits } from './heldLimits';

const kept = (name: string, value: number, focalMm: number, measuredAt = '2026-05-01T10:00:00Z', asked = 'shake') => ({
  asked,
  measuredAt,
  found: [
    { name, value, unit: 's', plusMinus: value / 5 },
    { name: 'Focal length', value: focalMm, unit: 'mm' },
  ],
});

describe('the time a person holds', () => {
  const limits = heldLimits([
    kept('Longest time held', 1 / 200, 400),
    kept('Longest time held', 1 / 100, 400, '2026-06-01T10:00:00Z'),
    kept('Longest time held, stabilised', 1 / 30, 400),
    kept('Longest time held', 1 / 60, 100),
    kept('Length', 12, 300, undefined, 'length'),
    { asked: 'shake', measuredAt: '', found: [{ name: 'Longest time held', value: 1, unit: 's' }] },
  ]);
  it('is what was kept of series by hand, with its focal length', () => {
    expect(limits).toHaveLength(4);
    expect(limits[2]).toMatchObject({ stabilised: true, focalMm: 400, limitS: 1 / 30, plusMinus: 1 / 30 / 5 });
  });
});
