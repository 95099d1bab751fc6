import { act, render, screen } from '@testing-library/react-native';
import { SWRConfig } from 'swr';
import type { ResourceName, Stored, StoredOf } from '@/contract/resources';
import { api } from '@/data/api';
import { KitProvider } from '@/data/useKit';
import { demoRows } from '@/demo/rows';
import { Theme, type Look } from '@/ui/theme/theme';

/** What the server would hold: the demo's rows, some resources replaced. */
export type Held = Partial<Record<ResourceName, Stored<unknown>[]>>;

const stored = (id: string, data: unknown): Stored<unknown> => ({
  id,
  version: 1,
  createdAt: '2026-01-01T00:00:00Z',
  updatedAt: '2026-01-01T00:00:00Z',
  data,
});

/** The demo as the API gives it. */
export function demoHeld(): Held {
  return Object.fromEntries(
    demoRows().map(({ resource, rows }) => [resource, rows.map((row) => stored(row.id, row.data))]),
  );
}

interface Options {
  held?: Held;
  /** The server cannot be reached. */
  unreachable?: boolean;
  /** The server does not answer yet. */
  silent?: boolean;
  look?: Look;
}

/** Draws a screen with the kit a server holds, and waits until the rows are there. */
export async function renderWithKit(
  element: React.ReactElement,
  { held = demoHeld(), unreachable = false, silent = false, look = 'day' }: Options = {},
): Promise<void> {
  const list = jest.spyOn(api, 'list').mockImplementation(((name: ResourceName) => {
    if (silent) return new Promise(() => undefined);
    return unreachable ? Promise.reject(new Error('unreachable')) : Promise.resolve(held[name] ?? []);
  }) as typeof api.list);
  const before = list.mock.calls.length;
  jest.spyOn(api, 'readings').mockImplementation((query) => {
    if (silent) return new Promise(() => undefined);
    if (unreachable) return Promise.reject(new Error('unreachable'));
    const all = ((held.readings ?? []) as StoredOf<'readings'>[]).filter(
      ({ id, data }) =>
        (!query.id || id === query.id) &&
        (!query.desk || data.desk === query.desk) &&
        (!query.held || data.held !== undefined),
    );
    const sorted = [...all].sort((a, b) => b.data.takenAt.localeCompare(a.data.takenAt));
    return Promise.resolve({
      items: sorted.slice(query.offset, query.offset + query.limit),
      total: all.length,
      limit: query.limit,
      offset: query.offset,
    });
  });
  // What is changed waits in the outbox, where a test can look at it.
  for (const verb of ['create', 'replace', 'remove'] as const)
    jest.spyOn(api, verb).mockImplementation(() => new Promise<never>(() => undefined));
  render(
    <SWRConfig
      value={{
        provider: () => new Map(),
        dedupingInterval: 0,
        errorRetryCount: 0,
        loadingTimeout: 0,
        revalidateOnFocus: false,
      }}
    >
      <Theme look={look}>
        <KitProvider>{element}</KitProvider>
      </Theme>
    </SWRConfig>,
  );
  await act(async () => {
    // First the device is asked whether it has a copy; under Jest it has none.
    for (let i = 0; i < MOST_TURNS && list.mock.calls.length < before + KIT_LISTS; i++) await turn();
    await turn();
  });
}

/** Lists that make up a kit. */
const KIT_LISTS = 7;
const MOST_TURNS = 500;
const turn = () => new Promise((resolve) => setTimeout(resolve, 20));

/** All words on the screen, in order. */
export function words(): string {
  const found: string[] = [];
  const walk = (node: unknown): void => {
    if (typeof node === 'string') found.push(node);
    else if (Array.isArray(node)) node.forEach(walk);
    else if (node && typeof node === 'object' && 'children' in node) walk((node as { children: unknown }).children);
  };
  walk(screen.toJSON());
  return found
    .join(' ')
    .replace(/\u202f/g, ' ')
    .replace(/ +/g, ' ');
}
