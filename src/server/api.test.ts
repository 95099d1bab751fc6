import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import zlib from 'node:zlib';
import { QueryTypes } from 'sequelize';
import request from 'supertest';
import { demoPictureGroups } from '@/demo/log';
import { demoOutings } from '@/demo/outings';
import { demoAdapters, demoBodies, demoOptics, demoSubjects } from '@/demo/kit';
import { demoReadings } from '@/demo/readings';
import { openDatabase } from './database/openDatabase';
import { MIGRATIONS } from './migrations';
import { loadFirstOutputs } from './firstOutputs';
import { loadDemo } from './loadDemo';
import { createStore } from './store';
import { openTestServer, testId, type TestServer } from './testServer';

let server: TestServer;
beforeEach(async () => {
  server = await openTestServer();
});
afterEach(() => server.close());

const api = () => request(server.app);
const body = demoBodies.ostrel.data;
const post = (resource: string, id: string, data: unknown) => api().post(`/api/v1/${resource}`).send({ id, data });

async function makeSetup() {
  await post('bodies', testId(1), body).expect(201);
  await post('optics', testId(2), demoOptics.tele600.data).expect(201);
  await post('adapters', testId(3), demoAdapters.converter14.data).expect(201);
  return post('setups', testId(4), {
    name: 'Test',
    bodyId: testId(1),
    modeId: 'whole',
    chain: [
      { type: 'optic', id: testId(2) },
      { type: 'adapter', id: testId(3) },
    ],
  });
}

