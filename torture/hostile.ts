import net from 'node:net';
import { demoBodies } from '@/demo/kit';
import path from 'node:path';
import { idOf, inFolder, kill, startServer } from './server';
import { count, newTally, randomOf, type Tally } from './tally';

const AT_ONCE = 24;

type Random = () => number;
const pick = <T>(random: Random, items: readonly T[]): T => items[Math.floor(random() * items.length)]!;
const bytesOf = (random: Random, most: number): Buffer =>
  Buffer.from(Array.from({ length: Math.floor(random() * most) }, () => Math.floor(random() * 256)));

const PIECES = [
  'api',
  'v1',
  'bodies',
  'readings',
  'setups',
  'starTests',
  'import',
  'export',
  'health',
  'schemas',
  'backups',
  'restore',
  '%',
  '%00',
  '%ff',
  '..',
  '...',
  '%2e%2e',
  '%2f',
  'constructor',
  '__proto__',
  idOf(1),
  '?limit=0',
  '?limit=1e9',
  '?offset=-1',
  '?version=x',
  '?search=%',
  '?sort=a',
  '?existing=x',
  '?id=1',
  ';',
  '\\',
  '*',
  '😀',
  ' ',
];
const HEADERS = [
  'Origin: http://evil.test',
  'Sec-Fetch-Site: cross-site',
  'Content-Encoding: gzip',
  'Content-Encoding: br',
  'Content-Encoding: deflate',
  'Content-Encoding: x',
  'Transfer-Encoding: chunked',
  'Expect: 100-continue',
  'Expect: x',
  'Range: bytes=5-1',
  'Content-Type: application/json',
  'Content-Type: text/plain',
  'Content-Type: application/json; charset=x',
  'Idempotency-Key: !',
  'Idempotency-Key: 12345678',
  'Connection: upgrade',
  'Upgrade: websocket',
  'Content-Length: 99',
  'Content-Length: -1',
  'Accept: text/html',
  'If-None-Match: "',
  `X: ${'y'.repeat(20_000)}`,
  ': x',
  'Host: evil.test',
  'Cookie: a=b',
];
const METHODS = ['GET', 'POST', 'PUT', 'DELETE', 'HEAD', 'OPTIONS', 'PATCH', 'TRACE', 'get', 'BREW'];
const BODIES = [
  '{}',
  '[]',
  'null',
  '{"id":1}',
  '{"__proto__":{"a":1}}',
  '{"format":"jauge","formatVersion":1,"rows":{}}',
  '{"format":"jauge","rows":{"bodies":[{}]}}',
  JSON.stringify({ id: idOf(1), data: demoBodies.ostrel.data }),
  '{"id":"',
  '\u0000',
  '9'.repeat(4000),
  '['.repeat(5000),
];

function requestOf(random: Random, host: string): Buffer {
  if (random() < 0.05) return bytesOf(random, 300);
  const target =
    `/${Array.from({ length: Math.floor(random() * 6) }, () => pick(random, PIECES)).join(random() < 0.8 ? '/' : '')}`.replace(
      / /g,
      random() < 0.5 ? '%20' : ' ',
    );
  const body = random() < 0.3 ? bytesOf(random, 200) : Buffer.from(pick(random, BODIES));
  const prefix = random() < 0.7 ? '/api/v1' : '';
  const lines = [
    `${pick(random, METHODS)} ${prefix}${target} HTTP/1.1`,
    ...(random() < 0.95 ? [`Host: ${host}`] : []),
    ...Array.from({ length: Math.floor(random() * 4) }, () => pick(random, HEADERS)),
    ...(random() < 0.8 ? [`Content-Length: ${body.length}`] : []),
    'Connection: close',
  ];
  return Buffer.concat([Buffer.from(`${lines.join('\r\n')}\r\n\r\n`), body]);
}

function send(port: number, bytes: Buffer): Promise<string> {
  return new Promise((resolve) => {
    let text = '';
    const socket = net.connect(port, '127.0.0.1', () => socket.end(bytes));
    socket.setTimeout(15_000, () => socket.destroy());
    socket.on('data', (chunk) => {
      if (text.length < 4096) text += chunk.toString('latin1');
    });
    socket.on('error', () => undefined);
    socket.on('close', () => resolve(text));
  });
}

/** What is wrong with an answer. */
function faultOf(text: string): string | null {
  // A word in between, on the way to the answer.
  const answer = text.replace(/^(HTTP\/1\.1 1\d\d[^\r]*\r\n\r\n)+/, '');
  if (answer === '') return null;
  const status = Number(/^HTTP\/1\.1 (\d{3})/.exec(answer)?.[1]);
  if (!(status >= 200 && status < 600)) return 'an answer that is no HTTP';
  if (status >= 500) return `an answer of ${status}`;
  if (status >= 400 && !/content-type: application\/problem\+json/i.test(answer))
    return `an answer of ${status} that is no problem+json`;
  return null;
}

/** Sends requests nobody honest sends. */
export function hostile(minutes: number, seed: number, wanted = 100_000): Promise<Tally> {
  return inFolder(async (folder) => {
    const server = startServer(path.join(folder, 'own.sqlite'), { JAUGE_LOG: 'silent' });
    const url = (await server.url)!;
    const { port, host } = new URL(url);
    const random = randomOf(seed);
    const tally = newTally('hostile requests', wanted);
    const end = Date.now() + minutes * 60_000;
    const one = async () => {
      while (tally.done < wanted && Date.now() < end) {
        tally.done += 1;
        const bytes = requestOf(random, host);
        const answer = await send(Number(port), bytes);
        const fault = faultOf(answer);
        if (fault) tally.faults.push(`${fault} to ${JSON.stringify(bytes.toString('latin1').slice(0, 200))}`);
        if (answer === '') count(tally, 'closed without an answer');
        else if (/^HTTP\/1\.1 4/.test(answer)) count(tally, 'refused as problem+json');
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, one));
    const alive = await fetch(`${url}/api/v1/health`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (!alive) tally.faults.push('the server is gone');
    await kill(server);
    return tally;
  });
}
