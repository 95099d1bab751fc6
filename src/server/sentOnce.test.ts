import { readingFigure } from '@/contract/readingWords';
import type { Reading } from '@/contract/schemas/reading';
import request from 'supertest';
import { demoSubjects } from '@/demo/kit';
import { demoReadings } from '@/demo/readings';
import { READING_SORTS } from '@/contract/readingsSought';
import { orderOf } from './database/rowsJson';
import { maintain } from './maintenance';
import { openTestServer, testId, type TestServer } from './testServer';

let server: TestServer;
beforeEach(async () => {
  server = await openTestServer();
});
afterEach(() => server.close());

const api = () => request(server.app);
const subject = demoSubjects.curlew.data;
const key = (n: number) => `key-0000-${n}`;

describe('a change sent with a key', () => {
  const create = (n: number, name = subject.name) =>
    api()
      .post('/api/v1/subjects')
      .set('idempotency-key', key(n))
      .send({ id: testId(1), data: { ...subject, name } });
  const replace = (n: number, name: string) =>
    api()
      .put(`/api/v1/subjects/${testId(1)}`)
      .set('idempotency-key', key(n))
      .send({ version: 1, data: { ...subject, name } });
  const remove = (n: number, version: number) =>
    api()
      .delete(`/api/v1/subjects/${testId(1)}?version=${version}`)
      .set('idempotency-key', key(n));

  it('is done once, and answered every time as the first', async () => {
    const first = await create(1).expect(201);
    const changed = await replace(2, 'Changed').expect(200);
    expect(changed.body.version).toBe(2);
    // Its answer was lost: it is not a conflict with itself.
    expect((await replace(2, 'Changed').expect(200)).body).toEqual(changed.body);
    expect((await create(1).expect(201)).body).toEqual(first.body);
    expect((await api().get(`/api/v1/subjects/${testId(1)}`)).body).toMatchObject({
      version: 2,
      data: { name: 'Changed' },
    });
    await remove(3, 2).expect(204);
    await remove(3, 2).expect(204);
    await remove(4, 2).expect(404);
  });

  it('without its own key is a conflict as before, and a key used for something else is refused', async () => {
    await create(1).expect(201);
    await replace(2, 'Mine').expect(200);
    await replace(5, 'Theirs').expect(409);
    expect((await replace(2, 'Other words').expect(422)).body.code).toBe('key.reused');
    await api()
      .put(`/api/v1/subjects/${testId(1)}`)
      .send({ version: 1, data: subject })
      .expect(409);
  });

  it('that was refused is looked at anew', async () => {
    await api()
      .put(`/api/v1/subjects/${testId(1)}`)
      .set('idempotency-key', key(6))
      .send({ version: 1, data: subject })
      .expect(404);
    await create(1).expect(201);
    await api()
      .put(`/api/v1/subjects/${testId(1)}`)
      .set('idempotency-key', key(6))
      .send({ version: 1, data: subject })
      .expect(200);
  });

  it('many times at once is done once', async () => {
    const answers = await Promise.all(Array.from({ length: 12 }, () => create(7)));
    expect(answers.map((answer) => answer.status)).toEqual(Array(12).fill(201));
    expect(new Set(answers.map((answer) => JSON.stringify(answer.body))).size).toBe(1);
  });

  it('is remembered for weeks, not for ever', async () => {
    await create(1).expect(201);
    const answers = () => server.database.read.answers.count();
    await maintain(server.database, new Date(Date.now() + 30 * 24 * 3600e3));
    expect(await answers()).toBe(1);
    await maintain(server.database, new Date(Date.now() + 90 * 24 * 3600e3));
    expect(await answers()).toBe(0);
  });
});

describe('backups over HTTP', () => {
  it('are listed, made and brought back', async () => {
    expect((await api().get('/api/v1/backups').expect(200)).body).toEqual({ items: [] });
    await server.store.create('subjects', testId(1), subject);
    const made = (await api().post('/api/v1/backups').expect(201)).body;
    await server.store.remove('subjects', testId(1), 1);
    expect((await api().get('/api/v1/backups')).body.items).toEqual([made]);
    await api().post(`/api/v1/backups/${made.name}/restore`).expect(200);
    expect(
      (
        await api()
          .get(`/api/v1/subjects/${testId(1)}`)
          .expect(200)
      ).body.data,
    ).toEqual(subject);
    expect((await api().post('/api/v1/backups/..%2ftest.sqlite/restore').expect(404)).body.code).toBe('backup.unknown');
  });
});

