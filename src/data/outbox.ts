import { mutate } from 'swr';
import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import type { ApiProblem } from '@/contract/problem';
import type { ResourceName, ResourceTypes, Stored } from '@/contract/resources';
import { ApiRefusal, ApiUnreachable, api } from './api';

/** A change on its way to the server. It stays here, and on the device, until the server has acknowledged it. */
export type Change = { [N in ResourceName]: ChangeOf<N> }[ResourceName];

type ChangeOf<N extends ResourceName> = { key: string; resource: N; id: string; madeAt: string } & (
  | { verb: 'create'; data: ResourceTypes[N] }
  | { verb: 'replace'; version: number; data: ResourceTypes[N] }
  | { verb: 'remove'; version: number }
);

/** A change the server refused, with both copies for the person to choose from. */
export interface Refused {
  change: Change;
  problem: ApiProblem;
}

interface Outbox {
  waiting: Change[];
  refused: Refused[];
  /** False while the last try to reach the server failed. */
  reachable: boolean;
}

export const useOutbox = create<Outbox>()(
  persist((): Outbox => ({ waiting: [], refused: [], reachable: true }), {
    name: 'jauge.outbox',
    storage: createJSONStorage(() => localStorage),
    partialize: ({ waiting, refused }) => ({ waiting, refused }),
    version: 1,
  }),
);

export const newId = (): string => crypto.randomUUID();

/** How long to wait before the server is tried again. */
const RETRY_MS = 3000;
let sending: Promise<void> | null = null;
let retry: ReturnType<typeof setTimeout> | null = null;

async function send(change: Change): Promise<Stored<unknown> | undefined> {
  switch (change.verb) {
    case 'create':
      return api.create(change.resource, change.id, change.data);
    case 'replace':
      return api.replace(change.resource, change.id, change.version, change.data);
    case 'remove':
      await api.remove(change.resource, change.id, change.version);
      return undefined;
  }
}

/**
 * Puts what the server answered into the cached list, so that it is on the screen before the list is read again. A list
 * that is only just being read has no rows yet, and its answer is dropped because of this very change: it is read again.
 */
async function settle(change: Change, row: Stored<unknown> | undefined): Promise<void> {
  await mutate<Stored<unknown>[]>(
    change.resource,
    (rows) => {
      if (!rows) return rows;
      const others = rows.filter((each) => each.id !== change.id);
      if (!row) return others;
      return rows.some((each) => each.id === row.id) ? rows.map((each) => (each.id === row.id ? row : each)) : [...rows, row];
    },
    { revalidate: (rows: Stored<unknown>[] | undefined) => rows === undefined },
  );
}

async function drain(): Promise<void> {
  for (;;) {
    const change = useOutbox.getState().waiting[0];
    if (!change) return;
    try {
      const row = await send(change);
      await settle(change, row);
      useOutbox.setState((state) => ({ waiting: state.waiting.filter((each) => each.key !== change.key), reachable: true }));
    } catch (error) {
      if (error instanceof ApiUnreachable) {
        useOutbox.setState({ reachable: false });
        retry ??= setTimeout(() => {
          retry = null;
          void flush();
        }, RETRY_MS);
        return;
      }
      if (!(error instanceof ApiRefusal)) throw error;
      // A row that is gone already need not be deleted again.
      const gone = change.verb === 'remove' && error.problem.code === 'row.notFound';
      useOutbox.setState((state) => ({
        waiting: state.waiting.filter((each) => each.key !== change.key),
        refused: gone ? state.refused : [...state.refused, { change, problem: error.problem }],
        reachable: true,
      }));
      await mutate(change.resource);
    }
  }
}

/** Sends what waits, in order, one at a time. */
export function flush(): Promise<void> {
  sending ??= drain().finally(() => {
    sending = null;
  });
  return sending;
}

type NewChange = Change extends infer C ? (C extends Change ? Omit<C, 'key' | 'madeAt'> : never) : never;

/** Takes a change: it is on the screen at once, on the device at once, and at the server as soon as it can be reached. */
export function submit(change: NewChange): Promise<void> {
  const whole = { ...change, key: newId(), madeAt: new Date().toISOString() } as Change;
  useOutbox.setState((state) => ({ waiting: [...state.waiting, whole] }));
  return flush();
}

/** Drops a refused change: the stored copy stays. */
export function keepStored(refused: Refused): void {
  useOutbox.setState((state) => ({ refused: state.refused.filter((each) => each.change.key !== refused.change.key) }));
}

/** Sends a refused change again over the stored copy, as the person decided. */
export function keepMine(refused: Refused): Promise<void> {
  const stored = refused.problem.stored as Stored<unknown> | undefined;
  const { change } = refused;
  keepStored(refused);
  if (change.verb === 'create') {
    return stored
      ? submit({ resource: change.resource, id: change.id, verb: 'replace', version: stored.version, data: change.data } as NewChange)
      : submit({ resource: change.resource, id: change.id, verb: 'create', data: change.data } as NewChange);
  }
  if (change.verb === 'replace') {
    // Deleted meanwhile: what was typed is kept by making the row again.
    return stored
      ? submit({ resource: change.resource, id: change.id, verb: 'replace', version: stored.version, data: change.data } as NewChange)
      : submit({ resource: change.resource, id: change.id, verb: 'create', data: change.data } as NewChange);
  }
  return submit({ resource: change.resource, id: change.id, verb: 'remove', version: stored?.version ?? change.version } as NewChange);
}

/** A list of rows with the waiting changes laid over it, so that nothing typed is out of sight. */
export function overlay<N extends ResourceName>(resource: N, rows: Stored<ResourceTypes[N]>[], waiting: Change[]): Stored<ResourceTypes[N]>[] {
  let result = rows;
  for (const change of waiting) {
    if (change.resource !== resource) continue;
    if (change.verb === 'remove') {
      result = result.filter((row) => row.id !== change.id);
      continue;
    }
    const old = result.find((row) => row.id === change.id);
    const row: Stored<ResourceTypes[N]> = {
      id: change.id,
      version: change.verb === 'replace' ? change.version + 1 : (old?.version ?? 1),
      createdAt: old?.createdAt ?? change.madeAt,
      updatedAt: change.madeAt,
      data: change.data as ResourceTypes[N],
    };
    result = old ? result.map((each) => (each.id === row.id ? row : each)) : [...result, row];
  }
  return result;
}
