import { mutate } from 'swr';
import { demoBodies, demoSubjects } from '@/demo/kit';
import type { Stored } from '@/contract/resources';
import type { Subject } from '@/contract/schemas/subject';
import { discard, flush, keepMine, keepStored, openOutbox, overlay, submit, tryStuck, useOutbox, type Change } from '.';
import { readEntries, writeEntry } from './device';
import { inOrder, letGo } from './state';

const subject = demoSubjects.curlew.data;
const ID = '30000000-0000-4000-8000-000000000001';
const OTHER = '30000000-0000-4000-8000-000000000002';
const row = (version: number, name = subject.name): Stored<Subject> => ({
  id: ID,
  version,
  createdAt: 't',
  updatedAt: 't',
  data: { ...subject, name },
});

type Answer = { status: number; body?: unknown; problem?: boolean; broken?: boolean } | 'unreachable';
let answers: Answer[] = [];
let requests: { url: string; method: string; body: unknown; key: string | undefined }[] = [];

beforeEach(() => {
  answers = [];
  requests = [];
  AbortSignal.timeout = () => new AbortController().signal;
  globalThis.fetch = jest.fn((url: string, init?: RequestInit) => {
    requests.push({
      url,
      method: init?.method ?? 'GET',
      body: init?.body ? (JSON.parse(init.body as string) as unknown) : undefined,
      key: (init?.headers as Record<string, string> | undefined)?.['idempotency-key'],
    });
    const answer = init?.method === undefined ? { status: 200, body: { items: [], total: 0 } } : answers.shift();
    if (answer === undefined || answer === 'unreachable') return Promise.reject(new TypeError('refused'));
    return Promise.resolve({
      ok: answer.status < 300,
      status: answer.status,
      headers: { get: () => (answer.problem ? 'application/problem+json' : 'application/json') },
      json: () => (answer.broken ? Promise.reject(new TypeError('cut off')) : Promise.resolve(answer.body)),
    });
  }) as unknown as typeof fetch;
});
afterEach(async () => {
  // A retry left waiting would still be waiting in the next test.
  for (const entry of inOrder()) await discard(entry.key);
  for (const { key } of (await readEntries()).odd) await discard(key);
  useOutbox.setState({ reachable: true, serverSays: null, unkept: [] });

  localStorage.clear();
});

const create = (id = ID, name = subject.name) =>
  submit({ resource: 'subjects', id, verb: 'create', data: { ...subject, name } });
const replace = (version: number, name: string) =>
  submit({ resource: 'subjects', id: ID, verb: 'replace', version, data: { ...subject, name } });
const sent = () => requests.filter((request) => request.method !== 'GET');
const problem = (status: number, code: string, more: object = {}): Answer => ({
  status,
  problem: true,
  body: { code, title: 'T', detail: 'Because.', status, type: '', ...more },
});
const waiting = () =>
  useOutbox.getState().waiting.map((change) => ('data' in change ? (change.data as Subject).name : change.verb));

