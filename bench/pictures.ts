import { findDisc } from '../src/core/measure/disc/findDisc';
import { measureLength } from '../src/core/measure/measureLength';
import { photonTransfer } from '../src/core/measure/light/photonTransfer';
import { comparePair } from '../src/core/measure/pair/comparePair';
import { findEdges } from '../src/core/measure/edge/findEdges';
import { findStars } from '../src/core/measure/stars/findStars';
import { findRuler } from '../src/core/measure/ruler/findRuler';
import type { Grey } from '../src/core/picture/grey';
import { take, type Order } from '../src/core/simulate/take';
import {
  barTrial,
  discTrial,
  measured,
  offOf,
  rulerTrial,
  subjectTrial,
  verdictOf,
  type Trial,
} from '../tests/support/pictureTrials';
import { benchSharpness } from './sharpness';
import { report } from './timing';

/** Pictures of each kind; `npm run bench pictures 1000` asks for more. */
const USUAL = 40;

const ORDER: Order = {
  scene: 'ruler',
  columns: 6000,
  rows: 4000,
  pitchUm: 6,
  ratio: 0.5,
  discMm: 12,
  fNumber: 8,
  lens50LpPerMm: 60,
  defocusMm: 0.004,
  shakeMm: 0.002,
  fullWell: 10_000,
  sky: { exposureS: 20, focalMm: 24, declinationDeg: 10, rollDeg: 0 },
  subject: { kind: 'wader', sizeMm: 500 },
  seed: 5,
};

function pictureOf(order: Order): Grey {
  return { width: order.columns, height: order.rows, data: take(order).light, step: 1 / 255 };
}

/** Middle of three runs after one that warms up, ms. */
function timeOf(run: () => unknown): number {
  const times = Array.from({ length: 4 }, () => {
    const start = performance.now();
    run();
    return performance.now() - start;
  });
  return times.slice(1).sort((a, b) => a - b)[1]!;
}

/** What measuring a picture of 24 MP takes, decoding apart. */
function benchTimes(): void {
  const ruler = pictureOf(ORDER);
  report('Ruler found, 24 MP', timeOf(() => findRuler(ruler)) / 1000, 's', 2);
  const disc = pictureOf({ ...ORDER, scene: 'disc' });
  report('Disc found, 24 MP', timeOf(() => findDisc(disc)) / 1000, 's', 1);
  const edge = pictureOf({ ...ORDER, scene: 'edge' });
  report('Edge found and measured, 24 MP', timeOf(() => findEdges(edge)) / 1000, 's', 1);
  const stars = pictureOf({ ...ORDER, scene: 'stars', pitchUm: 4 });
  report('Stars measured, 24 MP', timeOf(() => findStars(stars)) / 1000, 's', 8);
  const thing = { seed: 3, pxPerMm: 100, turnDeg: 0, middleMm: [0, 0] as [number, number], shakenPx: 0, enlarged: 1 };
  const flat = (seed: number, turnDeg: number) =>
    pictureOf({
      ...ORDER,
      scene: 'flat',
      seed,
      thing: { ...thing, turnDeg, pxPerMm: thing.pxPerMm * (1 + turnDeg / 4) },
    });
  const [a, b] = [flat(1, 0), flat(2, 2)];
  report('Two pictures laid onto each other and compared, 24 MP', timeOf(() => comparePair(a, b)) / 1000, 's', 4);
  const frames = [0.4, 0.4, 0, 0].map((exposure, seed) => ({
    ...pictureOf({ ...ORDER, scene: 'even', seed, even: { exposure, readNoise: 4, sensorSeed: 4 } }),
    white: 65_535,
  }));
  const counted = frames.map((frame) => ({ ...frame, data: frame.data.map((value) => Math.round(value * 65_535)) }));
  report('Noise of four frames, 24 MP', timeOf(() => photonTransfer(counted)) / 1000, 's', 2);
  const subject = pictureOf({ ...ORDER, scene: 'subject', ratio: 0.04 });
  const ends: [[number, number], [number, number]] = [
    [1340, 2000],
    [4660, 2000],
  ];
  report(
    'Two handles snapped, 24 MP',
    timeOf(() => measureLength(subject, ends)),
    'ms',
    100,
  );
}

/** Share of what was measured that is off by more than is allowed, %. */
function beyond(trials: Trial[], allowed: (trial: Trial) => number): number {
  const good = measured(trials);
  return (100 * good.filter((trial) => offOf(trial) > allowed(trial)).length) / Math.max(1, good.length);
}

/** How right measuring is, over pictures drawn anew each time. */
function benchAccuracy(count: number): void {
  const seed = Date.now() % 1_000_000_000;
  console.log(`Pictures drawn from ${seed}, ${count} of a kind`);
  const draw = (of: (own: number) => Trial) => Array.from({ length: count }, (_, i) => of(seed + i));
  const told = (what: string, trials: Trial[]) => {
    const { refused, held, median, nineOfTen, most } = verdictOf(trials);
    const percent = (share: number) => `${(100 * share).toFixed(3)} %`;
    console.log(
      `${what.padEnd(12)} refused ${refused}, ± holds ${(100 * held).toFixed(0)} %, off by ${percent(median)} in the middle, ${percent(nineOfTen)} in nine of ten, ${percent(most)} at most`,
    );
  };
  const rulers = draw((own) => rulerTrial(own, 900, 600, ['millimetre', 'half']));
  told('Rulers', rulers);
  report('Rulers refused', (100 * verdictOf(rulers).refused) / count, '%', 5);
  report(
    'Rulers off by more than 0.1 %',
    beyond(rulers, ({ truth }) => 0.001 * truth),
    '%',
    10,
  );
  report(
    'Rulers off by more than 0.3 %',
    beyond(rulers, ({ truth }) => 0.003 * truth),
    '%',
    0.5,
  );
  report(
    'Rulers confidently wrong',
    beyond(rulers, ({ truth, plusMinus }) => Math.max(plusMinus, 0.02 * truth)),
    '%',
    0.1,
  );
  const inches = draw((own) => rulerTrial(own, 900, 600, ['sixteenth']));
  report('Inch scales taken for millimetres', (100 * measured(inches).length) / count, '%', 0.1);
  for (const kind of ['lit', 'dark', 'phase'] as const) {
    const discs = draw((own) => discTrial(own, kind));
    told(`Discs, ${kind}`, discs);
    const allowed = ({ truth }: Trial) =>
      kind === 'phase' ? 0.015 * truth : truth > 100 ? Math.max(0.3, 0.003 * truth) : 1;
    report(`Discs, ${kind}, off by more than is promised`, beyond(discs, allowed), '%', 10);
  }
  const bars = draw(barTrial);
  told('Bars', bars);
  report(
    'Bars off by more than ½ px',
    beyond(bars, () => 0.5),
    '%',
    1,
  );
  const subjects = draw(subjectTrial);
  told('Subjects', subjects);
  const tapped = subjects.map((trial) => ({ ...trial, value: trial.truth + trial.besides }));
  report(
    'Subjects between taps off by over 2 % or 4 px',
    beyond(tapped, ({ truth }) => Math.max(4, 0.02 * truth)),
    '%',
    10,
  );
}

export function benchPictures(count = USUAL): void {
  benchTimes();
  benchAccuracy(count);
  benchSharpness(count);
}