describe('rows', () => {
  it('are created, listed, got, replaced and deleted, with a version', async () => {
    const created = await post('bodies', testId(1), body)
      .expect(201)
      .expect('location', `/api/v1/bodies/${testId(1)}`);
    expect(created.body).toMatchObject({ id: testId(1), version: 1, data: body });
    expect((await api().get('/api/v1/bodies').expect(200)).body).toMatchObject({
      total: 1,
      items: [{ id: testId(1) }],
    });
    const replaced = await api()
      .put(`/api/v1/bodies/${testId(1)}`)
      .send({ version: 1, data: { ...body, name: 'New' } })
      .expect(200);
    expect(replaced.body).toMatchObject({ version: 2, data: { name: 'New' } });
    expect(
      (
        await api()
          .get(`/api/v1/bodies/${testId(1)}`)
          .expect(200)
      ).body,
    ).toEqual(replaced.body);
    await api()
      .delete(`/api/v1/bodies/${testId(1)}?version=2`)
      .expect(204);
    await api()
      .get(`/api/v1/bodies/${testId(1)}`)
      .expect(404);
  });

  it('come in pages, readings newest first', async () => {
    for (const row of demoReadings()) await post('readings', row.id, row.data).expect(201);
    const page = await api().get('/api/v1/readings?limit=2&offset=1').expect(200);
    expect(page.body).toMatchObject({ total: demoReadings().length, limit: 2, offset: 1 });
    const times = (page.body as { items: { data: { takenAt: string } }[] }).items.map((item) => item.data.takenAt);
    expect(times).toEqual([...times].sort().reverse());
    await api().get('/api/v1/readings?limit=0').expect(400);
    await api().get('/api/v1/readings?offset=x').expect(400);
  });

  it('refuse a stale version with both copies, and store nothing', async () => {
    await post('bodies', testId(1), body);
    await api()
      .put(`/api/v1/bodies/${testId(1)}`)
      .send({ version: 1, data: { ...body, name: 'First' } })
      .expect(200);
    const stale = await api()
      .put(`/api/v1/bodies/${testId(1)}`)
      .send({ version: 1, data: { ...body, name: 'Second' } })
      .expect(409)
      .expect('content-type', /problem\+json/);
    expect(stale.body).toMatchObject({
      code: 'version.stale',
      stored: { version: 2, data: { name: 'First' } },
      yours: { name: 'Second' },
    });
    await api()
      .delete(`/api/v1/bodies/${testId(1)}?version=1`)
      .expect(409);
    expect((await api().get(`/api/v1/bodies/${testId(1)}`)).body).toMatchObject({ version: 2 });
  });

  it('accept the same creation twice, but not another row under the same id', async () => {
    await post('bodies', testId(1), body).expect(201);
    expect((await post('bodies', testId(1), body).expect(201)).body).toMatchObject({ version: 1 });
    expect((await post('bodies', testId(1), { ...body, name: 'Other' }).expect(409)).body).toMatchObject({
      code: 'row.exists',
    });
  });

  it('go on counting versions when a deleted row comes back', async () => {
    await post('bodies', testId(1), body);
    await api()
      .put(`/api/v1/bodies/${testId(1)}`)
      .send({ version: 1, data: { ...body, name: 'Second' } })
      .expect(200);
    await api()
      .delete(`/api/v1/bodies/${testId(1)}?version=2`)
      .expect(204);
    expect((await post('bodies', testId(1), body).expect(201)).body).toMatchObject({ version: 3 });
    await api()
      .put(`/api/v1/bodies/${testId(1)}`)
      .send({ version: 1, data: body })
      .expect(409);
  });

  it('say what still uses them instead of going', async () => {
    await makeSetup();
    for (const [resource, id] of [
      ['bodies', 1],
      ['optics', 2],
      ['adapters', 3],
    ] as const) {
      const refused = await api()
        .delete(`/api/v1/${resource}/${testId(id)}?version=1`)
        .expect(409);
      expect(refused.body).toMatchObject({ code: 'row.inUse', usedBy: [{ resource: 'setups', name: 'Test' }] });
    }
    await api()
      .delete(`/api/v1/setups/${testId(4)}?version=1`)
      .expect(204);
    await api()
      .delete(`/api/v1/bodies/${testId(1)}?version=1`)
      .expect(204);
  });

  it('refuse a set-up of parts that do not exist, naming the field', async () => {
    await post('bodies', testId(1), body);
    const refused = await post('setups', testId(4), {
      name: 'Test',
      bodyId: testId(1),
      modeId: 'whole',
      chain: [{ type: 'optic', id: testId(99) }],
    }).expect(422);
    expect(refused.body).toMatchObject({ code: 'reference.missing', errors: [{ path: 'chain.0.id' }] });
  });

  it('have foreign keys behind the checks', async () => {
    await makeSetup();
    await expect(server.database.writer.query(`DELETE FROM bodies WHERE id = '${testId(1)}'`)).rejects.toThrow(
      /FOREIGN KEY/,
    );
  });

  it('change wholly or not at all', async () => {
    await makeSetup();
    await api()
      .put(`/api/v1/setups/${testId(4)}`)
      .send({
        version: 1,
        data: {
          name: 'X',
          bodyId: testId(1),
          modeId: 'whole',
          chain: [
            { type: 'optic', id: testId(2) },
            { type: 'optic', id: testId(98) },
          ],
        },
      })
      .expect(422);
    const [parts] = await server.database.writer.query('SELECT * FROM setup_parts');
    expect(parts).toHaveLength(2);
    expect((await api().get(`/api/v1/setups/${testId(4)}`)).body).toMatchObject({ version: 1, data: { name: 'Test' } });
  });

  it('are written by many at once without loss', async () => {
    await Promise.all(
      Array.from({ length: 60 }, (_, i) => post('subjects', testId(100 + i), demoSubjects.curlew.data).expect(201)),
    );
    expect((await api().get('/api/v1/subjects?limit=1')).body).toMatchObject({ total: 60 });
  });
});

