import type { Output } from '@/contract/schemas/output';
import type { Store } from './store';

/** What pictures are commonly for: a new database starts with these, so that the first reading has something to be judged by. */
const COMMON: readonly { id: string; data: Output }[] = [
  {
    id: '00000000-0000-4000-8000-00000000f001',
    data: { kind: 'screen', name: 'Web page', longSidePx: 1600, subjectShare: 0.5 },
  },
  {
    id: '00000000-0000-4000-8000-00000000f002',
    data: { kind: 'print', name: 'Print 30 × 20', longSideMm: 300, pixelsPerInch: 240, subjectShare: 0.5 },
  },
  {
    id: '00000000-0000-4000-8000-00000000f003',
    data: { kind: 'identification', name: 'Leg-ring record', smallestDetailMm: 2.5 },
  },
];

/** Puts the common outputs into a database that has none. */
export async function loadFirstOutputs(store: Store): Promise<void> {
  if ((await store.list('outputs', 1, 0)).total > 0) return;
  for (const { id, data } of COMMON) await store.create('outputs', id, data);
}
