import fs from 'node:fs';
import zlib from 'node:zlib';
import request from 'supertest';
import { demoBodies, demoOptics } from '@/demo/kit';
import { demoReadings } from '@/demo/readings';
import { openTestServer, testId, type TestServer } from '../testServer';
import { createStore } from '../store';
import { finishImport, importData } from './importData';
import { openStaging, stagingFile } from './staging';
import { mergeImport } from './mergeImport';
import { listBackups } from '../database/backups';

let server: TestServer;
beforeEach(async () => {
  server = await openTestServer();
});
afterEach(() => server.close());

const api = () => request(server.app);
const body = demoBodies.ostrel.data;
const optic = demoOptics.tele600.data;
const file = (rows: object, more: object = {}) => ({ format: 'jauge', formatVersion: 1, rows, ...more });
const bring = (rows: object, more: object = {}) => api().post('/api/v1/import').send(file(rows, more));

describe('an import is as strict as everything else', () => {
  it.each([
    ['a text that is no time', { createdAt: 'x","data":{"name":"smuggled"},"y":"' }, 'createdAt'],
    ['a day that does not exist', { updatedAt: '2026-02-30T10:00:00.000Z' }, 'updatedAt'],
    ['an hour that does not exist', { createdAt: '2026-02-03T25:00:00Z' }, 'createdAt'],
    ['a version that cannot be counted on from', { version: 2 ** 53 }, 'version'],
    ['a version below 1', { version: 0 }, 'version'],
    ['a version between two', { version: 1.5 }, 'version'],
    ['another field', { owner: 'me' }, ''],
    ['an id that is none', { id: 'x' }, 'id'],
  ])('and refuses %s, naming the field', async (_, wrong, field) => {
    const refused = await bring({ outputs: [], bodies: [{ id: testId(1), data: body, ...wrong }] }).expect(422);
    expect(refused.body.errors[0].path).toBe(['rows.bodies.0', field].filter(Boolean).join('.'));
    expect((await api().get('/api/v1/bodies').expect(200)).body).toMatchObject({ total: 0, items: [] });
  });

  it('keeps ids in small letters', async () => {
    const id = 'ABCDEF00-0000-4000-8000-00000000000A';
    await bring({ bodies: [{ id, data: body }] }).expect(200);
    expect((await api().get(`/api/v1/bodies/${id}`).expect(200)).body.id).toBe(id.toLowerCase());
    expect(
      (
        await bring({
          bodies: [
            { id, data: body },
            { id: id.toLowerCase(), data: body },
          ],
        }).expect(422)
      ).body.errors[0].path,
    ).toBe('rows.bodies.1.id');
  });

  it('refuses a mode the body does not have, alone or in a file, and a body that loses one in use', async () => {
    const setup = (modeId: string) => ({
      name: 'S',
      bodyId: testId(1),
      modeId,
      chain: [{ type: 'optic', id: testId(2) }],
    });
    const rows = (modeId: string) => ({
      bodies: [{ id: testId(1), data: body }],
      optics: [{ id: testId(2), data: optic }],
      setups: [{ id: testId(3), data: setup(modeId) }],
    });
    expect((await bring(rows('c99')).expect(422)).body.errors[0]).toMatchObject({
      path: 'rows.setups.0.data.modeId',
      message: expect.stringContaining('“c99”'),
    });
    expect((await api().get('/api/v1/bodies')).body.total).toBe(0);
    await bring(rows('c15')).expect(200);
    expect(
      (
        await api()
          .post('/api/v1/setups')
          .send({ id: testId(4), data: setup('c99') })
          .expect(422)
      ).body.errors[0].path,
    ).toBe('modeId');
    expect(
      (
        await api()
          .put(`/api/v1/bodies/${testId(1)}`)
          .send({ version: 1, data: { ...body, cropModes: [] } })
          .expect(409)
      ).body,
    ).toMatchObject({ code: 'mode.inUse', usedBy: [{ id: testId(3) }] });
    expect(
      (
        await bring({ bodies: [{ id: testId(1), data: { ...body, cropModes: [] } }] }, { existing: 'replace' }).expect(
          422,
        )
      ).body.errors[0].message,
    ).toContain('“c15”');
    expect((await api().get(`/api/v1/bodies/${testId(1)}`)).body.data).toEqual(body);
  });

  it('writes whatever an older program let in as JSON all the same', async () => {
    await server.store
      .create('outputs', testId(1), { kind: 'screen', name: 'Page', longSidePx: 2000, subjectShare: 0.5 } as never)
      .catch(() => undefined);
    await server.store.create('bodies', testId(2), body);
    await server.database.writer.query(`UPDATE bodies SET created_at = '","x":"', updated_at = char(10) || '\\'`);
    const list = (await api().get('/api/v1/bodies').expect(200)).body;
    expect(list.items).toMatchObject([{ id: testId(2), createdAt: '","x":"', updatedAt: '\n\\', data: body }]);
    expect(JSON.parse((await api().get('/api/v1/export').expect(200)).text).rows.bodies[0].createdAt).toBe('","x":"');
  });

  it('gives data that a fault of the disk changed as the text it is', async () => {
    await server.store.create('bodies', testId(2), body);
    await server.store.create('bodies', testId(3), body);
    await server.database.writer.query(`UPDATE bodies SET data = substr(data, 1, 30) WHERE id = '${testId(2)}'`);
    const { items } = (await api().get('/api/v1/bodies').expect(200)).body;
    expect(items).toMatchObject([
      { id: testId(2), data: { unreadable: JSON.stringify(body).slice(0, 30) } },
      { id: testId(3), data: body },
    ]);
    expect(
      (
        await api()
          .get(`/api/v1/bodies/${testId(2)}`)
          .expect(200)
      ).body.data,
    ).toEqual(items[0].data);
    expect(JSON.parse((await api().get('/api/v1/export').expect(200)).text).rows.bodies).toHaveLength(2);
    await api()
      .delete(`/api/v1/bodies/${testId(2)}?version=1`)
      .expect(204);
  });

  it('refuses a version that leaves no room to count on', async () => {
    const { body: refused } = await bring({
      bodies: [{ id: testId(1), version: Number.MAX_SAFE_INTEGER, data: body }],
    }).expect(422);
    expect(refused.code).toBe('import.invalid');
    await bring({ bodies: [{ id: testId(1), version: 2 ** 52, data: body }] }).expect(200);
    const put = await api()
      .put(`/api/v1/bodies/${testId(1)}`)
      .send({ version: 2 ** 52, data: { ...body, name: 'B' } })
      .expect(200);
    expect(put.body.version).toBe(2 ** 52 + 1);
  });

  it('refuses a row whose contents are not those that were exported', async () => {
    await bring({ bodies: [{ id: testId(1), data: body }] }).expect(200);
    const sent = JSON.parse((await api().get('/api/v1/export').expect(200)).text) as {
      rows: { bodies: { checksum: string; data: { name: string } }[] };
    };
    sent.rows.bodies[0]!.data.name = 'Another name';
    const { body: refused } = await bring({ bodies: sent.rows.bodies as never[] }).expect(422);
    expect(refused.errors[0]).toMatchObject({ path: 'rows.bodies.0', message: expect.stringMatching(/checksum/) });
    delete (sent.rows.bodies[0] as { checksum?: string }).checksum;
    await bring({ bodies: sent.rows.bodies as never[] }, { existing: 'replace' }).expect(200);
  });
});