describe('readings', () => {
  const far = demoReadings().find((row) => row.data.desk === 'far')!.data;
  const near = demoReadings().find((row) => row.data.desk === 'near')!.data;
  const stars = demoReadings().find((row) => row.data.desk === 'stars')!.data;
  const of = (data: typeof far, name: string, day: number, more: object = {}) =>
    ({
      ...data,
      ...more,
      takenAt: `2026-05-0${day}T10:00:00Z`,
      input: { ...data.input, subject: { ...(data.input as { subject?: object }).subject, name } },
    }) as typeof far;
  beforeEach(async () => {
    await server.store.create('readings', testId(1), of(far, 'Élan in the mist', 1, { note: 'by the Reed bed' }));
    await server.store.create(
      'readings',
      testId(2),
      of(far, 'Avocet', 3, { result: { ...far.result, pixelsOnSubject: 5 } }),
    );
    await server.store.create('readings', testId(3), of(near, 'Beetle', 2, { held: 'support' }));
    await server.store.create('readings', testId(4), { ...stars, takenAt: '2026-05-04T10:00:00Z' });
  });
  const ids = async (query: string) =>
    ((await api().get(`/api/v1/readings?${query}`).expect(200)).body.items as { id: string }[]).map((row) =>
      Number(row.id.slice(-1)),
    );

  it('are sorted as asked', async () => {
    expect(await ids('')).toEqual([4, 2, 3, 1]);
    expect(await ids('sort=oldest')).toEqual([1, 3, 2, 4]);
    expect(await ids('sort=subject')).toEqual([2, 3, 4, 1]);
    // By the number each shows: the pixels its verdict counts, or seconds.
    const most = (await api().get('/api/v1/readings?sort=most')).body as { items: { data: Reading }[] };
    const figures = most.items.map(({ data }) => readingFigure(data));
    expect(figures).toEqual([...figures].sort((a, b) => b - a));
    expect(new Set(figures).size).toBeGreaterThan(1);
    expect(await ids('sort=newest&limit=2&offset=1')).toEqual([2, 3]);
  });

  it('are found by any words of subject, set-up and note, whatever their case', async () => {
    expect(await ids('search=REED%20%C3%A9lan')).toEqual([1]);
    expect(await ids('search=reed%20avocet')).toEqual([]);
    expect(await ids('search=%25')).toEqual([]);
    expect((await api().get('/api/v1/readings?search=avocet')).body.total).toBe(1);
    await server.store.replace('readings', testId(2), 1, of(far, 'Godwit', 3));
    expect([await ids('search=avocet'), await ids('search=godwit')]).toEqual([[], [2]]);
  });

  it('are found by desk and by whether it is noted how they were held', async () => {
    expect(await ids('desk=near')).toEqual([3]);
    expect(await ids('desk=far&held=noted')).toEqual([]);
    expect(await ids('held=noted')).toEqual([3]);
    expect([await ids(`id=${testId(2)}`), await ids(`id=${testId(77)}`)]).toEqual([[2], []]);
    await api().get('/api/v1/readings?id=x').expect(400);
  });

  it('are put in order through indexes', async () => {
    const indexes = {
      newest: 'readings_taken_at',
      oldest: 'readings_taken_at',
      subject: 'readings_subject',
      most: 'readings_figure',
    };
    for (const sort of READING_SORTS) {
      const index = indexes[sort];
      const [plan] = await server.database.writer.query(
        `EXPLAIN QUERY PLAN SELECT * FROM readings ORDER BY ${orderOf('readings', sort)} LIMIT 100`,
      );
      expect(JSON.stringify(plan)).not.toContain('TEMP B-TREE');
      expect(JSON.stringify(plan)).toContain(index);
    }
  });
});
