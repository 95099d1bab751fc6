import { demoBodies, demoOptics } from '@/demo/kit';
import request from 'supertest';
import { openTestServer, type TestServer } from './testServer';

let server: TestServer;
const OWN = '7f8e2f5a-30e7-4c8c-9df5-2f3ad22fe001';

beforeAll(async () => {
  server = await openTestServer();
}, 300_000);
afterAll(() => server.close());

it('comes in beside what is there, and goes again with a backup made before; what one’s own rows use stays', async () => {
  const call = (method: 'GET' | 'POST' | 'DELETE', path: string, body?: object) => {
    const { app } = server;
    const sent = { GET: request(app).get(path), POST: request(app).post(path), DELETE: request(app).delete(path) }[
      method
    ];
    return body ? sent.send(body) : sent;
  };
  expect((await call('GET', '/api/v1/demo')).body).toMatchObject({
    rows: 0,
    evening: { day: '2026-11-07', site: { zone: 'Europe/London' } },
  });
  const added = (await call('POST', '/api/v1/demo')).body as { added: number };
  expect(added.added).toBeGreaterThan(40);
  // Again: nothing comes in twice.
  expect((await call('POST', '/api/v1/demo')).body).toEqual({ added: 0 });
  const own = {
    name: 'Mine',
    bodyId: demoBodies.ostrel.id,
    modeId: 'whole',
    chain: [{ type: 'optic', id: demoOptics.tele600.id }],
  };
  expect((await call('POST', '/api/v1/setups', { id: OWN, data: own })).status).toBe(201);

  const before = ((await call('GET', '/api/v1/backups')).body as { items: unknown[] }).items.length;
  const gone = (await call('DELETE', '/api/v1/demo')).body as { removed: number; kept: number };
  expect(gone.kept).toBe(2);
  expect(((await call('GET', '/api/v1/backups')).body as { items: unknown[] }).items.length).toBe(before + 1);
  expect((await call('GET', '/api/v1/demo')).body).toMatchObject({ rows: 2 });
  const names = async (resource: string) =>
    ((await call('GET', `/api/v1/${resource}`)).body as { items: { data: { name: string } }[] }).items.map(
      (row) => row.data.name,
    );
  expect(await names('setups')).toEqual(['Mine']);
  expect(await names('bodies')).toEqual([demoBodies.ostrel.data.name]);
  expect(await names('subjects')).toEqual([]);
  // There is still something to judge by.
  expect((await names('outputs')).length).toBeGreaterThan(0);
}, 300_000);