describe('a body that comes packed', () => {
  const sent = Buffer.from(JSON.stringify(file({ bodies: [{ id: testId(1), data: body }] })));
  const packed = { gzip: zlib.gzipSync(sent), deflate: zlib.deflateSync(sent), br: zlib.brotliCompressSync(sent) };
  const post = (encoding: string, bytes: Buffer) =>
    api()
      .post('/api/v1/import')
      .set('content-type', 'application/json')
      .set('content-encoding', encoding)
      .serialize((each: unknown) => each as string)
      .send(bytes as unknown as string);

  it.each(['gzip', 'br'] as const)(
    'with %s is refused where a few bytes become very many',
    async (encoding) => {
      const head = '{"format":"jauge","formatVersion":1,"rows":{"bodies":[';
      const bomb = Buffer.concat([Buffer.from(head), Buffer.alloc(300_000_000, ' ')]);
      const bytes =
        encoding === 'gzip'
          ? zlib.gzipSync(bomb, { level: 1 })
          : zlib.brotliCompressSync(bomb, { params: { [zlib.constants.BROTLI_PARAM_QUALITY]: 1 } });
      const refused = await post(encoding, bytes).expect(413);
      expect(['body.unpacksTooLarge', 'body.tooLarge']).toContain(refused.body.code);
    },
    60_000,
  );

  it.each(Object.keys(packed) as (keyof typeof packed)[])(
    'with %s is unpacked, and refused when it is broken',
    async (encoding) => {
      expect((await post(encoding, packed[encoding]).expect(200)).body).toMatchObject({ created: 1 });
      const broken = await post(encoding, packed[encoding].subarray(0, packed[encoding].length - 9)).expect(400);
      expect(broken.headers['content-type']).toContain('problem+json');
      expect((await post(encoding, Buffer.from('not packed at all')).expect(400)).body.code).toBe('body.encoding');
    },
  );

  it('in a way that is not known is refused', async () => {
    expect((await post('lzma', sent).expect(415)).body.code).toBe('body.encoding');
  });
});

