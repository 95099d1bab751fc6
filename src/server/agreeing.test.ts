import 'fake-indexeddb/auto';
import { AsyncLocalStorage } from 'node:async_hooks';
import type http from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Change } from '@/data/outbox';
import type { ResourceName, Stored } from '@/contract/resources';
import { chance } from '@/core/simulate/chance';
import { demoOutputs, demoSubjects } from '@/demo/kit';
import { httpServer } from './httpServer';
import { openTestServer, testId, type TestServer } from './testServer';

/*
 * Two phones and a computer, each with the real store of the device over a database of its own, and the real server over
 * HTTP on a real file. They change the same rows while apart, are cut off and killed at random moments, and agree again.
 */

type Named = { name: string };
const RESOURCES = ['subjects', 'outputs'] as const;
type Used = (typeof RESOURCES)[number];

/** One run of a device's browser. A killed one reaches nothing any more. */
interface Session {
  device: string;
  alive: boolean;
  /** So many more requests go through; then the connection is gone. */
  requestsLeft: number;
  /** The request at which it goes is done by the server, and only its answer lost. */
  losesAnswer: boolean;
}

const sessions = new AsyncLocalStorage<Session>();
/** What the server took, in the order it did, by row: who wrote it and what. */
interface Written {
  device: string;
  row: string;
  version: number;
  /** Nothing: deleted. */
  name: string | null;
}
let written: Written[] = [];
let server: TestServer;
let listening: http.Server;
const realFetch = globalThis.fetch;
const realSetTimeout = globalThis.setTimeout;

beforeAll(async () => {
  server = await openTestServer();
  listening = httpServer(server.app);
  await new Promise<void>((resolve) => listening.listen(0, '127.0.0.1', resolve));
  const { port } = listening.address() as AddressInfo;
  // A device tries again when this test brings it home, not after a pause.
  globalThis.setTimeout = ((...args: Parameters<typeof setTimeout>) =>
    sessions.getStore() ? 0 : realSetTimeout(...args)) as typeof setTimeout;
  globalThis.fetch = async (target, init) => {
    const session = sessions.getStore();
    if (!session?.alive || session.requestsLeft <= 0) throw new TypeError('away');
    session.requestsLeft -= 1;
    const cut = session.requestsLeft === 0;
    if (cut && !session.losesAnswer) throw new TypeError('cut off');
    const answer = await realFetch(`http://127.0.0.1:${port}${String(target)}`, init);
    await note(session.device, String(target), init, answer.clone());
    if (cut || !session.alive) throw new TypeError('cut off');
    return answer;
  };
});
afterAll(async () => {
  globalThis.fetch = realFetch;
  globalThis.setTimeout = realSetTimeout;
  listening.closeAllConnections();
  await new Promise((resolve) => listening.close(resolve));
  await server.close();
});

/** Notes what the server took. The same change sent again is answered as the first time and noted once. */
async function note(device: string, target: string, init: RequestInit | undefined, answer: Response): Promise<void> {
  const method = init?.method ?? 'GET';
  if (method === 'GET' || !answer.ok) return;
  const [, , , resource, id = ''] = new URL(target, 'http://x').pathname.split('/');
  if (method === 'DELETE') {
    const version = Number(new URL(target, 'http://x').searchParams.get('version')) + 0.5;
    return take({ device, row: `${resource}/${id}`, version, name: null });
  }
  const row = (await answer.json()) as Stored<Named>;
  take({ device, row: `${resource}/${row.id}`, version: row.version, name: row.data.name });
}

function take(each: Written): void {
  if (!written.some((other) => other.row === each.row && other.version === each.version)) written.push(each);
}

/** The parts of a device's program, loaded anew as a browser does that was closed. */
interface Program {
  outbox: typeof import('@/data/outbox');
  mirror: typeof import('@/data/mirror');
}

function load(device: string): Program {
  let program!: Program;
  jest.isolateModules(() => {
    jest.doMock('idb', () => {
      const idb = jest.requireActual<typeof import('idb')>('idb');
      return { ...idb, openDB: (name: string, ...rest: [never, never]) => idb.openDB(`${device}.${name}`, ...rest) };
    });
    // One window a device: what windows tell each other would reach the other devices of this process.
    jest.doMock('@/data/outbox/tabs', () => ({
      ...jest.requireActual<object>('@/data/outbox/tabs'),
      tell: () => undefined,
      listen: () => undefined,
    }));
    program = {
      outbox: jest.requireActual('@/data/outbox'),
      mirror: jest.requireActual('@/data/mirror'),
    };
  });
  return program;
}

