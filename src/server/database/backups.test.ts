import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import * as fc from 'fast-check';
import type { Backup } from '@/contract/backup';
import { demoBodies, demoSubjects } from '@/demo/kit';
import { loadDemo } from '../loadDemo';
import { openTestServer, testId, type TestServer } from '../testServer';
import { backupDue, backupFolder, listBackups, makeBackup, surplus } from './backups';
import { openRaw } from './raw';
import { openDatabase } from './openDatabase';
import { restoreFile, restoreRows, whyNotOpen } from './restore';
import { createStore } from '../store';

let server: TestServer;
beforeEach(async () => {
  server = await openTestServer();
});
afterEach(() => server.close());

const folderOf = () => backupFolder(server.file);
const mode = (name: string) => (fs.statSync(name).mode & 0o777).toString(8);
const { curlew } = demoSubjects;

describe('a backup', () => {
  it('is whole, without a log, and for its owner alone', async () => {
    await server.store.create('subjects', testId(1), curlew.data);
    const name = await server.database.backup('daily');
    expect(fs.readdirSync(folderOf())).toEqual([name]);
    expect([
      mode(folderOf()),
      mode(path.join(folderOf(), name)),
      mode(server.file),
      mode(`${server.file}-wal`),
    ]).toEqual(['700', '600', '600', '600']);
    const copy = await openRaw(path.join(folderOf(), name));
    expect(await copy.all('PRAGMA integrity_check')).toEqual([{ integrity_check: 'ok' }]);
    expect(await copy.all('SELECT id FROM subjects')).toEqual([{ id: testId(1) }]);
    await copy.close();
    expect(listBackups(server.file)).toMatchObject([{ name, why: 'daily' }]);
  });

  it('is due a day after the last', async () => {
    const made = new Date('2026-05-04T10:00:00.000Z');
    expect(backupDue(server.file, made)).toBe(true);
    await makeBackup(server.file, 'daily', made);
    expect(backupDue(server.file, new Date('2026-05-05T09:59:59.000Z'))).toBe(false);
    expect(backupDue(server.file, new Date('2026-05-05T10:00:00.000Z'))).toBe(true);
  });

  it('leaves nothing half made when it is cut off, and clears what another left', async () => {
    fs.mkdirSync(folderOf());
    fs.writeFileSync(path.join(folderOf(), 'test-20260504T100000000Z-daily.sqlite.part'), 'half');
    await server.database.backup('daily');
    expect(fs.readdirSync(folderOf()).filter((name) => !name.endsWith('.sqlite'))).toEqual([]);
  });

  it('is one of seven at most', async () => {
    for (let day = 1; day <= 9; day++)
      await makeBackup(server.file, 'daily', new Date(`2026-05-0${day}T10:00:00.000Z`));
    expect(listBackups(server.file).map((each) => each.madeAt.slice(8, 10))).toEqual([
      '09',
      '08',
      '07',
      '06',
      '05',
      '04',
      '03',
    ]);
  });
});

it('keeps as many days as it can: of a day with several, older ones go first', () => {
  const at = (madeAt: string): Backup => ({ name: madeAt, madeAt, why: 'daily', bytes: 1 });
  const many = ['07T08', '07T09', '06T08', '05T08', '05T07', '05T06', '04T08', '03T08'].map((hour) =>
    at(`2026-05-${hour}:00:00.000Z`),
  );
  expect(surplus(many).map((each) => each.name.slice(8, 13))).toEqual(['05T06']);
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 240 }), { maxLength: 30 }), (hours) => {
      const backups = [...new Set(hours)].map((hour) => at(new Date(Date.UTC(2026, 4, 1, hour)).toISOString()));
      const gone = surplus(backups);
      const kept = backups.filter((each) => !gone.includes(each));
      expect(kept).toHaveLength(Math.min(7, backups.length));
      // The newest is never lost, and no more days than need be.
      if (backups.length)
        expect(kept.map((each) => each.madeAt)).toContain(
          backups
            .map((each) => each.madeAt)
            .sort()
            .at(-1),
        );
      const days = (all: Backup[]) => new Set(all.map((each) => each.madeAt.slice(0, 10))).size;
      expect(days(kept)).toBeGreaterThanOrEqual(Math.min(days(backups), 6));
    }),
  );
});

