import fs from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import type { AddressInfo } from 'node:net';
import { PassThrough } from 'node:stream';
import { setTimeout as pause } from 'node:timers/promises';
import request from 'supertest';
import { demoReadings } from '@/demo/readings';
import { demoBodies, demoSetups } from '@/demo/kit';
import type { Soundness } from '@/contract/soundness';
import { backupDue, listBackups, makeBackup, surplus } from './database/backups';
import { checkContents } from './database/contentCheck';
import { openDatabase } from './database/openDatabase';
import { openRaw } from './database/raw';
import { restoreFile, restoreRows } from './database/restore';
import { loadDemo } from './loadDemo';
import { createStore } from './store';
import { openTestServer, testId, type TestServer } from './testServer';
import { exportData } from './transfer/exportData';
import { finishImport } from './transfer/importData';
import { openStaging, stagingFile } from './transfer/staging';

const body = demoBodies.ostrel.data;
const reading = demoReadings()[0]!.data;

let server: TestServer;
beforeEach(async () => {
  server = await openTestServer();
});
afterEach(() => server.close());
const api = () => request(server.app);
const folderOf = () => path.dirname(server.file);
const readings = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: testId(i + 1), data: { ...reading, note: `n ${i}` } }));
const bring = (rows: object, query = '') =>
  api().post(`/api/v1/import${query}`).send({ format: 'jauge', formatVersion: 1, rows });

describe('an export', () => {
  beforeEach(() => bring({ readings: readings(400) }).expect(200));

  it('whose reader leaves in the middle lets go of its snapshot and of its place', async () => {
    const listening = http.createServer(server.app).listen(0, '127.0.0.1');
    await new Promise((resolve) => listening.once('listening', resolve));
    const { port } = listening.address() as AddressInfo;
    for (let i = 0; i < 5; i++)
      await new Promise<void>((resolve) => {
        const asked = http.get({ port, host: '127.0.0.1', path: '/api/v1/export' }, (answer) => {
          answer.once('data', () => answer.destroy());
          answer.on('error', () => undefined);
        });
        asked.on('error', () => undefined);
        asked.on('close', () => resolve());
      });
    await pause(100);
    const whole = await new Promise<string>((resolve, reject) => {
      let text = '';
      http.get({ port, host: '127.0.0.1', path: '/api/v1/export' }, (answer) => {
        answer.on('data', (chunk: Buffer) => (text += chunk.toString()));
        answer.on('end', () => resolve(text));
        answer.on('error', reject);
      });
    });
    expect((JSON.parse(whole) as { rows: { readings: unknown[] } }).rows.readings).toHaveLength(400);
    // No snapshot is left that would keep the log from being folded in.
    await server.database.writer.query('PRAGMA wal_checkpoint(TRUNCATE)');
    expect(fs.statSync(`${server.file}-wal`).size).toBe(0);
    listening.close();
  });

  it('whose reader takes nothing ends after a while, as does one that takes too long', async () => {
    for (const limits of [
      { wholeMs: 60_000, idleMs: 200 },
      { wholeMs: 200, idleMs: 60_000 },
    ]) {
      const stuck = new PassThrough({ highWaterMark: 1024 });
      await expect(exportData(server.file, stuck, () => new Date(), limits)).rejects.toThrow(/abort/i);
    }
    const [busy] = await server.database.writer.query('PRAGMA wal_checkpoint(TRUNCATE)');
    expect(busy).toMatchObject([{ busy: 0 }]);
  });
});