/** A person with a device. */
class Device {
  private program: Program;
  private session: Session;
  private made = 0;
  /** What this person has had before their eyes, by row: names, or nothing for a deleted one. */
  readonly seen = new Map<string, Set<string | null>>();
  /** What this person did last to each row of this device, in order. */
  readonly did: { row: string; name: string | null }[] = [];
  /** Conflicts shown: one's own against the version stored. */
  readonly shown: string[] = [];
  /** What the person gave up for the stored copy. */
  readonly givenUp = new Set<string>();

  constructor(
    readonly name: string,
    private readonly luck: () => number,
  ) {
    this.session = this.begin(0);
    this.program = load(name);
  }

  private begin(requestsLeft: number): Session {
    return { device: this.name, alive: true, requestsLeft, losesAnswer: this.luck() < 0.5 };
  }

  private run<T>(work: () => Promise<T>): Promise<T> {
    return sessions.run(this.session, work);
  }

  private pick<T>(all: readonly T[]): T {
    return all[Math.floor(this.luck() * all.length)]!;
  }

  private see(row: string, name: string | null): void {
    this.seen.set(row, (this.seen.get(row) ?? new Set()).add(name));
  }

  /** The rows as the screen shows them. */
  async rows(resource: Used): Promise<Stored<Named>[]> {
    const { mirror, outbox } = this.program;
    const there: Stored<Named>[] = await mirror.mirroredRows(resource);
    for (const { id, data } of there) this.see(`${resource}/${id}`, data.name);
    return outbox.overlay(resource, there as never, outbox.useOutbox.getState().waiting) as Stored<Named>[];
  }

  /** One thing a person does. */
  async change(): Promise<void> {
    const resource = this.pick(RESOURCES);
    const rows = await this.run(() => this.rows(resource));
    const open = this.program.outbox.useOutbox.getState().refused;
    // A row whose conflict is not decided yet is left alone by most.
    const row = rows.length ? this.pick(rows) : undefined;
    const asks = row && open.some(({ change }) => change.id === row.id);
    const what = this.luck();
    const name = `${this.name} ${++this.made}`;
    if (!row || asks || what < 0.07) return this.make(resource, newRow(), name);
    if (what < 0.15) return this.remove(resource, row);
    if (what < 0.2) {
      // Deleted and brought back, as “Undo” does.
      await this.remove(resource, row);
      return this.make(resource, row.id, name);
    }
    this.did.push({ row: `${resource}/${row.id}`, name });
    const change = { resource, id: row.id, verb: 'replace', version: row.version, data: { ...row.data, name } };
    await this.run(() => this.program.outbox.submit(change as never));
  }

  private async make(resource: Used, id: string, name: string): Promise<void> {
    this.did.push({ row: `${resource}/${id}`, name });
    await this.run(() =>
      this.program.outbox.submit({ resource, id, verb: 'create', data: { ...PATTERN[resource], name } } as never),
    );
  }

  private async remove(resource: Used, row: Stored<Named>): Promise<void> {
    this.did.push({ row: `${resource}/${row.id}`, name: null });
    this.see(`${resource}/${row.id}`, null);
    await this.run(() =>
      this.program.outbox.submit({ resource, id: row.id, verb: 'remove', version: row.version } as never),
    );
  }

  /** The browser is closed, in the middle of whatever it does, and opened again. */
  async restart(requestsLeft: number): Promise<void> {
    this.session.alive = false;
    this.session = this.begin(requestsLeft);
    this.program = load(this.name);
    await this.run(() => this.program.outbox.openOutbox());
  }

  /** Comes home for some requests. */
  async comeHome(requests: number): Promise<void> {
    if (this.luck() < 0.3) await this.restart(requests);
    else {
      this.session = this.begin(requests);
      await this.run(() => this.program.outbox.agree());
    }
    await this.look();
  }

  /** Looks at what was refused, and notes it. */
  async look(): Promise<void> {
    const { refused } = this.program.outbox.useOutbox.getState();
    const rows = refused.map(({ change }) => `${change.resource}/${change.id}`);
    // One question a row.
    expect(new Set(rows).size).toBe(rows.length);
    for (const { change, problem } of refused) {
      expect(['version.stale', 'row.exists', 'row.notFound']).toContain(problem.code);
      const stored = problem.stored as Stored<Named> | undefined;
      const row = `${change.resource}/${change.id}`;
      this.see(row, stored?.data.name ?? null);
      const asked = `${row}: ${mineOf(change)} against ${stored?.version ?? 'none'}`;
      if (!this.shown.includes(asked)) this.shown.push(asked);
      // The same on both sides is nothing to ask about.
      expect(mineOf(change)).not.toBe(stored?.data.name ?? null);
    }
    for (const resource of RESOURCES) await this.run(() => this.rows(resource));
  }

