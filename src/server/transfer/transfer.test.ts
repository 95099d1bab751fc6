import request from 'supertest';
import { demoBodies, demoOptics, demoSetups } from '@/demo/kit';
import type { WholeData } from '@/contract/wholeData';
import { loadDemo } from '../loadDemo';
import { openTestServer, testId, type TestServer } from '../testServer';

let server: TestServer;
beforeEach(async () => {
  server = await openTestServer();
});
afterEach(() => server.close());

const api = () => request(server.app);
const exported = async (): Promise<WholeData> => (await api().get('/api/v1/export').expect(200)).body as WholeData;
const bring = (rows: WholeData['rows'], more: object = {}) =>
  api()
    .post('/api/v1/import')
    .send({ format: 'jauge', formatVersion: 1, rows, ...more });
const body = demoBodies.ostrel.data;

async function wipe(): Promise<void> {
  for (const name of [
    'guesses',
    'pictureGroups',
    'outings',
    'readings',
    'setups',
    'adapters',
    'optics',
    'bodies',
    'subjects',
    'outputs',
  ] as const) {
    for (const row of (await server.store.list(name, 1000, 0)).items)
      await server.store.remove(name, row.id, row.version);
  }
}

it('brings everything back as it was: export, wipe, import, export', async () => {
  await loadDemo(server.store);
  const hide = await server.store.get('setups', demoSetups.hide.id);
  await server.store.replace('setups', hide.id, 1, { ...hide.data, name: 'Marsh hide, new' });
  const before = await exported();
  await wipe();
  expect((await exported()).rows.bodies).toEqual([]);
  const answer = await api().post('/api/v1/import').send(before).expect(200);
  expect(answer.body).toMatchObject({ replaced: 0, kept: 0, unchanged: 0 });
  expect((await exported()).rows).toEqual(before.rows);
  // And the rows work as before: the set-up still guards its parts.
  await api().delete(`/api/v1/bodies/${demoBodies.ostrel.id}?version=1`).expect(409);
});

it('is sent as a file with its form and version', async () => {
  const answer = await api()
    .get('/api/v1/export')
    .expect('content-disposition', /attachment; filename="jauge-\d{4}-\d\d-\d\d\.json"/);
  expect(answer.body).toMatchObject({ format: 'jauge', formatVersion: 1, rows: { bodies: [], readings: [] } });
});

it('leaves alone what is the same, and keeps or replaces what differs as asked', async () => {
  await server.store.create('bodies', testId(1), body);
  const rows = {
    bodies: [
      { id: testId(1), data: { ...body, name: 'Other' } },
      { id: testId(2), data: body },
    ],
  };
  expect((await bring({ bodies: [{ id: testId(1), data: body }] }).expect(200)).body).toMatchObject({
    unchanged: 1,
    created: 0,
  });
  expect((await bring(rows).expect(200)).body).toMatchObject({ created: 1, kept: 1, replaced: 0 });
  expect((await server.store.get('bodies', testId(1))).data.name).toBe(body.name);
  expect((await bring(rows, { existing: 'replace' }).expect(200)).body).toMatchObject({ replaced: 1, unchanged: 1 });
  expect(await server.store.get('bodies', testId(1))).toMatchObject({ version: 2, data: { name: 'Other' } });
});

it('takes in all or nothing, and names the row and the field that is wrong', async () => {
  const refused = await bring({
    bodies: [
      { id: testId(1), data: body },
      { id: testId(2), data: { ...body, sensor: { ...body.sensor, widthMm: 0 } } },
    ],
  }).expect(422);
  expect(refused.body).toMatchObject({
    code: 'import.invalid',
    title: 'Nothing was imported',
    errors: [
      { path: 'rows.bodies.1.data.sensor.widthMm', message: '“Ostrel R45”: Sensor width in mm must be at least 0.5.' },
    ],
  });
  expect((await exported()).rows.bodies).toEqual([]);
});

it('refuses set-ups of parts that are nowhere, and ids that stand twice', async () => {
  const setup = { name: 'S', bodyId: testId(1), modeId: 'whole', chain: [{ type: 'optic' as const, id: testId(2) }] };
  const refused = await bring({
    bodies: [{ id: testId(1), data: body }],
    setups: [{ id: testId(3), data: setup }],
  }).expect(422);
  expect(refused.body).toMatchObject({ errors: [{ path: 'rows.setups.0.data.chain.0.id' }] });
  await server.store.create('optics', testId(2), demoOptics.tele600.data);
  await bring({ bodies: [{ id: testId(1), data: body }], setups: [{ id: testId(3), data: setup }] }).expect(200);
  expect(
    (
      await bring({
        bodies: [
          { id: testId(7), data: body },
          { id: testId(7), data: body },
        ],
      }).expect(422)
    ).body,
  ).toMatchObject({ errors: [{ path: 'rows.bodies.1.id' }] });
});