describe('bad requests', () => {
  it.each([
    ['get', '/api/v1/gadgets', undefined, 404, 'resource.unknown'],
    ['get', `/api/v1/bodies/${testId(7)}`, undefined, 404, 'row.notFound'],
    ['get', '/api/v1/bodies/seven', undefined, 400, 'id.invalid'],
    ['get', '/api/v2/bodies', undefined, 404, 'route.unknown'],
    ['post', '/api/v1/bodies', { id: 'seven', data: {} }, 400, 'id.invalid'],
    ['post', '/api/v1/bodies', [], 400, 'body.missing'],
    ['put', `/api/v1/bodies/${testId(7)}`, { version: 'one', data: body }, 400, 'version.invalid'],
    ['put', `/api/v1/bodies/${testId(7)}`, { version: 1, data: body }, 404, 'row.notFound'],
    ['delete', `/api/v1/bodies/${testId(7)}`, undefined, 400, 'version.invalid'],
    ['delete', `/api/v1/bodies/${testId(7)}?version=1`, undefined, 404, 'row.notFound'],
  ] as const)('%s %s → problem', async (method, url, data, status, code) => {
    const response = await api()
      [method](url)
      .send(data as object)
      .expect(status)
      .expect('content-type', /problem\+json/);
    expect(response.body).toMatchObject({ status, code, type: `/problems/${code}` });
    expect((response.body as { detail: string }).detail.length).toBeGreaterThan(10);
  });

  it('name every wrong field', async () => {
    const refused = await post('bodies', testId(1), {
      ...body,
      sensor: { widthMm: 0, heightMm: 24, columns: 8256, rows: 'many' },
    }).expect(422);
    expect((refused.body as { errors: { path: string }[] }).errors.map((error) => error.path)).toEqual([
      'sensor.widthMm',
      'sensor.rows',
    ]);
  });

  it('are told from malformed and from oversized JSON', async () => {
    const malformed = await api()
      .post('/api/v1/bodies')
      .set('content-type', 'application/json')
      .send('{"id": ')
      .expect(400);
    expect(malformed.body).toMatchObject({ code: 'json.malformed' });
    const large = await post('bodies', testId(1), { ...body, note: 'x'.repeat(600_000) }).expect(413);
    expect(large.body).toMatchObject({ code: 'body.tooLarge' });
  });

  it('from another host or another origin are refused', async () => {
    expect((await api().get('/api/v1/bodies').set('host', 'jauge.example').expect(403)).body).toMatchObject({
      code: 'host.refused',
    });
    expect(
      (
        await api()
          .get('/api/v1/bodies')
          .set('host', '127.0.0.1:4100')
          .set('origin', 'http://elsewhere.example')
          .expect(403)
      ).body,
    ).toMatchObject({ code: 'origin.refused' });
    await api().get('/api/v1/bodies').set('host', 'localhost:4100').set('origin', 'http://localhost:4100').expect(200);
  });
});

describe('the server', () => {
  it('answers health and publishes its schemas', async () => {
    expect((await api().get('/api/v1/health').expect(200)).body).toEqual({ status: 'ok' });
    expect((await api().get('/api/v1/schemas').expect(200)).body).toMatchObject({
      bodies: { title: 'Body' },
      farInput: { title: 'Far reading' },
    });
  });

  it('sends a strict policy and no trace of its make', async () => {
    const { headers } = await api().get('/api/v1/health');
    expect(headers['content-security-policy']).toContain("default-src 'self'");
    expect(headers['content-security-policy']).toContain("script-src 'self';");
    expect(headers['content-security-policy']).not.toMatch(/https?:/);
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['cache-control']).toBe('no-store');
    // Workers that read pictures share memory: the page must be alone with its origin.
    expect(headers['cross-origin-opener-policy']).toBe('same-origin');
    expect(headers['cross-origin-embedder-policy']).toBe('require-corp');
    // Only the workers that read pictures may make code, and under no other spelling of their addresses.
    const policyOf = async (path: string) =>
      String((await api().get(path)).headers['content-security-policy']).includes('unsafe-eval');
    for (const path of ['/raw/worker.js', '/pictures/reader.js', '/pictures/vips-es6.js'])
      expect(await policyOf(path)).toBe(true);
    for (const path of ['/', '/raw/', '/raw//worker.js', '/raw/libraw.wasm', '/api/v1/health', '/RAW/worker.js'])
      expect(await policyOf(path)).toBe(false);
  });

  it('uses write-ahead logging, full synchronisation and foreign keys', async () => {
    const pragma = async (name: string) => {
      const [row] = await server.database.writer.query<Record<string, unknown>>(`PRAGMA ${name}`, {
        type: QueryTypes.SELECT,
      });
      return Object.values(row ?? {})[0];
    };
    expect(await pragma('journal_mode')).toBe('wal');
    expect(await pragma('synchronous')).toBe(2);
    expect(await pragma('foreign_keys')).toBe(1);
  });

  it('opens an existing database again without losing a row', async () => {
    await post('bodies', testId(1), body);
    await server.database.close();
    server.database = await openDatabase(server.file);
    const [rows] = await server.database.writer.query('SELECT id FROM bodies');
    expect(rows).toEqual([{ id: testId(1) }]);
  });

  it('loads the demo once, and leaves a database with bodies alone', async () => {
    expect(await loadDemo(server.store)).toBe(true);
    expect((await server.store.list('optics', 1, 0)).total).toBe(Object.keys(demoOptics).length);
    expect(await loadDemo(server.store)).toBe(false);
  });

  it('gives a new database outputs to judge by', async () => {
    await loadFirstOutputs(server.store);
    await loadFirstOutputs(server.store);
    expect((await server.store.list('outputs', 1, 0)).total).toBe(3);
  });
});

