import { demoSubjects } from '@/demo/kit';
import { mirroredRows } from '../mirror';
import { openMirror } from '../mirror/database';
import { agree, submit, useMirror, useOutbox } from './index';

const data = demoSubjects.curlew.data;
const ID = '40000000-0000-4000-8000-000000000001';
const OTHER = '40000000-0000-4000-8000-000000000002';
const row = (id: string, version = 1) => ({
  id,
  version,
  createdAt: '2026-05-01T10:00:00.000Z',
  updatedAt: '2026-05-01T10:00:00.000Z',
  data,
});
const answer = (status: number, body: unknown) => ({
  ok: status < 400,
  status,
  headers: { get: () => (status < 400 ? 'application/json' : 'application/problem+json') },
  json: () => Promise.resolve(body),
});

/** What the page asked of the server, in order. */
let asked: string[] = [];
let away = false;
let parts: unknown[] = [];

beforeEach(async () => {
  const database = await openMirror();
  for (const store of ['rows', 'sought', 'standing'] as const) await database.clear(store);
  useOutbox.setState({ entries: new Map(), waiting: [], refused: [], stuck: [], reachable: true });
  useMirror.setState({ whole: false });
  [asked, away, parts] = [[], false, []];
  AbortSignal.timeout = () => new AbortController().signal;
  globalThis.fetch = jest.fn((address: string, init?: RequestInit) => {
    asked.push(`${init?.method ?? 'GET'} ${address.replace('/api/v1/', '')}`);
    if (away) return Promise.reject(new TypeError('no network'));
    if (init?.method === 'POST') return Promise.resolve(answer(201, row(ID)));
    return Promise.resolve(answer(200, parts.shift() ?? { changes: [], cursor: 'f.9', more: false, fromStart: false }));
  }) as unknown as typeof fetch;
});

it('what the server tells comes first, part by part, then what waits goes out, and both lie in the copy', async () => {
  away = true;
  await submit({ resource: 'subjects', id: ID, verb: 'create', data });
  expect(useOutbox.getState().reachable).toBe(false);
  [asked, away] = [[], false];
  parts = [
    { changes: [{ resource: 'subjects', id: OTHER, row: row(OTHER) }], cursor: 'f.1', more: true, fromStart: true },
    { changes: [], cursor: 'f.2', more: false, fromStart: false },
  ];
  await agree();
  expect(asked).toEqual(['GET changes', 'GET changes?since=f.1', 'POST subjects']);
  expect(useOutbox.getState()).toMatchObject({ waiting: [], reachable: true });
  expect(useMirror.getState().whole).toBe(true);
  expect((await mirroredRows('subjects')).map((each) => each.id)).toEqual([ID, OTHER]);
  // The next time only what is new is asked for.
  asked = [];
  await agree();
  expect(asked).toEqual(['GET changes?since=f.2']);
});

it('a server that is away leaves the copy as it is, and the page knows that it is whole', async () => {
  parts = [
    { changes: [{ resource: 'subjects', id: OTHER, row: row(OTHER) }], cursor: 'f.1', more: false, fromStart: true },
  ];
  await agree();
  useMirror.setState({ whole: false });
  away = true;
  await agree();
  expect(useOutbox.getState().reachable).toBe(false);
  expect(useMirror.getState().whole).toBe(true);
  expect(await mirroredRows('subjects')).toHaveLength(1);
});

it('a pull that breaks off goes on where it was', async () => {
  parts = [
    { changes: [{ resource: 'subjects', id: OTHER, row: row(OTHER) }], cursor: 'f.1', more: true, fromStart: true },
  ];
  const whole = globalThis.fetch;
  let calls = 0;
  globalThis.fetch = ((address: string, init?: RequestInit) => {
    calls += 1;
    away = calls === 2;
    return whole(address, init);
  }) as typeof fetch;
  await agree();
  expect(useMirror.getState().whole).toBe(false);
  asked = [];
  await agree();
  expect(asked[0]).toBe('GET changes?since=f.1');
  expect(useMirror.getState().whole).toBe(true);
});
