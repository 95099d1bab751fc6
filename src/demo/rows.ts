import type { ResourceName, ResourceTypes } from '@/contract/resources';
import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSetups, demoSubjects, type DemoRow } from './kit';
import { demoGuesses } from './guesses';
import { demoPictureGroups } from './log';
import { demoOutings } from './outings';
import { demoReadings } from './readings';

/** All rows of the demo, in an order in which every row's references exist before it. */
export function demoRows(): {
  [N in ResourceName]: { resource: N; rows: DemoRow<ResourceTypes[N]>[] };
}[ResourceName][] {
  return [
    { resource: 'bodies', rows: Object.values(demoBodies) },
    { resource: 'optics', rows: Object.values(demoOptics) },
    { resource: 'adapters', rows: Object.values(demoAdapters) },
    { resource: 'setups', rows: Object.values(demoSetups) },
    { resource: 'subjects', rows: Object.values(demoSubjects) },
    { resource: 'outputs', rows: Object.values(demoOutputs) },
    { resource: 'readings', rows: demoReadings() },
    { resource: 'outings', rows: Object.values(demoOutings) },
    { resource: 'pictureGroups', rows: demoPictureGroups() },
    { resource: 'guesses', rows: demoGuesses() },
  ];
}
