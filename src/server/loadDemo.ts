import { demoRows } from '@/demo/rows';
import type { Store } from './store';

/** Puts the demo data into an empty database. A database that already has bodies is left alone. */
export async function loadDemo(store: Store): Promise<boolean> {
  if ((await store.list('bodies', 1, 0)).total > 0) return false;
  for (const { resource, rows } of demoRows()) {
    for (const row of rows) await store.create(resource, row.id, row.data);
  }
  return true;
}
