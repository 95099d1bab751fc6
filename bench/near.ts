import { planRatio, type RatioKit } from '../src/core/near/planRatio';
import { report, spreadOf } from './timing';

/** A made-up kit: lenses from 30 mm on, tubes, close-up lenses and converters as told. */
function kitOf(lenses: number, tubesMm: number[], dioptres: number[], factors: number[]): RatioKit {
  return {
    lenses: Array.from({ length: lenses }, (_, i) => ({
      id: `l${i}`,
      spec: {
        kind: 'lens',
        name: `L${i}`,
        focalWideMm: 30 + 10 * i,
        focalTeleMm: 30 + 10 * i,
        fNumberWide: 4,
        fNumberTele: 4,
        closestFocusM: 0.2 + 0.05 * i,
        closestRatio: 0.1 + 0.13 * (i % 7),
        detailClass: 'good',
        autofocus: true,
        lengthMm: 80,
      },
    })),
    tubes: [{ id: 't', spec: { kind: 'tubes', name: 'T', lengthsMm: tubesMm, autofocus: true } }],
    closeUps: dioptres.map((power) => ({ id: `c${power}`, spec: { kind: 'closeUp', name: 'C', dioptres: power } })),
    converters: factors.map((factor) => ({
      id: `x${factor}`,
      spec: { kind: 'converter', name: 'X', factor, autofocus: true },
    })),
    flangeMm: 19,
  };
}

function timed(kit: RatioKit, runs: number): number {
  const times: number[] = [];
  for (let i = 0; i < runs; i++) {
    const start = performance.now();
    planRatio(kit, 2.2 + i / 100, []);
    times.push(performance.now() - start);
  }
  return spreadOf(times).median;
}

/** Every combination for a ratio: a kit one carries, and far more than anybody owns. */
export function benchNear(): void {
  report(
    'Ratio plan, 6 lenses, 3 tubes, 3 close-ups, 2 converters',
    timed(kitOf(6, [12, 20, 36], [1.5, 3, 5], [1.4, 2]), 9),
    'ms',
    50,
  );
  report(
    'Ratio plan, 40 lenses, 7 tubes, 5 close-ups, 4 converters',
    timed(kitOf(40, [7, 11, 13, 17.5, 23, 31, 47], [1, 1.7, 2.9, 4.1, 8], [1.25, 1.4, 1.7, 2]), 3),
    'ms',
    1000,
  );
}
