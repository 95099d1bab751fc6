import { act, renderHook, waitFor } from '@testing-library/react-native';
import { demoSubjects } from '@/demo/kit';
import { submit, useOutbox } from './outbox';
import { useRows } from './useRows';

const data = demoSubjects.curlew.data;
const row = (id: string) => ({
  id,
  version: 1,
  createdAt: '2026-05-01T10:00:00.000Z',
  updatedAt: '2026-05-01T10:00:00.000Z',
  data,
});
const STORED = '30000000-0000-4000-8000-000000000001';
const NEW = '30000000-0000-4000-8000-000000000002';

it('a list being read while a change arrives is read again, so that it is there', async () => {
  useOutbox.setState({ waiting: [], refused: [], reachable: true });
  AbortSignal.timeout = () => new AbortController().signal;
  const reads: ((items: unknown[]) => void)[] = [];
  const answer = (status: number, body: unknown) => ({
    ok: true,
    status,
    headers: { get: () => 'application/json' },
    json: () => Promise.resolve(body),
  });
  globalThis.fetch = jest.fn((_: string, init?: RequestInit) =>
    init?.method === 'POST'
      ? Promise.resolve(answer(201, row(NEW)))
      : new Promise((resolve) => reads.push((items) => resolve(answer(200, { items, total: items.length })))),
  ) as unknown as typeof fetch;
  const { result } = await renderHook(() => useRows('subjects'));
  await waitFor(() => expect(reads).toHaveLength(1), { timeout: 20_000 });
  await act(() => submit({ resource: 'subjects', id: NEW, verb: 'create', data }));
  // The answer to the first reading was made before the change arrived, and comes after it.
  await act(async () => {
    reads[0]!([row(STORED)]);
    await new Promise((resolve) => setTimeout(resolve, 20));
  });
  await waitFor(() => expect(reads.length).toBeGreaterThan(1), { timeout: 20_000 });
  await act(async () => {
    for (const read of reads.slice(1)) read([row(STORED), row(NEW)]);
    await Promise.resolve();
  });
  await waitFor(() => expect(result.current.rows.map((each) => each.id)).toEqual([STORED, NEW]), { timeout: 20_000 });
});
