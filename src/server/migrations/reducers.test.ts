import { QueryTypes } from 'sequelize';
import { demoAdapters } from '@/demo/kit';
import { openTestServer, testId, type TestServer } from '../testServer';
import * as reducers from './0002-reducers';

let server: TestServer;
beforeEach(async () => {
  server = await openTestServer();
});
afterEach(() => server.close());

const kinds = async () =>
  (
    await server.database.writer.query<{ kind: string }>(
      "SELECT json_extract(data, '$.kind') AS kind FROM adapters ORDER BY id",
      { type: QueryTypes.SELECT },
    )
  ).map((row) => row.kind);

it('makes converters with a factor below 1 reducers, leaves the others, and can be undone', async () => {
  const queryInterface = server.database.writer.getQueryInterface();
  await server.store.create('adapters', testId(1), demoAdapters.converter14.data);
  await server.store.create('adapters', testId(2), { kind: 'reducer', name: 'Old', factor: 0.71, autofocus: true });
  await reducers.down(queryInterface);
  expect(await kinds()).toEqual(['converter', 'converter']);
  await reducers.up(queryInterface);
  expect(await kinds()).toEqual(['converter', 'reducer']);
  expect((await server.store.get('adapters', testId(2))).data).toEqual({
    kind: 'reducer',
    name: 'Old',
    factor: 0.71,
    autofocus: true,
  });
});
