import { act, renderHook, waitFor } from '@testing-library/react-native';
import { demoReadings } from '@/demo/readings';
import { submit, useOutbox } from './outbox';
import { useReadings } from './useReadings';

const [older, newer] = [...demoReadings()].sort((a, b) => a.data.takenAt.localeCompare(b.data.takenAt)).slice(-2);
const row = ({ id, data }: NonNullable<typeof older>) => ({
  id,
  version: 1,
  createdAt: data.takenAt,
  updatedAt: data.takenAt,
  data,
});
const answer = (status: number, body: unknown) => ({
  ok: true,
  status,
  headers: { get: () => 'application/json' },
  json: () => Promise.resolve(body),
});

it('a reading just kept stays in sight from its keeping to the list that holds it', async () => {
  useOutbox.setState({ entries: new Map(), waiting: [], refused: [], reachable: true });
  AbortSignal.timeout = () => new AbortController().signal;
  const reads: ((items: unknown[]) => void)[] = [];
  const accepts: (() => void)[] = [];
  globalThis.fetch = jest.fn((_: string, init?: RequestInit) =>
    init?.method === 'POST'
      ? new Promise((resolve) => accepts.push(() => resolve(answer(201, row(newer!)))))
      : new Promise((resolve) => reads.push((items) => resolve(answer(200, { items, total: items.length })))),
  ) as unknown as typeof fetch;

  const { result } = await renderHook(() => useReadings({ sort: 'newest' }));
  const shown = () => result.current.rows.map((each) => each.id);
  await waitFor(() => expect(reads).toHaveLength(1), { timeout: 20_000 });
  await act(() => reads[0]!([row(older!)]));
  await waitFor(() => expect(shown()).toEqual([older!.id]), { timeout: 20_000 });

  let sent: Promise<void> = Promise.resolve();
  act(() => {
    sent = submit({ resource: 'readings', id: newer!.id, verb: 'create', data: newer!.data });
  });
  await waitFor(() => expect(shown()).toEqual([newer!.id, older!.id]), { timeout: 20_000 });
  await waitFor(() => expect(accepts).toHaveLength(1), { timeout: 20_000 });
  await act(async () => {
    accepts[0]!();
    await sent;
  });
  // The change has left the outbox, and the list is still being read.
  expect(useOutbox.getState().waiting).toEqual([]);
  expect(reads).toHaveLength(2);
  expect(shown()).toEqual([newer!.id, older!.id]);
  await act(() => reads[1]!([row(newer!), row(older!)]));
  await waitFor(() => expect(result.current.total).toBe(2), { timeout: 20_000 });
  expect(shown()).toEqual([newer!.id, older!.id]);
});