describe('bringing back while the server runs', () => {
  it('makes all rows what they were, goes on counting versions, and keeps what was there as a backup', async () => {
    await loadDemo(server.store);
    const before = await server.store.list('subjects', 1000, 0);
    const name = await server.database.backup('daily');
    const changed = await server.store.replace('subjects', curlew.id, 1, { ...curlew.data, name: 'Changed' });
    await server.store.create('subjects', testId(1), curlew.data);
    await server.store.remove('subjects', before.items[1]!.id, 1);
    await restoreRows(server.database, name);
    const after = await server.store.list('subjects', 1000, 0);
    expect(after.items.map((row) => row.data)).toEqual(before.items.map((row) => row.data));
    const versions = new Map(after.items.map((row) => [row.id, row.version]));
    // Changed and back: a new version; never touched: the old one; deleted and back: a new one.
    expect(versions.get(curlew.id)).toBe(changed.version + 1);
    expect(versions.get(before.items[1]!.id)).toBe(2);
    expect(versions.get(before.items[2]!.id)).toBe(1);
    // A row made since counts on when it is made again.
    expect((await server.store.create('subjects', testId(1), curlew.data)).version).toBe(2);
    expect(listBackups(server.file)[0]).toMatchObject({ why: 'before-restore' });
    // The set-ups guard their parts as before.
    await expect(server.store.remove('bodies', demoBodies.ostrel.id, 1)).rejects.toMatchObject({ code: 'row.inUse' });
    expect(fs.readdirSync(path.dirname(server.file)).filter((each) => each.includes('restored'))).toEqual([]);
  });

  it('refuses a name that is none, whatever it points to', async () => {
    for (const name of ['../test.sqlite', 'x', ''])
      await expect(restoreRows(server.database, name)).rejects.toMatchObject({ code: 'backup.unknown', status: 404 });
  });
});

describe('bringing back with the server stopped', () => {
  const inFolder = async (work: (file: string) => Promise<void>) => {
    const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-restore-'));
    try {
      await work(path.join(folder, 'own.sqlite'));
    } finally {
      fs.rmSync(folder, { recursive: true, force: true });
    }
  };
  const withOne = async (file: string) => {
    const database = await openDatabase(file);
    await createStore(database).create('subjects', testId(1), curlew.data);
    const name = await database.backup('daily');
    await createStore(database).create('subjects', testId(2), curlew.data);
    await database.close();
    return name;
  };
  const ids = async (file: string) => {
    const database = await openDatabase(file);
    const { items } = await createStore(database).list('subjects', 10, 0);
    await database.close();
    return items.map((row) => row.id);
  };

  it('puts the damaged file aside and the backup in its place', () =>
    inFolder(async (file) => {
      const name = await withOne(file);
      fs.writeFileSync(file, 'gone');
      expect(await whyNotOpen(file)).toContain(`${file} is damaged`);
      const { putAside } = await restoreFile(file, name);
      expect(fs.readFileSync(putAside!, 'utf8')).toBe('gone');
      expect(await ids(file)).toEqual([testId(1)]);
    }));

  it('is made good at the next start when it is killed between two names', () =>
    inFolder(async (file) => {
      const name = await withOne(file);
      const from = path.join(backupFolder(file), name);
      fs.copyFileSync(from, `${file}.restored`);
      fs.renameSync(file, `${file}.aside`);
      fs.writeFileSync(`${file}-wal`, 'of the file that is gone');
      expect(await ids(file)).toEqual([testId(1)]);
      // And one that was killed before anything was moved changes nothing.
      fs.copyFileSync(from, `${file}.restored`);
      fs.copyFileSync(`${file}.aside`, file);
      expect(await ids(file)).toEqual([testId(1), testId(2)]);
      expect(fs.existsSync(`${file}.restored`)).toBe(false);
    }));

  it('is refused while a server runs on the file', () =>
    inFolder(async (file) => {
      const name = await withOne(file);
      const database = await openDatabase(file);
      database.lock.tell('http://127.0.0.1:4123');
      await expect(restoreFile(file, name)).rejects.toThrow(/runs already .* open http:\/\/127\.0\.0\.1:4123/);
      await database.close();
    }));
});
