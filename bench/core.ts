import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSetups, demoSubjects } from '../src/demo/kit';
import { situationOf, type Chosen, type Kit } from '../src/data/situation';
import { farLevers } from '../src/core/far/levers';
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
};
const chosen: Chosen = {
  setupId: demoSetups.hide.id, subjectId: demoSubjects.curlew.id, outputId: demoOutputs.print.id,
  distanceM: null, focalMm: null, modeId: null, converterIds: null, trials: {}, cropConvention: 'usual', judgeBy: 'resolved',
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