describe('a change', () => {
  it('is sent with a key and forgotten once acknowledged', async () => {
    answers = [{ status: 201, body: row(1) }];
    await create();
    expect(useOutbox.getState()).toMatchObject({ waiting: [], reachable: true });
    expect(requests[0]).toMatchObject({
      method: 'POST',
      url: '/api/v1/subjects',
      body: { id: ID, data: subject },
      key: expect.stringMatching(/^[\w-]{36}$/) as string,
    });
    expect((await readEntries()).entries).toEqual([]);
    expect(Object.keys(localStorage)).toEqual([]);
  });

  it('is on the screen and on the device at once, in the same turn', async () => {
    answers = ['unreachable'];
    const done = create();
    expect(useOutbox.getState().waiting).toHaveLength(1);
    // What a tab killed now leaves behind.
    expect(Object.keys(localStorage)).toHaveLength(1);
    await done;
    expect((await readEntries()).entries).toMatchObject([{ change: { id: ID }, state: 'waiting' }]);
    expect(Object.keys(localStorage)).toEqual([]);
  });

  it('goes only when the answer stands in its place, so that the next one on the same row carries the new version', async () => {
    answers = [{ status: 200, body: row(2, 'Second') }];
    await mutate('subjects', [row(1)], { revalidate: false });
    /** The row as the screen shows it, whenever something of the outbox changes. */
    const shown: { version: number; name: string }[] = [];
    const stop = useOutbox.subscribe(({ waiting: changes }) => {
      // From the moment it waits.
      if (!changes.length && !shown.length) return;
      void mutate<Stored<Subject>[]>(
        'subjects',
        (rows) => {
          const [only] = overlay('subjects', rows ?? [], changes);
          if (only) shown.push({ version: only.version, name: only.data.name });
          return rows;
        },
        { revalidate: false },
      );
    });
    await replace(1, 'Second');
    stop();
    expect(shown.length).toBeGreaterThan(1);
    expect(shown.filter(({ version, name }) => version !== 2 || name !== 'Second')).toEqual([]);
    await mutate('subjects', undefined, { revalidate: false });
  });

  it('waits in order while the server is away, and goes when it is back, each with the key it had', async () => {
    answers = ['unreachable'];
    await create();
    expect(useOutbox.getState().reachable).toBe(false);
    answers = ['unreachable'];
    await replace(1, 'Second');
    expect(waiting()).toEqual([subject.name, 'Second']);
    answers = [
      { status: 201, body: row(1) },
      { status: 200, body: row(2, 'Second') },
    ];
    await flush();
    expect(useOutbox.getState()).toMatchObject({ waiting: [], reachable: true });
    expect(sent().map((request) => request.method)).toEqual(['POST', 'POST', 'POST', 'PUT']);
    expect(
      new Set(
        sent()
          .slice(0, 3)
          .map((request) => request.key),
      ).size,
    ).toBe(1);
  });

  it('whose answer breaks off is sent again with its key', async () => {
    answers = [{ status: 201, body: row(1), broken: true }];
    await create();
    expect(useOutbox.getState()).toMatchObject({ reachable: false, refused: [] });
    answers = [{ status: 201, body: row(1) }];
    await flush();
    expect(useOutbox.getState().waiting).toEqual([]);
    expect(sent()[0]!.key).toBe(sent()[1]!.key);
  });

  it('is tried again by itself, after pauses that grow', async () => {
    const timers: { run: () => void; ms: number }[] = [];
    jest
      .spyOn(globalThis, 'setTimeout')
      .mockImplementation(((run: () => void, ms: number) => timers.push({ run, ms })) as never);
    await create();
    for (let i = 0; i < 8; i++) {
      timers.at(-1)!.run();
      await settled();
    }
    answers = [{ status: 201, body: row(1) }];
    timers.at(-1)!.run();
    await settled();
    jest.mocked(setTimeout).mockRestore();
    expect(timers.map((timer) => timer.ms)).toEqual([1000, 2000, 4000, 8000, 16_000, 32_000, 60_000, 60_000, 60_000]);
    expect(useOutbox.getState().waiting).toEqual([]);
  });
});

/** Lets the database of the device come to rest. */
const settled = async () => {
  for (let i = 0; i < 40; i++) await new Promise((resolve) => setImmediate(resolve));
};

describe('a server that fails', () => {
  it('on one change lets the others pass, and after some tries puts it into the tray', async () => {
    answers = [problem(500, 'server.failed')];
    await create();
    answers = [problem(500, 'server.failed'), { status: 201, body: { ...row(1), id: OTHER } }];
    await create(OTHER, 'Other');
    // What follows on the same row waits with it.
    answers = [problem(500, 'server.failed')];
    await replace(1, 'Follows');
    expect(waiting()).toEqual([subject.name, 'Follows']);
    for (let i = 0; i < 3; i++) {
      answers = [problem(500, 'server.failed')];
      await flush();
    }
    expect(waiting()).toEqual(['Follows']);
    expect(useOutbox.getState().stuck).toMatchObject([{ failures: 5, change: { id: ID, verb: 'create' } }]);
    expect((await readEntries()).entries.map((entry) => entry.state)).toEqual(
      expect.arrayContaining(['stuck']) as string[],
    );
    answers = [
      { status: 201, body: row(1) },
      { status: 200, body: row(2, 'Follows') },
    ];
    await tryStuck(useOutbox.getState().stuck[0]!);
    expect(useOutbox.getState()).toMatchObject({ stuck: [], waiting: [] });
  });

  it('as a whole is one that is away, in its own words', async () => {
    answers = [problem(507, 'storage.full')];
    await create();
    expect(useOutbox.getState()).toMatchObject({ reachable: false, serverSays: 'Because.', stuck: [], refused: [] });
    answers = [{ status: 502, body: '<html>' }];
    await flush();
    expect(useOutbox.getState()).toMatchObject({ reachable: false, refused: [] });
    expect(useOutbox.getState().waiting).toHaveLength(1);
  });
});

