import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSetups, demoSubjects } from '../src/demo/kit';
import { situationOf, systemInputOf, type Chosen, type Kit } from '../src/data/situation';
import { detailPatches, type PatchSystem } from '../src/core/detail/patch';
import { farLevers } from '../src/core/far/levers';
import { logDistancesM, plannerCurve } from '../src/core/far/plannerCurve';
import { readFar } from '../src/core/far/readFar';
import { foldSystem } from '../src/core/optics/foldSystem';
import { report, spreadOf } from './timing';

const stored = <T>(rows: Record<string, { id: string; data: T }>) =>
  Object.values(rows).map((row) => ({ ...row, version: 1, createdAt: '', updatedAt: '' }));

const kit: Kit = {
  bodies: stored(demoBodies),
  optics: stored(demoOptics),
  adapters: stored(demoAdapters),
  setups: stored(demoSetups),
  subjects: stored(demoSubjects),
  outputs: stored(demoOutputs as Record<string, { id: string; data: Kit['outputs'][number]['data'] }>),
  ratios: [],
};
const chosen: Chosen = {
  setupId: demoSetups.hide.id,
  subjectId: demoSubjects.curlew.id,
  outputId: demoOutputs.print.id,
  distanceM: null,
  focalMm: null,
  modeId: null,
  chain: null,
  nearRatio: null,
  nearFNumber: null,
  trials: {},
  cropConvention: 'usual',
  judgeBy: 'resolved',
};

/** The whole Far desk for one distance: situation, system, reading, and every lever of the kit. */
function wholeDesk(distanceM: number): number {
  const situation = situationOf(kit, { ...chosen, distanceM });
  if (typeof situation === 'string') throw new Error(situation);
  const system = foldSystem(situation.setup, situation.convention);
  if (!system.ok) throw new Error(system.problem.message);
  const reading = readFar({ ...situation, system: system.value });
  if (!reading.ok) throw new Error(reading.problem.message);
  return reading.value.pixelsOnSubject.value + farLevers(situation).length;
}

export function benchCore(): void {
  for (let i = 0; i < 500; i++) wholeDesk(20 + i / 10);
  const times: number[] = [];
  for (let i = 0; i < 2000; i++) {
    const start = performance.now();
    wholeDesk(20 + i / 20);
    times.push(performance.now() - start);
  }
  const { median } = spreadOf(times);
  report('Far desk recomputed, with all levers (median)', median, 'ms', 1);
}

/** Four set-ups over four hundred distances: what a pull at the planner's rule may recompute. */
export function benchPlanner(): void {
  const systems = Object.values(demoSetups)
    .slice(0, 4)
    .flatMap((row) => {
      const input = systemInputOf(row.data, kit);
      const folded = input && foldSystem(input);
      return folded?.ok ? [folded.value] : [];
    });
  if (systems.length !== 4) throw new Error('four set-ups expected');
  const distances = logDistancesM(1, 500, 400);
  const times: number[] = [];
  for (let i = 0; i < 300; i++) {
    const start = performance.now();
    for (const system of systems) plannerCurve(system, 550 + i / 10, distances, 'resolved');
    if (i >= 50) times.push(performance.now() - start);
  }
  report('Planner curve, 4 set-ups × 400 distances (median)', spreadOf(times).median, 'ms', 4);
  const patches: PatchSystem[] = systems.map((system, i) => ({
    pixelMm: 0.4 + i * 0.1,
    ratio: 0.01,
    parts: {
      pitchUm: system.pitchUm.value,
      workingFNumber: system.fNumber.value,
      lens50LpPerMm: system.lens50LpPerMm.value,
      antiAliasPx: system.antiAliasPx,
    },
  }));
  const renders: number[] = [];
  for (let i = 0; i < 12; i++) {
    const start = performance.now();
    detailPatches(patches, { kind: 'wader', sizeMm: 550 });
    if (i >= 2) renders.push(performance.now() - start);
  }
  report('Detail patches, 256 × 256 × 4 (median)', spreadOf(renders).median, 'ms', 150);
}
