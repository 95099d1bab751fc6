import fs from 'node:fs';
import type http from 'node:http';
import net, { type AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import zlib from 'node:zlib';
import express from 'express';
import * as fc from 'fast-check';
import request from 'supertest';
import { demoBodies } from '@/demo/kit';
import { cutSlowBodies, httpServer } from './httpServer';
import { openTestServer, testId, type TestServer } from './testServer';

let server: TestServer;
let listening: http.Server;
let dist: string;
let port: number;
beforeAll(async () => {
  dist = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-dist-'));
  fs.writeFileSync(path.join(dist, 'index.html'), '<!doctype html><title>Jauge</title><!--first-view-->');
  fs.writeFileSync(path.join(dist, 'first.css'), 'body { color: black }');
  fs.mkdirSync(path.join(dist, 'assets'));
  server = await openTestServer({ distFolder: dist });
  // Laid after the start; one that is there before stops it.
  fs.writeFileSync(path.join(os.tmpdir(), `jauge-outside-${process.pid}.txt`), 'not yours');
  fs.symlinkSync(path.join(os.tmpdir(), `jauge-outside-${process.pid}.txt`), path.join(dist, 'link.txt'));
  fs.symlinkSync('/etc', path.join(dist, 'assets', 'etc'));
  listening = httpServer(server.app);
  await new Promise<void>((resolve) => listening.listen(0, '127.0.0.1', resolve));
  port = (listening.address() as AddressInfo).port;
});
afterAll(async () => {
  listening.closeAllConnections();
  await new Promise((resolve) => listening.close(resolve));
  await server.close();
  fs.rmSync(dist, { recursive: true, force: true });
  fs.rmSync(path.join(os.tmpdir(), `jauge-outside-${process.pid}.txt`), { force: true });
});

/** Sends bytes as they are and gives what comes back until the connection ends. */
function raw(bytes: string | Buffer, patienceMs = 4000): Promise<string> {
  return new Promise((resolve, reject) => {
    const socket = net.connect(port, '127.0.0.1', () => socket.write(bytes));
    let text = '';
    socket.setTimeout(patienceMs, () => socket.destroy());
    socket.on('data', (chunk) => (text += chunk.toString('latin1')));
    socket.on('close', () => resolve(text));
    socket.on('error', reject);
  });
}

const host = () => `Host: 127.0.0.1:${port}\r\n`;
const get = (target: string, headers = '') =>
  raw(`GET ${target} HTTP/1.1\r\n${host()}${headers}Connection: close\r\n\r\n`);
const post = (target: string, body: string | Buffer, headers = '') =>
  raw(
    Buffer.concat([
      Buffer.from(
        `POST ${target} HTTP/1.1\r\n${host()}Content-Type: application/json\r\nContent-Length: ${body.length}\r\n${headers}Connection: close\r\n\r\n`,
      ),
      Buffer.from(body),
    ]),
  );
const statusOf = (answer: string) => Number(/^HTTP\/1\.1 (\d{3})/.exec(answer)?.[1]);
const isProblem = (answer: string) =>
  /content-type: application\/problem\+json/i.test(answer) &&
  (
    JSON.parse(answer.slice(answer.indexOf('\r\n\r\n') + 4).replace(/^[0-9a-f]+\r\n|\r\n0\r\n\r\n$/gi, '')) as {
      detail: string;
    }
  ).detail.length > 10;

describe('every refusal is a problem in plain words', () => {
  const broken = zlib.gzipSync('{"id":1}').subarray(0, 12);
  it.each<[string, () => Promise<string>, number]>([
    ['a broken percent sign in an id', () => get('/api/v1/bodies/%E0%A4%A'), 400],
    ['a broken percent sign in a page', () => get('/%'), 400],
    ['a broken percent sign in a file', () => get('/assets/%ff%'), 400],
    ['a body that is not packed as it says', () => post('/api/v1/bodies', 'plain', 'Content-Encoding: gzip\r\n'), 400],
    ['a gzip body cut off', () => post('/api/v1/bodies', broken, 'Content-Encoding: gzip\r\n'), 400],
    ['a deflate body that is none', () => post('/api/v1/bodies', 'plain', 'Content-Encoding: deflate\r\n'), 400],
    ['a brotli body that is none', () => post('/api/v1/bodies', 'plain', 'Content-Encoding: br\r\n'), 400],
    ['an encoding nobody knows', () => post('/api/v1/bodies', 'plain', 'Content-Encoding: zip\r\n'), 415],
    ['an impossible range', () => get('/first.css', 'Range: bytes=9999-99999\r\n'), 416],
    ['a condition that does not hold', () => get('/first.css', 'If-Match: "none"\r\n'), 412],
    ['an expectation', () => get('/api/v1/health', 'Expect: a miracle\r\n'), 417],
    ['no HTTP at all', () => raw('hello\r\n\r\n'), 400],
    ['a header without end', () => raw(`GET / HTTP/1.1\r\n${host()}X: ${'y'.repeat(40_000)}`), 431],
    ['a length that is none', () => raw(`POST /api/v1/bodies HTTP/1.1\r\n${host()}Content-Length: -5\r\n\r\n`), 400],
    [
      'two lengths',
      () => raw(`POST /api/v1/bodies HTTP/1.1\r\n${host()}Content-Length: 5\r\nContent-Length: 6\r\n\r\nhello`),
      400,
    ],
    [
      'chunks that are none',
      () =>
        raw(
          `POST /api/v1/bodies HTTP/1.1\r\n${host()}Content-Type: application/json\r\nTransfer-Encoding: chunked\r\n\r\nzz\r\n`,
        ),
      400,
    ],
    ['no host', () => raw('GET /api/v1/health HTTP/1.1\r\nConnection: close\r\n\r\n'), 403],
    ['another host', () => raw('GET / HTTP/1.1\r\nHost: example.test\r\nConnection: close\r\n\r\n'), 403],
    ['another origin', () => get('/api/v1/bodies', 'Origin: http://example.test\r\n'), 403],
    ['another site, by the browser’s word', () => get('/api/v1/bodies', 'Sec-Fetch-Site: cross-site\r\n'), 403],
    ['another port of this machine', () => get('/api/v1/bodies', 'Sec-Fetch-Site: same-site\r\n'), 403],
    [
      'another site that frames a page',
      () => get('/first.css', 'Sec-Fetch-Site: cross-site\r\nSec-Fetch-Mode: no-cors\r\n'),
      403,
    ],
    [
      'another site that leads to the data',
      () => get('/api/v1/export', 'Sec-Fetch-Site: cross-site\r\nSec-Fetch-Mode: navigate\r\n'),
      403,
    ],
    ['a method nobody takes', () => raw(`PATCH /api/v1/bodies HTTP/1.1\r\n${host()}Connection: close\r\n\r\n`), 404],
    ['a link that leads out', () => get('/link.txt'), 404],
    ['a folder that leads out', () => get('/assets/etc/hostname'), 404],
    ['a path that climbs out', () => get('/..%2f..%2fetc/passwd'), 404],
    ['too much to look for', () => get(`/api/v1/readings?search=${'x'.repeat(300)}`), 400],
    ['a sort nobody knows', () => get('/api/v1/readings?sort=drop%20table'), 400],
    ['a key that is none', () => post('/api/v1/bodies', '{}', 'Idempotency-Key: a b\r\n'), 400],
    ['a body that is too large', () => post('/api/v1/bodies', Buffer.alloc(600_000, ' ')), 413],
  ])('%s', async (_, send, status) => {
    const answer = await send();
    expect(statusOf(answer)).toBe(status);
    expect(isProblem(answer)).toBe(true);
  });

  it('a link from elsewhere to a page is followed, and localhost leads to the one origin', async () => {
    expect(
      statusOf(await get('/kit', 'Accept: text/html\r\nSec-Fetch-Site: cross-site\r\nSec-Fetch-Mode: navigate\r\n')),
    ).toBe(200);
    const moved = await raw(
      `GET /kit?a=1 HTTP/1.1\r\nHost: localhost:${port}\r\nAccept: text/html\r\nConnection: close\r\n\r\n`,
    );
    expect(statusOf(moved)).toBe(308);
    expect(moved).toMatch(new RegExp(`location: http://127\\.0\\.0\\.1:${port}/kit\\?a=1`, 'i'));
  });

  it('sends a policy without inline styles, with trusted types, and without what it does not need', async () => {
    const answer = await get('/first.css');
    expect(answer).not.toContain('unsafe-inline');
    expect(answer).toContain("require-trusted-types-for 'script'");
    expect(answer).toMatch(/permissions-policy: geolocation=\(self\), .*camera=\(\)/i);
  });
});

it('does not start on files with a link among them', async () => {
  await expect(openTestServer({ distFolder: dist })).rejects.toThrow(/is a link, which is not followed/);
});

it('cuts off a body that only drips in', async () => {
  const app = express();
  app.use(cutSlowBodies(60, 1024), express.json());
  app.post('/', (_request, response) => void response.json({}));
  const slow = httpServer(app);
  await new Promise<void>((resolve) => slow.listen(0, '127.0.0.1', resolve));
  const answer = await new Promise<string>((resolve) => {
    let drip: NodeJS.Timeout | undefined;
    const socket = net.connect((slow.address() as AddressInfo).port, '127.0.0.1', () => {
      socket.write('POST / HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: 1000\r\n\r\n{');
      // Not before the head: on a busy machine the first drop would come first.
      drip = setInterval(() => socket.write(' '), 20);
    });
    let text = '';
    socket.on('data', (chunk) => (text += chunk.toString()));
    socket.on('error', () => undefined);
    socket.on('close', () => {
      clearInterval(drip);
      resolve(text);
    });
  });
  expect(statusOf(answer)).toBe(408);
  expect(isProblem(answer)).toBe(true);
  await new Promise((resolve) => slow.close(resolve));
});

it('answers whatever is sent with less than 500, and every refusal with a problem', async () => {
  const piece = fc.oneof(
    fc.constantFrom(
      'bodies',
      'readings',
      'setups',
      'export',
      'import',
      'health',
      'backups',
      testId(1),
      '%',
      '%00',
      '..',
      'constructor',
      '__proto__',
      '%F0%9F',
      '?limit=-1',
      '?offset=1e99',
      '?version=0',
    ),
    fc.string({ maxLength: 12 }).map(encodeURIComponent),
  );
  const json = fc.oneof(
    fc.json({ maxDepth: 4 }),
    fc.constant(JSON.stringify({ id: testId(1), data: demoBodies.ostrel.data })),
    fc.string({ maxLength: 40 }),
  );
  await fc.assert(
    fc.asyncProperty(
      fc.constantFrom('get', 'post', 'put', 'delete'),
      fc.array(piece, { maxLength: 4 }),
      json,
      fc.constantFrom('application/json', 'text/plain', 'application/json; charset=utf-7'),
      async (method, pieces, body, type) => {
        const agent = request(listening)
          [method as 'get'](`/api/v1/${pieces.join('/')}`)
          .set('content-type', type)
          .set('host', `127.0.0.1:${port}`);
        const answer = method === 'get' ? await agent : await agent.send(body);
        expect(answer.status).toBeLessThan(500);
        if (answer.status >= 400) expect(answer.headers['content-type']).toContain('application/problem+json');
      },
    ),
    { numRuns: 150 },
  );
}, 300_000);