it('waits with a row that speaks of one still to be made', async () => {
  answers = [problem(500, 'server.failed')];
  await submit({ resource: 'bodies', id: OTHER, verb: 'create', data: demoBodies.ostrel.data });
  answers = [problem(500, 'server.failed'), problem(422, 'reference.missing')];
  await submit({
    resource: 'setups',
    id: ID,
    verb: 'create',
    data: { name: 'S', bodyId: OTHER, modeId: 'whole', chain: [] },
  });
  expect(useOutbox.getState()).toMatchObject({ refused: [], waiting: [{ id: OTHER }, { id: ID }] });
  answers = [
    { status: 201, body: { ...row(1), id: OTHER } },
    { status: 201, body: row(1) },
  ];
  await flush();
  expect(useOutbox.getState().waiting).toEqual([]);
});

describe('a change the server refuses', () => {
  const stale = problem(409, 'version.stale', { stored: row(4, 'Theirs'), yours: {} });

  it('is kept with both copies over a reload, and goes over the stored one when so decided', async () => {
    answers = [stale];
    await replace(1, 'Mine');
    expect((await readEntries()).entries).toMatchObject([{ state: 'refused', problem: { code: 'version.stale' } }]);
    const refused = useOutbox.getState().refused[0]!;
    expect(refused.change).toMatchObject({ data: { name: 'Mine' } });
    answers = [{ status: 200, body: row(5, 'Mine') }];
    await keepMine(refused);
    expect(sent().at(-1)).toMatchObject({ method: 'PUT', body: { version: 4, data: { name: 'Mine' } } });
    expect(useOutbox.getState()).toMatchObject({ waiting: [], refused: [] });
  });

  it('is dropped when so decided', async () => {
    answers = [stale];
    await replace(1, 'Mine');
    await keepStored(useOutbox.getState().refused[0]!);
    expect(useOutbox.getState().refused).toEqual([]);
    expect((await readEntries()).entries).toEqual([]);
  });

  it('makes the row again when what I changed was deleted meanwhile', async () => {
    answers = [problem(404, 'row.notFound')];
    await replace(1, 'Mine');
    answers = [{ status: 201, body: row(2) }];
    await keepMine(useOutbox.getState().refused[0]!);
    expect(sent().at(-1)).toMatchObject({ method: 'POST' });
  });

  it('is none when it deletes what is gone already', async () => {
    answers = [problem(404, 'row.notFound')];
    await submit({ resource: 'subjects', id: ID, verb: 'remove', version: 1 });
    expect(useOutbox.getState()).toMatchObject({ waiting: [], refused: [] });
  });
});