  /** Decides what was refused: one by one, or all the same. */
  async decide(): Promise<void> {
    await this.look();
    const { refused } = this.program.outbox.useOutbox.getState();
    const mine = this.luck() < 0.5;
    const same = this.luck() < 0.5;
    for (const each of refused) {
      const { keepMine, keepStored } = this.program.outbox;
      const takesMine = same ? mine : this.luck() < 0.5;
      if (!takesMine) this.givenUp.add(`${each.change.resource}/${each.change.id}: ${mineOf(each.change)}`);
      await this.run(() => (takesMine ? keepMine(each) : keepStored(each)));
    }
  }

  get isDone(): boolean {
    const { waiting, refused, stuck, odd } = this.program.outbox.useOutbox.getState();
    expect(stuck).toEqual([]);
    expect(odd).toEqual([]);
    return waiting.length === 0 && refused.length === 0;
  }
}

const mineOf = (change: Change): string | null => (change.verb === 'remove' ? null : (change.data as Named).name);

const PATTERN: Record<Used, object> = {
  subjects: demoSubjects.curlew.data,
  outputs: Object.values(demoOutputs)[0]!.data,
};
let rowsMade = 0;
const newRow = (): string => testId(1000 + ++rowsMade);

async function storedRows(resource: ResourceName): Promise<Stored<unknown>[]> {
  return (await server.store.list(resource, 1000, 0)).items.sort((a, b) => a.id.localeCompare(b.id));
}

const CHANGES = Number(process.env.JAUGE_AGREEING ?? 1000);
const SEED = Number(process.env.JAUGE_SEED ?? Date.now() % 1e9);

it(`two phones and a computer, each away for days, come to the same and lose nothing (JAUGE_SEED=${SEED})`, async () => {
  const luck = chance(SEED).even;
  const devices = ['Near phone', 'Far phone', 'Computer'].map((name) => new Device(name, luck));
  const someone = () => devices[Math.floor(luck() * devices.length)]!;
  for (let i = 0; i < CHANGES; i++) {
    await someone().change();
    // Now and then one is at home for a while, and now and then a person decides what is asked.
    if (luck() < 0.06) await someone().comeHome(1 + Math.floor(luck() * 60));
    if (luck() < 0.03) await someone().decide();
    if (luck() < 0.02) await someone().restart(0);
  }
  for (let round = 0; round < 30; round++) {
    for (const device of devices) await device.comeHome(100_000);
    for (const device of devices) await device.decide();
    if (devices.every((device) => device.isDone) && round > 1) break;
  }
  for (const device of devices) await device.comeHome(100_000);

  // All are equal, and everything has gone.
  for (const resource of RESOURCES) {
    const stored = await storedRows(resource);
    for (const device of devices) {
      expect(device.isDone).toBe(true);
      const here = (await device.rows(resource)).sort((a, b) => a.id.localeCompare(b.id));
      expect(here).toEqual(stored);
    }
  }
  // Nothing was lost: whatever a person did is at the server, or was followed by that person's own next change of the row,
  // or given up by that person with both copies before their eyes.
  for (const device of devices) {
    device.did.forEach(({ row, name }, i) => {
      const taken = written.some((each) => each.row === row && each.device === device.name && each.name === name);
      const followed = device.did.slice(i + 1).some((later) => later.row === row);
      const given = device.givenUp.has(`${row}: ${name}`);
      const asAsked = name === null && written.some((each) => each.row === row && each.name === null);
      expect({ row, name, kept: taken || followed || given || asAsked }).toEqual({ row, name, kept: true });
    });
  }
  // Nobody wrote over what they had not seen.
  const last = new Map<string, Written>();
  for (const each of [...written].sort((a, b) => a.version - b.version)) {
    const before = last.get(each.row);
    last.set(each.row, each);
    if (!before || before.device === each.device) continue;
    const device = devices.find(({ name }) => name === each.device)!;
    expect({
      row: each.row,
      over: before.name,
      by: each.name,
      seen: device.seen.get(each.row)?.has(before.name),
    }).toEqual({ row: each.row, over: before.name, by: each.name, seen: true });
  }
  // There was something to decide, and everybody took part.
  expect(devices.every((device) => device.did.length > CHANGES / 5)).toBe(true);
  expect(devices.reduce((sum, device) => sum + device.shown.length, 0)).toBeGreaterThan(CHANGES / 100);
}, 900_000);