describe('the web application', () => {
  it('puts the first reading into the page, escaped, and nothing where there is none', async () => {
    const dist = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-dist-'));
    fs.writeFileSync(path.join(dist, 'index.html'), '<div id="root"></div><!--first-view-->');
    const other = await openTestServer({ distFolder: dist });
    const page = async (address: string) =>
      (await request(other.app).get(address).set('accept', 'text/html').expect(200)).text;
    expect(await page('/far')).not.toContain('first-view"');
    await loadDemo(other.store);
    const { items } = await other.store.list('subjects', 1, 0);
    await other.store.replace('subjects', items[0]!.id, 1, { ...items[0]!.data, name: '<b>Curlew</b>' });
    expect(await page('/far')).toContain('data-first="pixels">1,270<');
    expect(await page('/')).toContain('&lt;b&gt;Curlew&lt;/b&gt; at 60');
    expect(await page('/book')).not.toContain('data-first');
    await other.close();
    fs.rmSync(dist, { recursive: true });
  });

  it('is served with its screens, and nothing outside its folder', async () => {
    const dist = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-dist-'));
    fs.mkdirSync(path.join(dist, '_expo/static/js'), { recursive: true });
    fs.mkdirSync(path.join(dist, 'assets'));
    fs.writeFileSync(path.join(dist, 'index.html'), '<title>Jauge</title>');
    fs.writeFileSync(path.join(dist, '_expo/static/js/a.js'), 'plain');
    fs.writeFileSync(path.join(dist, '_expo/static/js/a.js.gz'), zlib.gzipSync('packed'));
    const other = await openTestServer({ distFolder: dist });
    const web = request(other.app);
    expect((await web.get('/book/anything').set('accept', 'text/html').expect(200)).text).toContain('Jauge');
    await web.get('/missing.png').expect(404);
    await web.get('/..%2f..%2fetc/passwd').expect((response) => expect(response.text).not.toContain('root:'));
    const script = await web.get('/_expo/static/js/a.js').set('accept-encoding', 'gzip').expect(200, 'packed');
    expect(script.headers['content-encoding']).toBe('gzip');
    expect(script.headers['cache-control']).toContain('immutable');
    await other.close();
    fs.rmSync(dist, { recursive: true });
  });
});

describe('star tests', () => {
  const starTest = {
    name: 'Ostrel 20, 2 pictures',
    opticId: testId(2),
    focalMm: 20,
    frames: [
      { seconds: 5, centrePx: 1.7, cornerPx: 3.2, centre: 'fine', corner: 'fine' },
      { seconds: 10, centrePx: 3.3, cornerPx: 6.3, centre: 'small', corner: 'strokes' },
    ],
    takenAt: '2026-11-07T22:00:00Z',
  };

  it('are kept, changed and taken away like every row, and outlive their lens', async () => {
    await post('optics', testId(2), demoOptics.wide20.data).expect(201);
    await post('starTests', testId(50), starTest).expect(201);
    await api()
      .put(`/api/v1/starTests/${testId(50)}`)
      .send({ version: 1, data: { ...starTest, note: 'cold, dew on the front' } })
      .expect(200);
    await api()
      .delete(`/api/v1/optics/${testId(2)}?version=1`)
      .expect(204);
    expect((await api().get('/api/v1/starTests').expect(200)).body).toMatchObject({
      total: 1,
      items: [{ version: 2, data: { note: 'cold, dew on the front', frames: [{ seconds: 5 }, { seconds: 10 }] } }],
    });
    await api()
      .delete(`/api/v1/starTests/${testId(50)}?version=2`)
      .expect(204);
  });

  it('go out and come back with everything', async () => {
    await post('starTests', testId(50), starTest).expect(201);
    const out = await api().get('/api/v1/export').expect(200);
    expect((out.body as { rows: { starTests: object[] } }).rows.starTests).toHaveLength(1);
    await api()
      .delete(`/api/v1/starTests/${testId(50)}?version=1`)
      .expect(204);
    const back = await api()
      .post('/api/v1/import')
      .send(out.body as object)
      .expect(200);
    expect(back.body).toMatchObject({ created: 1 });
    expect(
      (
        await api()
          .get(`/api/v1/starTests/${testId(50)}`)
          .expect(200)
      ).body,
    ).toMatchObject({ data: starTest });
  });

  it.each([
    [{ frames: [{ seconds: 0, centrePx: 1, cornerPx: 1 }] }, /Exposure in s \(entry 1\) must be at least/],
    [{ frames: [{ seconds: 5, centrePx: 1, cornerPx: 1, centre: 'nice' }] }, /must be one of: fine, small, strokes/],
    [{ focalMm: undefined }, /Focal length in mm is missing/],
    [{ cornerStretchPx: -1 }, /must be at least 0/],
  ])('refuse %j in words', async (change, message) => {
    const refused = await post('starTests', testId(50), { ...starTest, ...change }).expect(422);
    expect((refused.body as { errors: { message: string }[] }).errors.map((error) => error.message).join(' ')).toMatch(
      message,
    );
  });
});

