import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { demoSubjects } from '@/demo/kit';
import { MIGRATIONS } from '../migrations';
import { createStore } from '../store';
import { testId } from '../testServer';
import { listBackups } from './backups';
import { openDatabase } from './openDatabase';
import { openRaw } from './raw';
import { StorageFault, storageFaultOf } from './storageFault';

let folder: string;
let file: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-open-'));
  file = path.join(folder, 'own.sqlite');
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

const subject = demoSubjects.curlew.data;
const faultOf = async (): Promise<StorageFault> => {
  try {
    await (await openDatabase(file)).close();
  } catch (error) {
    if (error instanceof StorageFault) return error;
    throw error;
  }
  throw new Error('it opened');
};
const make = async (rows = 1) => {
  const database = await openDatabase(file);
  for (let i = 0; i < rows; i++) await createStore(database).create('subjects', testId(i + 1), subject);
  await database.close();
};

it('makes a new file whole or not at all: a seed that fails leaves none, and the next start makes it', async () => {
  await expect(openDatabase(file, () => Promise.reject(new Error('killed')))).rejects.toThrow('killed');
  expect(fs.existsSync(file)).toBe(false);
  const database = await openDatabase(
    file,
    async (fresh) => void (await createStore(fresh).create('subjects', testId(1), subject)),
  );
  expect((await createStore(database).list('subjects', 10, 0)).total).toBe(1);
  expect((fs.statSync(file).mode & 0o777).toString(8)).toBe('600');
  await database.close();
  expect(fs.readdirSync(folder).filter((name) => name.startsWith('own.sqlite.new'))).toEqual([]);
});

it('fills only a file that is new', async () => {
  await make();
  const seed = jest.fn();
  await (await openDatabase(file, seed)).close();
  expect(seed).not.toHaveBeenCalled();
});

it('folds the log in when it is closed, so that a copied file is whole', async () => {
  await make();
  const copy = path.join(folder, 'copy.sqlite');
  fs.copyFileSync(file, copy);
  const raw = await openRaw(copy);
  expect(await raw.all('SELECT id FROM subjects')).toEqual([{ id: testId(1) }]);
  await raw.close();
});

it('lets one server at a time have a file, and says where the other is', async () => {
  const first = await openDatabase(file);
  expect(await faultOf()).toMatchObject({
    code: 'storage.inUse',
    message: expect.stringContaining('only just been started') as string,
  });
  first.lock.tell('http://127.0.0.1:4100');
  expect((await faultOf()).message).toBe(`Jauge runs already with ${file}: open http://127.0.0.1:4100.`);
  await first.close();
  await make(0);
});

describe('before anything is written', () => {
  const unchanged = async (code: string) => {
    const before = fs.readFileSync(file);
    const fault = await faultOf();
    expect(fault).toMatchObject({ code, message: expect.stringContaining(file) as string });
    expect(fs.readFileSync(file).equals(before)).toBe(true);
    return fault;
  };

  it('an emptied file is noticed', async () => {
    await make();
    fs.truncateSync(file, 0);
    expect((await unchanged('storage.damaged')).message).toMatch(/it is empty.*npm run restore/);
  });

  it('a file of something else is noticed', async () => {
    fs.writeFileSync(file, 'These are notes.');
    await unchanged('storage.damaged');
  });

  it('a database of another program is noticed', async () => {
    const raw = await openRaw(file, 'write');
    await raw.run('CREATE TABLE birds (name TEXT)');
    await raw.close();
    expect((await unchanged('storage.notADatabase')).message).toContain('birds');
  });

  it('a file cut short is noticed', async () => {
    await make(40);
    fs.truncateSync(file, Math.floor(fs.statSync(file).size / 2 / 4096) * 4096);
    await unchanged('storage.damaged');
  });

  it('damaged pages are noticed', async () => {
    await make(40);
    const handle = fs.openSync(file, 'r+');
    for (let at = 4096; at < fs.statSync(file).size; at += 4096)
      fs.writeSync(handle, Buffer.alloc(64, 0xa5), 0, 64, at);
    fs.closeSync(handle);
    await unchanged('storage.damaged');
  });

  it('a file that is gone while its log is there is noticed', async () => {
    fs.writeFileSync(`${file}-wal`, 'log');
    expect(await faultOf()).toMatchObject({ code: 'storage.damaged' });
    expect(fs.existsSync(file)).toBe(false);
  });

  it('a newer form is refused by name', async () => {
    await make();
    const raw = await openRaw(file, 'write');
    await raw.run(`INSERT INTO SequelizeMeta VALUES ('0099-tomorrow')`);
    await raw.close();
    expect((await unchanged('storage.newer')).message).toContain('“0099-tomorrow”');
  });
});

describe('a migration', () => {
  const back = async (steps = 1) => {
    const database = await openDatabase(file);
    for (const step of MIGRATIONS.slice(-steps).reverse()) {
      await step.down(database.writer.getQueryInterface());
      await database.writer.query(`DELETE FROM SequelizeMeta WHERE name = '${step.name}'`);
    }
    await database.close();
  };

  it('comes after a backup', async () => {
    await make();
    await back();
    await make(0);
    expect(listBackups(file)).toMatchObject([{ why: 'before-migration' }]);
  });

  it('that fails in the middle leaves the file as it was before the step', async () => {
    await make();
    const steps = MIGRATIONS as (typeof MIGRATIONS)[number][];
    // The one that makes a table, so that what is left of it can be seen.
    const at = steps.findIndex(({ name }) => name === '0013-search');
    const step = steps[at]!;
    await back(steps.length - at);
    steps[at] = {
      ...step,
      up: async (queryInterface) => {
        await step.up(queryInterface);
        throw new Error('killed');
      },
    };
    await expect(openDatabase(file)).rejects.toThrow('killed');
    steps[at] = step;
    const raw = await openRaw(file);
    expect(await raw.all<{ name: string }>(`SELECT name FROM sqlite_master WHERE name = 'readings_found'`)).toEqual([]);
    await raw.close();
    const database = await openDatabase(file);
    expect((await createStore(database).list('subjects', 10, 0)).total).toBe(1);
    await database.close();
  });
});

it.each([
  ['SQLITE_FULL', 'storage.full', 507],
  ['ENOSPC', 'storage.full', 507],
  ['SQLITE_READONLY', 'storage.readOnly', 503],
  ['EACCES', 'storage.readOnly', 503],
  ['SQLITE_BUSY', 'storage.locked', 503],
  ['SQLITE_CORRUPT', 'storage.damaged', 503],
  ['SQLITE_NOTADB', 'storage.damaged', 503],
  ['SQLITE_IOERR', 'storage.unreachable', 503],
  ['SQLITE_CANTOPEN', 'storage.unreachable', 503],
])('has a name and a sentence for %s', (code, name, status) => {
  const fault = storageFaultOf(Object.assign(new Error('query failed'), { parent: { code } }), '/data/own.sqlite');
  expect(fault).toMatchObject({ code: name, status, message: expect.stringContaining('/data/own.sqlite') as string });
  expect(storageFaultOf(new TypeError('x is not a function'), 'f')).toBeNull();
});