describe('jobs on all of the data', () => {
  it('exclude each other, and say what is running', async () => {
    let done = () => {};
    const running = server.database.jobs.run('import', async (count) => {
      count(1200);
      await new Promise<void>((resolve) => (done = resolve));
    });
    const name = await makeBackup(server.file, 'by-hand');
    for (const asked of [
      api().post('/api/v1/backups'),
      api().post(`/api/v1/backups/${name}/restore`),
      api().post('/api/v1/demo'),
      api().delete('/api/v1/demo'),
      bring({ bodies: [] }, '?existing=only'),
    ]) {
      const answer = await asked;
      expect(answer.status).toBe(409);
      expect(answer.body).toMatchObject({ code: 'job.running', running: { job: 'import', rows: 1200 } });
      expect(answer.body.detail).toContain('1200 rows');
    }
    done();
    await running;
    await api().post('/api/v1/backups').expect(201);
  });

  it('wait for what nobody asked for', async () => {
    let done = () => {};
    const daily = server.database.jobs.runUnasked('backup', () => new Promise<void>((resolve) => (done = resolve)));
    const asked = bring({ readings: readings(2) });
    const answer = asked.then((response) => response);
    await pause(50);
    done();
    await daily;
    expect((await answer).status).toBe(200);
  });

  it('tell their refusal to a sender that is still sending', async () => {
    let done = () => {};
    const running = server.database.jobs.run('backup', () => new Promise<void>((resolve) => (done = resolve)));
    const listening = http.createServer(server.app).listen(0, '127.0.0.1');
    await new Promise((resolve) => listening.once('listening', resolve));
    const { port } = listening.address() as AddressInfo;
    const answer = await new Promise<{ status?: number; text: string }>((resolve, reject) => {
      const headers = { 'content-type': 'application/json' };
      const sending = http.request(
        { port, host: '127.0.0.1', path: '/api/v1/import', method: 'POST', headers },
        (got) => {
          let text = '';
          got.on('data', (chunk: Buffer) => (text += chunk.toString()));
          got.on('end', () => resolve({ status: got.statusCode, text }));
        },
      );
      sending.on('error', reject);
      void (async () => {
        for (let i = 0; i < 40; i++) {
          sending.write(Buffer.alloc(200_000, ' '));
          await pause(2);
        }
        sending.end();
      })();
    });
    expect(answer.status).toBe(409);
    expect(answer.text).toContain('job.running');
    done();
    await running;
    listening.close();
  });

  it('leave all rows of an import when a restore was asked for meanwhile', async () => {
    await bring({ readings: readings(3) }).expect(200);
    const name = await makeBackup(server.file, 'by-hand');
    const [imported, restored] = await Promise.all([
      bring({ readings: readings(600) }),
      pause(30).then(() => api().post(`/api/v1/backups/${name}/restore`)),
    ]);
    expect([imported.status, restored.status].sort()).toEqual([200, 409]);
    expect((await server.store.list('readings', 1, 0)).total).toBe(imported.status === 200 ? 600 : 3);
  });

  it('refuse what is no database with its own message, and the second of two restores', async () => {
    const name = await makeBackup(server.file, 'by-hand');
    const [one, two] = await Promise.all([1, 2].map(() => api().post(`/api/v1/backups/${name}/restore`)));
    expect([one!.status, two!.status].sort()).toEqual([200, 409]);
    fs.writeFileSync(path.join(folderOf(), 'backups', name), 'not a database at all, but long enough to be one');
    const bad = await api().post(`/api/v1/backups/${name}/restore`);
    expect(bad.body).toMatchObject({ code: 'backup.damaged', status: 422 });
  });
});

describe('a draft of an import', () => {
  const draft = async (count: number, name?: string) => {
    const staging = await openStaging(server.file);
    for (const row of readings(count)) {
      staging.add('readings', row);
      await staging.flush();
    }
    await staging.decide('keep', [], name ?? (await server.database.fileName()));
  };
  const asides = () => fs.readdirSync(folderOf()).filter((name) => name.includes('.import.aside-'));
  const total = async () => (await server.store.list('readings', 1, 0)).total;

  it('of another file, cut, or changed is set aside and reported; none keeps the server from starting', async () => {
    await draft(50, 'another file');
    expect(await finishImport(server.database)).toMatch(/belongs to another data file.*set aside/s);
    await draft(900);
    const half = fs.readFileSync(stagingFile(server.file));
    fs.writeFileSync(stagingFile(server.file), half.subarray(0, half.length / 2));
    expect(await finishImport(server.database)).toMatch(/set aside/);
    await draft(50);
    const raw = await openRaw(stagingFile(server.file), 'write');
    await raw.run('DELETE FROM rows WHERE n = 7');
    await raw.close();
    expect(await finishImport(server.database)).toMatch(/49 of 50 rows/);
    await draft(50);
    const other = await openRaw(stagingFile(server.file), 'write');
    await other.run(`UPDATE rows SET data = replace(data, 'n 7', 'n 8')`);
    await other.close();
    expect(await finishImport(server.database)).toMatch(/not those that were checked/);
    expect(await total()).toBe(0);
    expect(asides().length).toBeGreaterThan(0);
  });

  it('is set aside by a restore, from the command line and while running', async () => {
    await draft(50);
    const name = await makeBackup(server.file, 'by-hand');
    await restoreRows(server.database, name);
    expect(fs.existsSync(stagingFile(server.file))).toBe(false);
    await draft(50);
    await server.database.close();
    await restoreFile(server.file, name);
    server.database = await openDatabase(server.file);
    server.store = createStore(server.database);
    expect(await finishImport(server.database)).toBeNull();
    expect(await total()).toBe(0);
    expect(asides().length).toBe(2);
  });
});

