import {
  barTrial,
  discTrial,
  holds,
  measured,
  offOf,
  rulerTrial,
  subjectTrial,
  verdictOf,
  type Trial,
} from '../../../tests/support/pictureTrials';

/**
 * Two hundred pictures that nobody has seen before; JAUGE_PICTURES=<the number in the title> draws the same ones again. The
 * bounds are what is promised, less four standard deviations of so many trials; `npm run bench pictures` prints the figures.
 */
const seed = Number(process.env.JAUGE_PICTURES ?? (Date.now() % 1_000_000) * 1000);

const trials = (count: number, of: (seed: number) => Trial): Trial[] =>
  Array.from({ length: count }, (_, i) => of(seed + i));

/** Share of the measured ones that are off by no more than is allowed. */
function within(all: Trial[], allowed: (trial: Trial) => number): number {
  const good = measured(all);
  return good.filter((trial) => offOf(trial) <= allowed(trial)).length / Math.max(1, good.length);
}

describe(`pictures drawn from ${seed}`, () => {
  it('rulers are right to a thousandth, seldom refused, and never confidently wrong', () => {
    const all = trials(70, (own) => rulerTrial(own, 560, 380, ['millimetre', 'half', 'millimetre']));
    const wrong = measured(all).filter((trial) => offOf(trial) > 0.02 * trial.truth && !holds(trial));
    expect(wrong).toEqual([]);
    const { refused, held, median } = verdictOf(all);
    expect(median).toBeLessThan(0.0004);
    expect(within(all, ({ truth }) => 0.001 * truth)).toBeGreaterThan(0.78);
    expect(within(all, ({ truth }) => 0.003 * truth)).toBeGreaterThan(0.9);
    expect(refused).toBeLessThanOrEqual(13);
    expect(held).toBeGreaterThan(0.8);
    expect(measured(all).filter(({ besides }) => besides <= 0.2).length).toBeGreaterThan(0.85 * (70 - refused));
  }, 900_000);

  it('inch scales are never taken for millimetres', () => {
    const all = trials(10, (own) => rulerTrial(own, 560, 380, ['sixteenth']));
    expect(measured(all)).toEqual([]);
  }, 300_000);

  const allowed = ({ truth }: Trial) => (truth > 100 ? Math.max(0.3, 0.003 * truth) : 1);

  it('discs fully lit are right to 0.3 px or 0.3 %, small ones to a pixel, their flattening to 0.005', () => {
    const all = trials(40, (own) => discTrial(own, 'lit'));
    expect(within(all, allowed)).toBeGreaterThan(0.77);
    expect(verdictOf(all).held).toBeGreaterThan(0.78);
    const large = measured(all).filter(({ truth }) => truth > 60);
    expect(large.filter(({ besides }) => besides <= 0.005).length).toBeGreaterThan(0.7 * large.length);
  }, 600_000);

  it('discs in phase are right to 1.5 %, dark ones as well as lit ones', () => {
    const phase = trials(25, (own) => discTrial(own, 'phase'));
    expect(within(phase, ({ truth }) => 0.015 * truth)).toBeGreaterThan(0.65);
    expect(verdictOf(phase).held).toBeGreaterThan(0.7);
    const dark = trials(10, (own) => discTrial(own, 'dark'));
    expect(within(dark, allowed)).toBeGreaterThan(0.7);
  }, 600_000);

  it('bars between two rough taps are right to half a pixel', () => {
    const all = trials(20, barTrial);
    expect(within(all, () => 0.5)).toBe(1);
    expect(verdictOf(all).held).toBeGreaterThan(0.78);
    expect(all.every(({ besides }) => besides === 0)).toBe(true);
  }, 300_000);

  it('subjects are found, and measured between rough taps to 2 % or 4 px', () => {
    const all = trials(25, subjectTrial);
    const { refused, held } = verdictOf(all);
    expect(refused).toBeLessThanOrEqual(3);
    expect(held).toBeGreaterThan(0.7);
    const tapped = measured(all).filter(({ besides, truth }) => besides <= Math.max(4, 0.02 * truth));
    expect(tapped.length).toBeGreaterThan(0.65 * (25 - refused));
  }, 600_000);
});