describe('large files', () => {
  const reading = demoReadings()[0]!.data;
  const many = (from: number, count: number) =>
    Array.from({ length: count }, (_, i) => ({
      id: testId(from + i),
      data: { ...reading, note: `Note ${i}`, takenAt: new Date(Date.UTC(2026, 0, 1, 0, 0, i)).toISOString() },
    }));

  it('come in while others write, go out and come in again the same', async () => {
    const importing = bring({ readings: many(1, 3000) }).expect(200);
    const writing = Array.from({ length: 20 }, (_, i) =>
      api()
        .post('/api/v1/bodies')
        .send({ id: testId(5000 + i), data: body })
        .expect(201),
    );
    expect((await importing).body).toEqual({ created: 3000, replaced: 0, kept: 0, removed: 0, unchanged: 0 });
    await Promise.all(writing);
    const strip = (text: string) => text.replace(/"exportedAt":"[^"]*"/, '');
    const first = (await api().get('/api/v1/export').expect(200)).text;
    const other = await openTestServer();
    await request(other.app).post('/api/v1/import').set('content-type', 'application/json').send(first).expect(200);
    expect(strip((await request(other.app).get('/api/v1/export').expect(200)).text)).toBe(strip(first));
    expect(listBackups(other.file)).toMatchObject([{ why: 'before-import' }]);
    await other.close();
    // The same file again changes nothing.
    expect(
      (await api().post('/api/v1/import').set('content-type', 'application/json').send(first).expect(200)).body,
    ).toEqual({ created: 0, replaced: 0, kept: 0, removed: 0, unchanged: 3020 });
  }, 300_000);

  it('are carried through at the next start when they were decided, and forgotten when not', async () => {
    const rows = many(1, 900);
    const draft = async (decided: boolean) => {
      const staging = await openStaging(server.file);
      for (const row of rows) {
        staging.add('readings', row);
        await staging.flush();
      }
      if (decided) await staging.decide('keep', [], await server.database.fileName());
      else await staging.flush(true);
    };
    await draft(false);
    await finishImport(server.database);
    expect((await server.store.list('readings', 1, 0)).total).toBe(0);
    await draft(true);
    await finishImport(server.database);
    expect((await server.store.list('readings', 1, 0)).total).toBe(900);
    expect(fs.existsSync(stagingFile(server.file))).toBe(false);
    // Taken over twice, as after a kill in the middle, it is there once.
    await draft(true);
    expect(await mergeImport(server.database, '2026-05-01T10:00:00.000Z')).toMatchObject({
      created: 0,
      unchanged: 900,
    });
  });

  it('leave nothing behind when the disk fills up in the first part, and are kept for the next start in a later one', async () => {
    const sent = (count: number) =>
      (async function* () {
        yield Buffer.from(JSON.stringify(file({ readings: many(1, count) })));
      })();
    const { together } = server.database;
    let turns = 0;
    const failing = (at: number) => {
      turns = 0;
      server.database.together = (work) => {
        turns += 1;
        return turns === at
          ? Promise.reject(Object.assign(new Error('full'), { code: 'SQLITE_FULL' }))
          : together(work);
      };
    };
    failing(1);
    await expect(importData(server.database, sent(900), () => new Date())).rejects.toThrow('full');
    expect(fs.existsSync(stagingFile(server.file))).toBe(false);
    failing(2);
    await expect(importData(server.database, sent(900), () => new Date())).rejects.toThrow(
      /stopped after \d+ of 900 .* carried through/,
    );
    expect(fs.existsSync(stagingFile(server.file))).toBe(true);
    server.database.together = together;
    await finishImport(server.database);
    expect((await createStore(server.database).list('readings', 1, 0)).total).toBe(900);
  });

  it('are taken one at a time', async () => {
    const answers = await Promise.all([bring({ readings: many(1, 2000) }), bring({ readings: many(1, 2000) })]);
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409]);
    expect(answers.find((answer) => answer.status === 409)!.body.code).toBe('job.running');
  });
});
