import { mutate } from 'swr';
import { create } from 'zustand';
import { ApiFailed, ApiRefusal, ApiUnpaired, ApiUnreachable, api, type Taken } from '../api';
import type { Change, Entry } from './changes';
import { takeAnswer } from '../mirror';
import { countOn, takeRefusal } from './conflicts';
import { readEntries } from './device';
import { forget, keep } from './entries';
import { pull, readTouched } from './pulling';
import { rowKey, settle } from './settle';
import { inOrder, replaceHeld, useOutbox } from './state';
import { oneWindow, tell } from './tabs';

/** Pauses before the server is tried again, ms: each twice the last. */
const FIRST_PAUSE_MS = 1000;
const LONGEST_PAUSE_MS = 60_000;
/** A change the server failed on so often waits for the person, and lets the others pass. */
const MOST_FAILURES = 5;

/** How sending goes: the pause before the next try, and that try while one is planned. */
const useSending = create<{ pauseMs: number; retry: ReturnType<typeof setTimeout> | null }>()(() => ({
  pauseMs: FIRST_PAUSE_MS,
  retry: null,
}));

function send(change: Change): Promise<Taken> {
  switch (change.verb) {
    case 'create':
      return api.create(change.resource, change.id, change.data, change.key);
    case 'replace':
      return api.replace(change.resource, change.id, change.version, change.data, change.key);
    case 'remove':
      return api.remove(change.resource, change.id, change.version, change.key);
  }
}

/** Reads what waits on the device into this window. */
export async function refresh(): Promise<void> {
  const { entries, odd } = await readEntries();
  replaceHeld(entries, odd);
}

const rowOf = ({ change }: Entry): string => `${change.resource}/${change.id}`;

/** Whether a change speaks of a row that another change still has to make. */
function waitsFor(change: Change, others: Entry[]): boolean {
  if (!('data' in change)) return false;
  const text = JSON.stringify(change.data);
  return others.some(
    (other) => other.key !== change.key && other.change.verb === 'create' && text.includes(other.change.id),
  );
}

const serverIsThere = (): void => useOutbox.setState({ reachable: true, paired: true, serverSays: null });

const serverIsAway = (error: ApiUnreachable): void =>
  useOutbox.setState({ reachable: false, paired: !(error instanceof ApiUnpaired), serverSays: error.serverSays });

type Outcome = 'gone' | 'again' | 'held' | 'stop';

/** An answer that was given before tells of the row as it was then: others may have changed it since, or deleted it. */
async function readAsItIs({ resource, id }: Change): Promise<void> {
  await pull();
  await readTouched([{ resource, id }], false);
}

/** Sends one change and does what its answer asks for. */
async function sendOne(entry: Entry): Promise<Outcome> {
  const { change, key } = entry;
  try {
    const { row, repeated } = await send(change);
    // First the answer, then the change goes: in between the row would stand there as it was before, with its old version.
    if (repeated) await readAsItIs(change);
    else {
      await takeAnswer(change.resource, change.id, row).catch(() => undefined);
      await settle(change.resource, change.id, row);
    }
    await countOn(entry, row);
    await forget(key);
    if (!repeated) tell({ kind: 'settled', resource: change.resource, id: change.id, row });
    serverIsThere();
    useSending.setState({ pauseMs: FIRST_PAUSE_MS });
    return 'gone';
  } catch (error) {
    if (error instanceof ApiFailed) {
      const failures = entry.failures + 1;
      await keep({ ...entry, failures, state: failures >= MOST_FAILURES ? 'stuck' : 'waiting' });
      return 'held';
    }
    if (error instanceof ApiUnreachable) {
      serverIsAway(error);
      return 'stop';
    }
    if (!(error instanceof ApiRefusal)) throw error;
    return refusedBy(entry, error);
  }
}

async function refusedBy(entry: Entry, { problem }: ApiRefusal): Promise<Outcome> {
  const { change } = entry;
  serverIsThere();
  if (
    problem.code === 'reference.missing' &&
    waitsFor(
      change,
      inOrder().filter((other) => other.state !== 'refused'),
    )
  )
    return 'held';
  const again = await takeRefusal(entry, problem);
  await mutate(change.resource);
  await mutate(rowKey(change.resource, change.id));
  return again ? 'again' : 'gone';
}

async function drain(): Promise<void> {
  await refresh().catch(() => undefined);
  /** Rows whose change is held back: what follows on the same row waits with it. */
  const held = new Set(
    inOrder()
      .filter((entry) => entry.state === 'stuck')
      .map(rowOf),
  );
  for (;;) {
    const next = inOrder().find((entry) => entry.state === 'waiting' && !held.has(rowOf(entry)));
    if (!next) break;
    const outcome = await sendOne(next);
    if (outcome === 'stop') break;
    if (outcome === 'held') held.add(rowOf(next));
  }
  const stuck = new Set(
    inOrder()
      .filter((entry) => entry.state === 'stuck')
      .map(rowOf),
  );
  if (inOrder().some((entry) => entry.state === 'waiting' && !stuck.has(rowOf(entry)))) again();
}

/** Tries again after a pause that grows each time. */
function again(): void {
  const { retry, pauseMs } = useSending.getState();
  if (retry) return;
  const next = setTimeout(() => {
    useSending.setState({ retry: null });
    void sendWaiting();
  }, pauseMs);
  useSending.setState({ retry: next, pauseMs: Math.min(LONGEST_PAUSE_MS, pauseMs * 2) });
}

/** Sends what waits, one change at a time, in one window at a time. */
export function sendWaiting(): Promise<void> {
  const { retry } = useSending.getState();
  if (retry) clearTimeout(retry);
  useSending.setState({ retry: null });
  return oneWindow(drain);
}

/** What the server tells comes first, then what waits here goes: at a start, when the network or the person comes back, and now and then. */
export function agree(): Promise<void> {
  useSending.setState({ pauseMs: FIRST_PAUSE_MS });
  return oneWindow(async () => {
    try {
      await pull();
      serverIsThere();
    } catch (error) {
      // A server that has nothing to tell of changes is no reason to keep what waits.
      if (error instanceof ApiUnreachable) serverIsAway(error);
      else if (!(error instanceof ApiRefusal)) throw error;
    }
    await drain();
  });
}

/** Tries at once: a person asks for it, or the network is back. */
export function flush(): Promise<void> {
  useSending.setState({ pauseMs: FIRST_PAUSE_MS });
  return sendWaiting();
}