describe('damaged contents', () => {
  const damage = (sql: string) => server.database.writer.query(sql);
  const known = async () => (await api().post('/api/v1/soundness').expect(200)).body as Soundness;

  it('are found in any field of a row, and put back from the newest backup that has it intact', async () => {
    await loadDemo(server.store);
    expect(await known()).toMatchObject({ damaged: [], structure: [] });
    await makeBackup(server.file, 'daily');
    const id = demoSetups.hide.id;
    for (const sql of [
      `UPDATE setups SET data = replace(data, 'Marsh', 'Marsi') WHERE id = '${id}'`,
      `UPDATE setups SET version = version + 64 WHERE id = '${id}'`,
      `UPDATE setups SET updated_at = replace(updated_at, '0', '2') WHERE id = '${id}'`,
      `UPDATE setups SET data = 'x' || data WHERE id = '${id}'`,
      `DELETE FROM setup_parts WHERE setup_id = '${id}'`,
    ]) {
      const before = await server.store.get('setups', id);
      await damage(sql);
      const { damaged } = await known();
      expect(damaged).toMatchObject([
        { resource: 'setups', id, name: 'Marsh hide', noun: expect.any(String) as string },
      ]);
      expect(damaged[0]!.intact!.data).toEqual(demoSetups.hide.data);
      const after = (await api().post(`/api/v1/soundness/setups/${id}`).expect(200)).body as Soundness;
      expect(after.damaged).toEqual([]);
      expect((await known()).damaged).toEqual([]);
      const row = await server.store.get('setups', id);
      expect(row.data).toEqual(demoSetups.hide.data);
      expect(row.version).toBeGreaterThan(before.version);
    }
  }, 60_000);

  it('are found in the columns that repeat a row', async () => {
    await bring({ readings: readings(3) }).expect(200);
    await damage(`UPDATE readings SET subject = 'curlev' WHERE id = '${testId(2)}'`);
    expect((await known()).damaged).toMatchObject([
      { id: testId(2), how: expect.stringContaining('subject') as string },
    ]);
  });

  it('push no older backup out, and a backup is looked through before it gets its name', async () => {
    await loadDemo(server.store);
    for (let day = 1; day <= 7; day++) await makeBackup(server.file, 'daily', new Date(Date.UTC(2026, 0, day)));
    await damage(`UPDATE bodies SET data = replace(data, 'Ostrel', 'Ostrem')`);
    await makeBackup(server.file, 'daily', new Date(Date.UTC(2026, 0, 8)), (faults) =>
      expect(faults.damaged.length).toBeGreaterThan(0),
    );
    expect(listBackups(server.file)).toHaveLength(8);
  });

  it('are not copied unseen: every bit flipped in the rows of a file is noticed', async () => {
    await loadDemo(server.store);
    await server.database.writer.query('PRAGMA wal_checkpoint(TRUNCATE)');
    const sound = fs.readFileSync(server.file);
    const file = path.join(folderOf(), 'flipped.sqlite');
    // Places within the text of rows, spread over the file.
    const places: number[] = [];
    for (let at = sound.indexOf('"name":"'); at >= 0; at = sound.indexOf('"name":"', at + 4000)) places.push(at + 9);
    expect(places.length).toBeGreaterThan(10);
    for (const at of places.slice(0, 25)) {
      const bytes = Buffer.from(sound);
      bytes[at] = bytes[at]! ^ 2;
      fs.writeFileSync(file, bytes);
      const faults = await checkContents(file).catch((error: Error) => ({ damaged: [], structure: [error.message] }));
      const seen = faults.damaged.length + faults.structure.length > 0;
      // A page that is free, or holds the answers kept for repeated changes, is no row.
      if (!seen) expect(await rowsOf(file)).toEqual(await rowsOf(server.file));
    }
  }, 60_000);
});

