import { changeEntries, endHandover, removeEntry, writeEntry } from './device';
import { hold, letGo } from './state';
import type { Entry } from './changes';
import { tell } from './tabs';

/** Changes an entry on the screen and on the device. */
export async function keep(entry: Entry): Promise<void> {
  hold(entry, false);
  await writeEntry(entry).catch(() => undefined);
  tell({ kind: 'changed' });
}

/** Takes an entry off the screen and the device. */
export async function forget(key: string): Promise<void> {
  letGo(key);
  endHandover(key);
  await removeEntry(key).catch(() => undefined);
  tell({ kind: 'changed' });
}

/** Changes some entries and takes others away, all at once: a kill in between leaves both or neither. */
export async function exchange(kept: Entry[], gone: string[]): Promise<void> {
  for (const entry of kept) hold(entry, false);
  for (const key of gone) letGo(key);
  await changeEntries(kept, gone).catch(() => {
    // No room: they stay in this window, which would else forget what it does not find on the device.
    for (const entry of kept) hold(entry, true);
  });
  tell({ kind: 'changed' });
}