describe('measurements', () => {
  const measurement = {
    asked: 'ruler',
    found: [
      { name: 'Reproduction ratio', value: 1.2703, unit: ':1', plusMinus: 0.0008 },
      { name: 'Field, width', value: 28.35, unit: 'mm', plusMinus: 0.02 },
    ],
    byHand: true,
    simulated: false,
    pictureName: 'ruler.jpg',
    setupName: 'Heath macro',
    chain: [{ type: 'optic', id: testId(2) }],
    thumbnail: 'data:image/jpeg;base64,/9j/4AAQ',
    measuredAt: '2026-11-07T12:00:00Z',
    note: '',
  };
  it('are kept, go out and come back whole', async () => {
    await post('measurements', testId(70), measurement).expect(201);
    const out = await api().get('/api/v1/export').expect(200);
    await api()
      .delete(`/api/v1/measurements/${testId(70)}?version=1`)
      .expect(204);
    await api()
      .post('/api/v1/import')
      .send(out.body as object)
      .expect(200);
    expect((await api().get('/api/v1/measurements').expect(200)).body).toMatchObject({
      total: 1,
      items: [{ data: measurement }],
    });
  });
  it.each([
    [{ found: [] }, /at least one|must not|Numbers/],
    [{ asked: 'weight' }, /must be one of: ruler, length, disc, subject/],
    [{ thumbnail: 'https://example.org/a.jpg' }, /Small picture/],
    [{ measuredAt: '2026-02-30T12:00:00Z' }, /./],
  ])('refuse %j in words', async (change, message) => {
    const refused = await post('measurements', testId(71), { ...measurement, ...change }).expect(422);
    expect((refused.body as { errors: { message: string }[] }).errors.map((error) => error.message).join(' ')).toMatch(
      message,
    );
  });
});

describe('outings', () => {
  const { data: outing } = demoOutings.marsh;
  it('go out and come back whole, though what they name is not there', async () => {
    await post('outings', testId(80), outing).expect(201);
    const out = await api().get('/api/v1/export').expect(200);
    await api()
      .delete(`/api/v1/outings/${testId(80)}?version=1`)
      .expect(204);
    await api()
      .post('/api/v1/import')
      .send(out.body as object)
      .expect(200);
    expect((await api().get('/api/v1/outings').expect(200)).body).toMatchObject({
      total: 1,
      items: [{ data: outing }],
    });
    const changes = (await api().get('/api/v1/changes').expect(200)).body as { changes: { resource: string }[] };
    expect(changes.changes.filter(({ resource }) => resource === 'outings')).toHaveLength(1);
  });
  it.each([
    [{ day: '2026-02-30' }, /There is no such day/],
    [{ place: { name: 'Here', latitudeDeg: 50 } }, /needs latitude and longitude, or neither/],
    [{ wants: [outing.wants[0], outing.wants[0]] }, /Two pictures have one key/],
    [{ wants: [{ ...outing.wants[0], distanceM: undefined }] }, /from which distance/],
    [{ wants: [{ ...outing.wants[0], kind: 'stars' }] }, /at which declination/],
    [{ wants: [{ ...outing.wants[4], subjectId: undefined }] }, /Choose the subject/],
    [{ span: 'week' }, /Day or night/],
  ])('refuse %j in words', async (change, message) => {
    const refused = await post('outings', testId(81), { ...outing, ...change }).expect(422);
    expect((refused.body as { errors: { message: string }[] }).errors.map((error) => error.message).join(' ')).toMatch(
      message,
    );
  });
});