/** All rows of a file, as text. */
async function rowsOf(file: string): Promise<unknown> {
  const raw = await openRaw(file);
  try {
    return [
      await raw.all('SELECT * FROM bodies'),
      await raw.all('SELECT * FROM readings'),
      await raw.all('SELECT * FROM setups'),
    ];
  } finally {
    await raw.close();
  }
}

describe('the data file', () => {
  const create = (n: number) =>
    api()
      .post('/api/v1/bodies')
      .send({ id: testId(n), data: body });

  it.each([
    ['moved', (file: string) => fs.renameSync(file, `${file}.elsewhere`)],
    ['deleted', (file: string) => fs.rmSync(file)],
    [
      'replaced',
      (file: string) => {
        fs.copyFileSync(file, `${file}.copy`);
        fs.renameSync(`${file}.copy`, file);
      },
    ],
    ['written over', (file: string) => fs.writeFileSync(file, fs.readFileSync(`${file}.earlier`))],
  ] as const)('that is %s takes no change any more, and says so', async (_how, change) => {
    await create(1).expect(201);
    fs.copyFileSync(server.file, `${server.file}.earlier`);
    // As an earlier start left it.
    const handle = fs.openSync(`${server.file}.earlier`, 'r+');
    fs.writeSync(handle, Buffer.from([0, 0, 0, 7]), 0, 4, 60);
    fs.closeSync(handle);
    change(server.file);
    for (let i = 0; i < 2; i++) {
      const refused = await create(2);
      expect(refused.status).toBe(503);
      expect(refused.body.code).toBe('storage.replaced');
    }
  });

  it('leaves what was stored beside it when it was moved', async () => {
    await create(1).expect(201);
    fs.rmSync(server.file);
    await create(2).expect(503);
    const saved = await openDatabase(`${server.file}.rescued`);
    expect((await createStore(saved).list('bodies', 1, 0)).total).toBe(1);
    await saved.close();
  });

  it('that is gone at the start is not made anew unasked', async () => {
    await server.database.close();
    fs.rmSync(server.file);
    await expect(openDatabase(server.file)).rejects.toMatchObject({ code: 'storage.missing' });
    server.database = await openDatabase(server.file, undefined, { mayBeNew: true });
  });

  it('is one file under two names', async () => {
    const link = path.join(folderOf(), 'link.sqlite');
    fs.symlinkSync(server.file, link);
    await expect(openDatabase(link)).rejects.toMatchObject({ code: 'storage.inUse' });
  });
});

describe('backups', () => {
  const at = (iso: string) => new Date(iso);
  it('go on when a clock was ahead once, and sorts do not push each other out', async () => {
    await makeBackup(server.file, 'daily', at('2027-12-01T00:00:00Z'));
    expect(backupDue(server.file, at('2026-11-01T00:00:00Z'))).toBe(true);
    await makeBackup(server.file, 'daily', at('2026-11-01T00:00:00Z'));
    expect(backupDue(server.file, at('2026-11-01T20:00:00Z'))).toBe(false);
    expect(backupDue(server.file, at('2026-11-02T00:00:00Z'))).toBe(true);
    const made = (madeAt: string, why: 'daily' | 'by-hand' | 'before-import') => ({
      name: madeAt + why,
      madeAt,
      why,
      bytes: 1,
    });
    const many = Array.from({ length: 20 }, (_, i) =>
      made(new Date(Date.UTC(2026, 5, 1) + i * 3600_000).toISOString(), 'by-hand'),
    );
    const gone = surplus([...many, made('2026-01-01T00:00:00.000Z', 'before-import')], at('2026-07-01T00:00:00Z'));
    expect(gone.map((each) => each.why)).toEqual(Array(13).fill('by-hand'));
    const ahead = [
      made('2030-01-01T00:00:00.000Z', 'daily'),
      ...many
        .slice(0, 7)
        .map((each, i) => ({ ...each, why: 'daily' as const, madeAt: `2026-06-0${i + 1}T00:00:00.000Z` })),
    ];
    expect(surplus(ahead, at('2026-07-01T00:00:00Z')).map((each) => each.madeAt)).toEqual(['2030-01-01T00:00:00.000Z']);
  });
});