describe('what lies on the device already', () => {
  const change = (key: string, id: string): Change => ({
    key,
    madeAt: '2026-05-01T10:00:00.000Z',
    resource: 'subjects',
    id,
    verb: 'create',
    data: subject,
  });

  it('is taken over from another window, a killed one and an earlier version, in order', async () => {
    await writeEntry({ key: 'b', order: 2, change: change('b', OTHER), failures: 0, state: 'waiting' });
    localStorage.setItem(
      'jauge.change.c',
      JSON.stringify({ key: 'c', order: 3, change: change('c', ID), failures: 0, state: 'waiting' }),
    );
    localStorage.setItem(
      'jauge.outbox',
      JSON.stringify({
        state: { waiting: [change('a', ID)], refused: [{ change: change('r', ID), problem: { code: 'row.exists' } }] },
      }),
    );
    await openOutbox();
    expect(useOutbox.getState().waiting.map((each) => each.key)).toEqual(['a', 'b', 'c']);
    expect(useOutbox.getState().refused.map((each) => each.change.key)).toEqual(['r']);
    expect(Object.keys(localStorage)).toEqual([]);
  });

  it('and cannot be read is kept to be looked at, and stops nothing', async () => {
    await writeEntry({ key: 'odd', value: { hello: 1 } } as never);
    localStorage.setItem('jauge.change.x', '{"half');
    localStorage.setItem('jauge.outbox', JSON.stringify({ state: { waiting: [{ verb: 'fly' }] } }));
    await openOutbox();
    expect(
      useOutbox
        .getState()
        .odd.map((each) => each.key)
        .sort(),
    ).toEqual(['former-0', 'odd', 'x']);
    answers = [{ status: 201, body: row(1) }];
    await create();
    expect(useOutbox.getState().waiting).toEqual([]);
    await discard('odd');
    expect((await readEntries()).odd.map((each) => each.key).sort()).toEqual(['former-0', 'x']);
    // Nor does it where it is not even a list.
    localStorage.setItem('jauge.outbox', JSON.stringify({ state: { waiting: 7 } }));
    answers = [{ status: 201, body: row(1) }];
    await openOutbox();
    expect(useOutbox.getState().odd.map((each) => each.key)).toContain('jauge.outbox');
    expect(Object.keys(localStorage)).toEqual([]);
  });
});

describe('a device without room', () => {
  const full = () => {
    throw new DOMException('full', 'QuotaExceededError');
  };

  it('still sends; until then it says that the change is in this window alone', async () => {
    const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(full);
    const { setItem } = localStorage;
    localStorage.setItem = full;
    answers = ['unreachable'];
    await create();
    expect(useOutbox.getState()).toMatchObject({ waiting: [{ id: ID }], unkept: [expect.any(String)] });
    answers = [{ status: 201, body: row(1) }];
    await flush();
    expect(useOutbox.getState()).toMatchObject({ waiting: [], unkept: [] });
    put.mockRestore();
    localStorage.setItem = setItem;
  });

  it('in one place uses the other', async () => {
    const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(full);
    answers = ['unreachable'];
    await create();
    expect(useOutbox.getState().unkept).toEqual([]);
    put.mockRestore();
    // The next visit finds it.
    letGo(useOutbox.getState().waiting[0]!.key);
    await openOutbox();
    expect(useOutbox.getState().waiting).toMatchObject([{ id: ID }]);
  });

  it('sends what a killed tab left, though it cannot be taken into the database', async () => {
    const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(full);
    answers = ['unreachable'];
    await create();
    letGo(useOutbox.getState().waiting[0]!.key);
    answers = ['unreachable'];
    await openOutbox();
    expect(useOutbox.getState()).toMatchObject({ waiting: [{ id: ID }], unkept: [] });
    expect(Object.keys(localStorage)).toHaveLength(1);
    answers = [{ status: 201, body: row(1) }];
    await flush();
    put.mockRestore();
    const keys = sent().map((request) => request.key);
    expect(keys).toHaveLength(3);
    expect(new Set(keys).size).toBe(1);
    // Neither waits nor is found again.
    expect(useOutbox.getState().waiting).toEqual([]);
    expect(Object.keys(localStorage)).toEqual([]);
  });
});

it('lays waiting changes over the stored rows', () => {
  const change = (part: object): Change =>
    ({ key: 'k', madeAt: 'now', resource: 'subjects', id: ID, ...part }) as Change;
  expect(overlay('subjects', [], [change({ verb: 'create', data: subject })])).toMatchObject([{ id: ID, version: 1 }]);
  expect(
    overlay('subjects', [row(3)], [change({ verb: 'replace', version: 3, data: { ...subject, name: 'New' } })]),
  ).toMatchObject([{ version: 4, data: { name: 'New' } }]);
  expect(overlay('subjects', [row(3)], [change({ verb: 'remove', version: 3 })])).toEqual([]);
  expect(overlay('bodies', [], [change({ verb: 'create', data: subject })])).toEqual([]);
});
