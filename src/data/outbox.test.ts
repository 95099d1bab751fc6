import { demoSubjects } from '@/demo/kit';
import type { Stored } from '@/contract/resources';
import type { Subject } from '@/contract/schemas/subject';
import { flush, keepMine, keepStored, overlay, submit, useOutbox, type Change } from './outbox';

const subject = demoSubjects.curlew.data;
const ID = '30000000-0000-4000-8000-000000000001';
const row = (version: number, name = subject.name): Stored<Subject> => ({ id: ID, version, createdAt: 't', updatedAt: 't', data: { ...subject, name } });

type Answer = { status: number; body?: unknown; problem?: boolean } | 'unreachable';
let answers: Answer[] = [];
let requests: { url: string; method: string; body: unknown }[] = [];

beforeEach(() => {
  jest.useFakeTimers();
  answers = [];
  requests = [];
  useOutbox.setState({ waiting: [], refused: [], reachable: true });
  AbortSignal.timeout = () => new AbortController().signal;
  globalThis.fetch = jest.fn((url: string, init?: RequestInit) => {
    requests.push({ url, method: init?.method ?? 'GET', body: init?.body ? (JSON.parse(init.body as string) as unknown) : undefined });
    const answer = init?.method === undefined ? { status: 200, body: { items: [], total: 0 } } : answers.shift();
    if (answer === undefined || answer === 'unreachable') return Promise.reject(new TypeError('refused'));
    return Promise.resolve({
      ok: answer.status < 300,
      status: answer.status,
      headers: { get: () => (answer.problem ? 'application/problem+json' : 'application/json') },
      json: () => Promise.resolve(answer.body),
    });
  }) as unknown as typeof fetch;
});
afterEach(async () => {
  // A retry left waiting would still be waiting in the next test.
  useOutbox.setState({ waiting: [] });
  await jest.runOnlyPendingTimersAsync();
  jest.useRealTimers();
});

const create = () => submit({ resource: 'subjects', id: ID, verb: 'create', data: subject });

it('sends a change and forgets it once acknowledged', async () => {
  answers = [{ status: 201, body: row(1) }];
  await create();
  expect(useOutbox.getState()).toMatchObject({ waiting: [], reachable: true });
  expect(requests[0]).toMatchObject({ method: 'POST', url: '/api/v1/subjects', body: { id: ID, data: subject } });
});

it('keeps changes in order while the server is away, and sends them when it is back', async () => {
  answers = ['unreachable'];
  await create();
  expect(useOutbox.getState().reachable).toBe(false);
  answers = ['unreachable'];
  await submit({ resource: 'subjects', id: ID, verb: 'replace', version: 1, data: { ...subject, name: 'Second' } });
  expect(useOutbox.getState().waiting).toHaveLength(2);
  answers = [{ status: 201, body: row(1) }, { status: 200, body: row(2, 'Second') }];
  await flush();
  expect(useOutbox.getState()).toMatchObject({ waiting: [], reachable: true });
  expect(requests.filter((request) => request.method !== 'GET').map((request) => request.method)).toEqual(['POST', 'POST', 'POST', 'PUT']);
});

it('tries again by itself after a while', async () => {
  answers = ['unreachable', { status: 201, body: row(1) }];
  await create();
  expect(useOutbox.getState().waiting).toHaveLength(1);
  await jest.advanceTimersByTimeAsync(3100);
  expect(useOutbox.getState().waiting).toHaveLength(0);
});

it('takes a failing server for one that is away, not for a refusal', async () => {
  answers = [{ status: 500, body: {}, problem: true }];
  await create();
  expect(useOutbox.getState()).toMatchObject({ reachable: false, refused: [] });
});

const stale = { status: 409, problem: true, body: { code: 'version.stale', title: 'Changed elsewhere', detail: '…', status: 409, type: '', stored: row(4, 'Theirs'), yours: {} } };

it('keeps both copies of a stale change, and sends mine over the stored one when so decided', async () => {
  answers = [stale];
  await submit({ resource: 'subjects', id: ID, verb: 'replace', version: 1, data: { ...subject, name: 'Mine' } });
  const refused = useOutbox.getState().refused[0]!;
  expect(refused.change).toMatchObject({ data: { name: 'Mine' } });
  answers = [{ status: 200, body: row(5, 'Mine') }];
  await keepMine(refused);
  expect(requests.at(-1)).toMatchObject({ method: 'PUT', body: { version: 4, data: { name: 'Mine' } } });
  expect(useOutbox.getState()).toMatchObject({ waiting: [], refused: [] });
});

it('drops my copy when so decided', async () => {
  answers = [stale];
  await submit({ resource: 'subjects', id: ID, verb: 'replace', version: 1, data: subject });
  keepStored(useOutbox.getState().refused[0]!);
  expect(useOutbox.getState().refused).toEqual([]);
});

it('makes the row again when what I changed was deleted meanwhile', async () => {
  answers = [{ status: 404, problem: true, body: { code: 'row.notFound', title: '', detail: '', status: 404, type: '' } }];
  await submit({ resource: 'subjects', id: ID, verb: 'replace', version: 1, data: subject });
  answers = [{ status: 201, body: row(2) }];
  await keepMine(useOutbox.getState().refused[0]!);
  expect(requests.at(-1)).toMatchObject({ method: 'POST' });
});

it('does not mind deleting what is gone already', async () => {
  answers = [{ status: 404, problem: true, body: { code: 'row.notFound', title: '', detail: '', status: 404, type: '' } }];
  await submit({ resource: 'subjects', id: ID, verb: 'remove', version: 1 });
  expect(useOutbox.getState()).toMatchObject({ waiting: [], refused: [] });
});

it('lays waiting changes over the stored rows', () => {
  const change = (part: object): Change => ({ key: 'k', madeAt: 'now', resource: 'subjects', id: ID, ...part }) as Change;
  expect(overlay('subjects', [], [change({ verb: 'create', data: subject })])).toMatchObject([{ id: ID, version: 1 }]);
  expect(overlay('subjects', [row(3)], [change({ verb: 'replace', version: 3, data: { ...subject, name: 'New' } })])).toMatchObject([{ version: 4, data: { name: 'New' } }]);
  expect(overlay('subjects', [row(3)], [change({ verb: 'remove', version: 3 })])).toEqual([]);
  expect(overlay('bodies', [], [change({ verb: 'create', data: subject })])).toEqual([]);
});