describe('requests', () => {
  it('with a NUL, or nested very deep, are refused', async () => {
    for (const target of ['/api/v1/bodies/%00', '/api/v1/readings?search=%00', '/%00'])
      expect((await api().get(target)).status).toBe(400);
    const deep = `{"id":"${testId(1)}","data":${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}}`;
    const refused = await api()
      .post('/api/v1/bodies')
      .set('content-type', 'application/json')
      .set('idempotency-key', '12345678')
      .send(deep);
    expect(refused.body).toMatchObject({ status: 400, code: 'json.tooDeep' });
    const inFile = `{"format":"jauge","formatVersion":1,"rows":{"bodies":[{"id":"${testId(1)}","data":${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}}]}}`;
    const imported = await api().post('/api/v1/import').set('content-type', 'application/json').send(inFile);
    expect(imported.status).toBe(422);
  });

  it('for readings find any part of words, in every order, page after page', async () => {
    const rows = readings(60).map((row, i) => ({
      ...row,
      data: {
        ...row.data,
        note: i % 3 === 0 ? `Grünschenkel ${i}` : `100%_x ${i}`,
        takenAt: new Date(Date.UTC(2026, 0, 1) + (i % 20) * 3600_000).toISOString(),
      },
    }));
    await bring({ readings: rows }).expect(200);
    interface Found {
      items: { id: string; data: { note: string } }[];
      total: number;
      next?: string;
    }
    const ask = async (query: string) => (await api().get(`/api/v1/readings?${query}`).expect(200)).body as Found;
    expect((await ask('search=schenk')).total).toBe(20);
    expect((await ask('search=GRÜN%20enkel')).total).toBe(20);
    expect((await ask('search=%25_')).total).toBe(40);
    expect((await ask('search=ünsch')).total).toBe(20);
    expect((await ask('search=xyzabc')).total).toBe(0);
    for (const sort of ['newest', 'oldest', 'subject', 'most']) {
      const whole = (await ask(`sort=${sort}&limit=60`)).items.map((row) => row.id);
      const paged: string[] = [];
      for (let next: string | undefined = ''; next !== undefined;) {
        const page: Found = await ask(`sort=${sort}&limit=7${next ? `&after=${next}` : ''}`);
        paged.push(...page.items.map((row) => row.id));
        next = page.next;
      }
      expect(paged).toEqual(whole);
    }
    // What is changed or deleted is found as it is now.
    await api()
      .delete(`/api/v1/readings/${testId(1)}?version=1`)
      .expect(204);
    expect((await ask('search=schenk')).total).toBe(19);
    expect((await api().get('/api/v1/readings?after=nonsense')).status).toBe(400);
  });
});

it('the log is folded in at the latest after half a minute, however often something changes', async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'performance', 'queueMicrotask'] });
  try {
    const folded = jest.spyOn(server.database.writer, 'query');
    const folds = () => folded.mock.calls.filter(([sql]) => String(sql).includes('wal_checkpoint')).length;
    for (let i = 0; i < 30; i++) {
      await server.database.queue(() => Promise.resolve());
      jest.advanceTimersByTime(1500);
    }
    for (let i = 0; i < 50; i++) await new Promise((resolve) => setImmediate(resolve));
    expect(folds()).toBeGreaterThan(0);
  } finally {
    jest.useRealTimers();
  }
});
