import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import request from 'supertest';
import { demoSetups } from '@/demo/kit';
import { firstView, firstViewHtml } from './firstView';
import { loadDemo } from './loadDemo';
import { openTestServer, type TestServer } from './testServer';

let server: TestServer;
let dist: string;
beforeEach(async () => {
  dist = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-dist-'));
  fs.writeFileSync(path.join(dist, 'index.html'), '<!doctype html><body><!--first-view--><div id="root"></div></body>');
  server = await openTestServer({ distFolder: dist });
});
afterEach(async () => {
  await server.close();
  fs.rmSync(dist, { recursive: true, force: true });
});
const page = async (url: string) => (await request(server.app).get(url).set('accept', 'text/html').expect(200)).text;

it('puts the first reading into the page of the Far desk, and only there', async () => {
  await loadDemo(server.store);
  expect(await page('/far')).toMatch(/Marsh hide.*Curlew at 60.m.*1,270.*px on the subject/);
  expect(await page('/')).toContain('id="first-view"');
  expect(await page('/book')).not.toContain('id="first-view"');
});

it('leaves the page as it is while there is nothing to read', async () => {
  expect(await firstView(server.store)).toBeNull();
  expect(await page('/far')).toContain('<!--first-view-->');
});

it('writes names as text, whatever signs they hold', async () => {
  await loadDemo(server.store);
  const hide = await server.store.get('setups', demoSetups.hide.id);
  await server.store.replace('setups', hide.id, hide.version, {
    ...hide.data,
    name: '<img src=x onerror=alert(1)> & "co"',
  });
  const html = firstViewHtml((await firstView(server.store))!);
  expect(html).toContain('&lt;img src=x onerror=alert(1)&gt; &amp; &quot;co&quot;');
  expect(html).not.toContain('<img');
});