describe('groups of pictures', () => {
  const [{ data: group }] = demoPictureGroups() as [ReturnType<typeof demoPictureGroups>[number]];
  it('go out and come back whole', async () => {
    await post('pictureGroups', testId(85), group).expect(201);
    const out = await api().get('/api/v1/export').expect(200);
    await api()
      .delete(`/api/v1/pictureGroups/${testId(85)}?version=1`)
      .expect(204);
    await api()
      .post('/api/v1/import')
      .send(out.body as object)
      .expect(200);
    expect((await api().get('/api/v1/pictureGroups').expect(200)).body).toMatchObject({
      total: 1,
      items: [{ data: group }],
    });
  });
  it.each([
    [{ takenFrom: '2026-02-30T08:00:00' }, /First taken is not a day and time that exist/],
    [{ takenTo: '2020-01-01T00:00:00' }, /was taken before the first one/],
    [{ verdict: 'fine' }, /must be one of: kept, soft, small, strokes, noisy/],
    [{ preview: 'https://example.org/a.jpg' }, /Small picture/],
    [{ pictures: 0 }, /Pictures/],
  ])('refuse %j in words', async (change, message) => {
    const refused = await post('pictureGroups', testId(86), { ...group, ...change }).expect(422);
    expect((refused.body as { errors: { message: string }[] }).errors.map((error) => error.message).join(' ')).toMatch(
      message,
    );
  });
});

describe('kept readings', () => {
  const readings = demoReadings();
  const of = (desk: string) => readings.find((row) => row.data.desk === desk)!;

  it('have the form of their desk, each with its own result', async () => {
    for (const desk of ['far', 'near', 'stars']) await post('readings', of(desk).id, of(desk).data).expect(201);
    const crossed = await post('readings', testId(60), { ...of('far').data, result: of('stars').data.result }).expect(
      422,
    );
    expect((crossed.body as { errors: { path: string }[] }).errors.map((error) => error.path)).toContain(
      'result.pixelsOnSubject',
    );
    await post('readings', testId(61), { ...of('stars').data, desk: 'near' }).expect(422);
  });

  it('come back as they went, chain and measured ratios with them', async () => {
    const near = of('near');
    const data = {
      ...near.data,
      held: 'handSharp',
      input: { ...near.data.input, measured: [{ at: 'closest', ratio: 1.31, plusMinus: 0.02, how: 'ruler' }] },
    };
    await post('readings', testId(62), data).expect(201);
    expect(
      (
        await api()
          .get(`/api/v1/readings/${testId(62)}`)
          .expect(200)
      ).body,
    ).toMatchObject({ data });
  });
});

describe('a database of an earlier version', () => {
  it('gets the tables it lacks, and what lies in the others stays', async () => {
    const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-old-'));
    const file = path.join(folder, 'old.sqlite');
    const old = await openDatabase(file);
    await createStore(old).create('bodies', testId(1), body);
    // As the version with the first four tables left it.
    for (const step of MIGRATIONS.slice(3).reverse()) {
      await step.down(old.writer.getQueryInterface());
      await old.writer.query(`DELETE FROM SequelizeMeta WHERE name = '${step.name}'`);
    }
    await old.close();
    const opened = await openDatabase(file);
    const store = createStore(opened);
    expect((await store.list('starTests', 10, 0)).total).toBe(0);
    expect((await store.list('measurements', 10, 0)).total).toBe(0);
    expect((await store.list('bodies', 10, 0)).items).toMatchObject([{ data: body }]);
    await opened.close();
    fs.rmSync(folder, { recursive: true, force: true });
  });
});
