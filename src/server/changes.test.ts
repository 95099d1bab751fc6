import request from 'supertest';
import { QueryTypes } from 'sequelize';
import { MOST_CHANGES, type ChangesSince } from '@/contract/changesSince';
import { RESOURCE_NAMES } from '@/contract/resources';
import { demoSubjects } from '@/demo/kit';
import { listBackups } from './database/backups';
import { openDatabase } from './database/openDatabase';
import { restoreFile, restoreRows } from './database/restore';
import { loadDemo } from './loadDemo';
import { createStore } from './store';
import { openTestServer, testId, type TestServer } from './testServer';

let server: TestServer;
beforeEach(async () => {
  server = await openTestServer();
});
afterEach(() => server.close());

const data = demoSubjects.curlew.data;
const since = async (cursor?: string): Promise<ChangesSince> =>
  (await request(server.app).get('/api/v1/changes').query({ since: cursor }).expect(200)).body as ChangesSince;
const ids = ({ changes }: ChangesSince) => changes.map((change) => change.id);

/** A copy kept by what the server tells, from a cursor on. */
async function follow(copy: Map<string, unknown>, cursor?: string): Promise<string> {
  for (;;) {
    const page = await since(cursor);
    if (page.fromStart) copy.clear();
    for (const { resource, id, row } of page.changes) {
      if (row) copy.set(`${resource}/${id}`, row);
      else copy.delete(`${resource}/${id}`);
    }
    cursor = page.cursor;
    if (!page.more) return cursor;
  }
}

async function everything(): Promise<Map<string, unknown>> {
  const rows = new Map<string, unknown>();
  for (const name of RESOURCE_NAMES)
    for (const row of (await server.store.list(name, 1000, 0)).items) rows.set(`${name}/${row.id}`, row);
  return rows;
}
const sorted = (rows: Map<string, unknown>) => [...rows].sort(([a], [b]) => a.localeCompare(b));

it('each change is told once, as the row is now, deletions too', async () => {
  const { cursor, fromStart } = await since();
  expect(fromStart).toBe(true);
  await server.store.create('subjects', testId(1), data);
  await server.store.create('subjects', testId(2), data);
  await server.store.replace('subjects', testId(1), 1, { ...data, name: 'Renamed' });
  const told = await since(cursor);
  expect(told).toMatchObject({ more: false, fromStart: false });
  // The one changed last comes last, once.
  expect(ids(told)).toEqual([testId(2), testId(1)]);
  expect(told.changes[1]).toMatchObject({ resource: 'subjects', row: { version: 2, data: { name: 'Renamed' } } });
  await server.store.remove('subjects', testId(2), 1);
  const after = await since(told.cursor);
  expect(after.changes).toEqual([{ resource: 'subjects', id: testId(2), row: null }]);
  expect((await since(after.cursor)).changes).toEqual([]);
});

it('a copy that follows equals the file, through the demo kit, more than a page, and a backup brought back', async () => {
  const copy = new Map<string, unknown>();
  let cursor = await follow(copy);
  await loadDemo(server.store);
  await server.database.backup('daily');
  for (let n = 0; n < MOST_CHANGES + 20; n++) await server.store.create('subjects', testId(n + 100), data);
  cursor = await follow(copy, cursor);
  expect(sorted(copy)).toEqual(sorted(await everything()));
  await restoreRows(server.database, listBackups(server.file).find((each) => each.why === 'daily')!.name);
  await follow(copy, cursor);
  expect(sorted(copy)).toEqual(sorted(await everything()));
  expect(copy.size).toBeGreaterThan(40);
});

it('a cursor of another file, of a file put back in time, or of nonsense brings everything', async () => {
  await server.store.create('subjects', testId(1), data);
  await server.database.backup('daily');
  await server.store.create('subjects', testId(2), data);
  const { cursor } = await since();
  for (const wrong of ['', 'x', 'x.5', `${cursor}9999`, cursor.replace(/\d+$/, '-1')])
    expect(await since(wrong)).toMatchObject({ fromStart: true });
  const { name } = listBackups(server.file).find((each) => each.why === 'daily')!;
  await server.database.close();
  await restoreFile(server.file, name);
  const database = await openDatabase(server.file);
  Object.assign(server.database, database);
  // As many changes again as the file had: the number alone would not tell.
  await createStore(database).create('subjects', testId(3), data);
  const told = await since(cursor);
  expect(told.fromStart).toBe(true);
  expect(ids(told).slice(-2)).toEqual([testId(1), testId(3)]);
});

it('every table is followed', async () => {
  const triggers = await server.database.writer.query<{ name: string }>(
    "SELECT name FROM sqlite_master WHERE type = 'trigger'",
    { type: QueryTypes.SELECT },
  );
  const names = triggers.map((trigger) => trigger.name);
  for (const name of RESOURCE_NAMES)
    for (const event of ['insert', 'update', 'delete']) expect(names).toContain(`${name}_${event}_noted`);
});