it('refuses a file of another kind or version with a message', async () => {
  expect((await api().post('/api/v1/import').send({ hello: 1 }).expect(422)).body.detail).toMatch(
    /“hello” is not a field/,
  );
  expect((await api().post('/api/v1/import').send({ rows: {} }).expect(422)).body.detail).toMatch(/Format is missing/);
  expect(
    (await api().post('/api/v1/import').send({ format: 'jauge', formatVersion: 1 }).expect(422)).body.detail,
  ).toMatch(/Rows is missing/);
  expect(
    (await api().post('/api/v1/import').send({ format: 'jauge', formatVersion: 99, rows: {} }).expect(422)).body.detail,
  ).toMatch(/Version of the format/);
  await api().post('/api/v1/import').set('content-type', 'application/json').send('{"format":').expect(400);
});

it('takes in five thousand rows at once', async () => {
  const bodies = Array.from({ length: 5000 }, (_, i) => ({ id: testId(i + 1), data: { ...body, name: `Body ${i}` } }));
  expect((await bring({ bodies }).expect(200)).body).toMatchObject({ created: 5000 });
  expect((await server.store.list('bodies', 1, 4999)).total).toBe(5000);
}, 300_000);

describe('exactly the state of a file', () => {
  it('takes out what the file does not hold, also what others refer to, and leaves resources alone that it does not name', async () => {
    await loadDemo(server.store);
    const before = await exported();
    const [kept] = before.rows.subjects!;
    // One set-up stays with another body; its old body goes, though the set-up as it was still refers to it.
    const setup = before.rows.setups!.find((row) => row.id === demoSetups.hide.id)!;
    const other = before.rows.bodies!.find((row) => row.id !== setup.data.bodyId)!;
    const optics = before.rows.optics!.filter((row) => setup.data.chain.some((link) => link.id === row.id));
    const adapters = before.rows.adapters!.filter((row) => setup.data.chain.some((link) => link.id === row.id));
    const rows: WholeData['rows'] = {
      bodies: [other],
      optics,
      adapters,
      // Changed on purpose: without the checksum it was exported with.
      setups: [{ id: setup.id, version: setup.version!, data: { ...setup.data, bodyId: other.id, modeId: 'whole' } }],
      subjects: [kept!],
    };
    const { body: summary } = await bring(rows, { existing: 'only' }).expect(200);
    const after = await exported();
    const ids = (name: keyof WholeData['rows']) => (after.rows[name] ?? []).map((row) => row.id);
    expect(ids('bodies')).toEqual([other.id]);
    expect(ids('setups')).toEqual([setup.id]);
    expect(ids('subjects')).toEqual([kept!.id]);
    expect(ids('optics')).toEqual(optics.map((row) => row.id));
    // Not named in the file: untouched.
    expect(after.rows.readings).toEqual(before.rows.readings);
    expect(after.rows.outputs).toEqual(before.rows.outputs);
    const gone = (name: 'bodies' | 'optics' | 'adapters' | 'setups' | 'subjects') =>
      before.rows[name]!.length - ids(name).length;
    expect((summary as { removed: number }).removed).toBe(
      gone('bodies') + gone('optics') + gone('adapters') + gone('setups') + gone('subjects'),
    );
    // What went left its version behind: a stale write to it stays stale.
    const lost = before.rows.subjects!.at(-1)!;
    await api().post('/api/v1/subjects').send({ id: lost.id, data: lost.data }).expect(201);
    expect((await server.store.get('subjects', lost.id)).version).toBeGreaterThan(lost.version ?? 1);
  });

  it('is all or nothing: a set-up of the file whose part is neither there nor in it leaves everything as it was', async () => {
    await loadDemo(server.store);
    const before = await exported();
    const setup = before.rows.setups!.find((row) => row.id === demoSetups.hide.id)!;
    await bring({ bodies: [], setups: [setup] }, { existing: 'only' }).expect(422);
    expect((await exported()).rows).toEqual(before.rows);
  });

  it('brings back exactly what was taken out, over whatever came since', async () => {
    await loadDemo(server.store);
    const before = await exported();
    await server.store.create('bodies', testId(77), body);
    await server.store.remove('setups', demoSetups.hide.id, 1);
    await api().post('/api/v1/import?existing=only').send(before).expect(200);
    const after = await exported();
    const data = (rows: WholeData['rows']) =>
      Object.fromEntries(
        Object.entries(rows).map(([name, list]) => [
          name,
          Object.fromEntries((list as { id: string; data: unknown }[]).map((row) => [row.id, row.data])),
        ]),
      );
    expect(data(after.rows)).toEqual(data(before.rows));
  });
});
