import type { Ratio } from '@/contract/schemas/ratio';
import type { Stored } from '@/contract/resources';
import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSetups, demoSubjects, type DemoRow } from './kit';

const stored = <T>(rows: Record<string, DemoRow<T>>): Stored<T>[] =>
  Object.values(rows).map((row) => ({ ...row, version: 1, createdAt: '', updatedAt: '' }));

/** The demo's kit as rows, the way the API gives them. */
export function demoKit() {
  return {
    bodies: stored(demoBodies),
    optics: stored(demoOptics),
    adapters: stored(demoAdapters),
    setups: stored(demoSetups),
    subjects: stored(demoSubjects),
    outputs: stored(demoOutputs),
    ratios: [] as Stored<Ratio>[],
  };
}
