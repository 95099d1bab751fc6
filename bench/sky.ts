import { DEEP_OBJECTS } from '../src/core/sky/catalogue';
import { skyCamera } from '../src/core/sky/camera';
import { ofDate } from '../src/core/sky/ephemeris';
import { altitudesOf, nightAt } from '../src/core/sky/night';
import { starGrid, worstPoint } from '../src/core/sky/worstPoint';
import { report, spreadOf } from './timing';

function timed(run: (i: number) => void, runs: number): number {
  const times: number[] = [];
  for (let i = 0; i < runs; i++) {
    const start = performance.now();
    run(i);
    times.push(performance.now() - start);
  }
  return spreadOf(times).median;
}

/** What a drag under the stars and a night's plan cost. */
export function benchSky(): void {
  const grid = starGrid(skyCamera('rectilinear', 20, { declinationDeg: 23, rollDeg: 31 }), 36, 24);
  const sixty = (i: number) => {
    for (let step = 1; step <= 60; step++) worstPoint(grid, step + i / 100);
  };
  timed(sixty, 5);
  report('Worst point of the frame, 60 exposures', timed(sixty, 21), 'ms', 5);
  const site = { latitudeDeg: 51.5, longitudeDeg: 0, heightM: 0 };
  const plan = (i: number) => {
    const noon = Date.UTC(2026, 10, 1 + i, 12);
    const night = nightAt(site, noon);
    for (const object of DEEP_OBJECTS.slice(0, 12))
      altitudesOf(ofDate(object.raHours, object.declinationDeg, noon), site, night);
  };
  timed(plan, 3);
  report('A night and the altitude curves of 12 objects', timed(plan, 21), 'ms', 30);
}
