import net from 'node:net';
import path from 'node:path';
import tls from 'node:tls';
import express from 'express';
import pino from 'pino';
import { openTestServer, type TestServer } from '../testServer';
import { knownAddresses, type HandshakeLimits } from './handshakes';
import { openHome, type Home } from './home';
import { listenAtHome, type HomeListener } from './listener';

const LIMITS: HandshakeLimits = { timeMs: 600, most: 8, mostOfOne: 3, strangers: 12, strangersOfOne: 6 };

let server: TestServer;
let home: Home;
let listener: HomeListener;
let port: number;
const sockets: net.Socket[] = [];
beforeEach(async () => {
  server = await openTestServer();
  home = await openHome(server.database, path.join(path.dirname(server.file), 'lan'), ['127.0.0.2']);
  const app = express().get('/', (_request, response) => void response.send('here'));
  const logger = pino({ level: 'silent' });
  listener = await listenAtHome(app, home, { wanted: '127.0.0.2', port: 0, logger, limits: LIMITS });
  port = Number(new URL(home.urls()[0]!).port);
});
afterEach(async () => {
  for (const socket of sockets.splice(0)) socket.destroy();
  listener.close();
  await server.close();
});

/** A connection that says nothing, from an address of this machine; resolves once it is closed. */
function silent(from: string): { closed: Promise<void>; open: () => boolean } {
  const socket = net.connect({ port, host: '127.0.0.2', localAddress: from });
  sockets.push(socket);
  socket.on('error', () => undefined);
  return { closed: new Promise((resolve) => socket.on('close', () => resolve())), open: () => !socket.destroyed };
}

const asks = (from: string): Promise<string> =>
  new Promise((resolve) => {
    const socket = tls.connect(
      {
        port,
        host: '127.0.0.2',
        localAddress: from,
        ca: home.certificates().authority.cert,
        servername: '',
      } as tls.ConnectionOptions,
      () => socket.write('GET / HTTP/1.1\r\nHost: 127.0.0.2\r\nConnection: close\r\n\r\n'),
    );
    sockets.push(socket);
    let text = '';
    socket.on('data', (chunk) => (text += chunk.toString()));
    socket.on('error', () => resolve('refused'));
    socket.on('close', () => resolve(text || 'refused'));
  });

it('lets others in while one address sends nothing over all its connections, and destroys those', async () => {
  const flood = Array.from({ length: 40 }, () => silent('127.0.0.3'));
  await new Promise((resolve) => setTimeout(resolve, 150));
  expect(flood.filter((each) => each.open()).length).toBeLessThanOrEqual(LIMITS.mostOfOne);
  expect(await asks('127.0.0.9')).toContain('here');
  await Promise.all(flood.map((each) => each.closed));
  // Afterwards the same address is as good as any other.
  expect(await asks('127.0.0.3')).toContain('here');
});

it('keeps room for addresses that paired devices came from, while many others send nothing', async () => {
  home.known.note('127.0.0.50');
  const flood = Array.from({ length: 40 }, (_, i) => silent(`127.0.1.${i + 1}`));
  await new Promise((resolve) => setTimeout(resolve, 150));
  expect(flood.filter((each) => each.open()).length).toBeLessThanOrEqual(LIMITS.most);
  expect(await asks('127.0.0.60')).toBe('refused');
  expect(await asks('127.0.0.50')).toContain('here');
  await Promise.all(flood.map((each) => each.closed));
  expect(await asks('127.0.0.60')).toContain('here');
});

it('speaks no old ciphers', async () => {
  const said = await new Promise<string>((resolve) => {
    const socket = tls.connect({
      port,
      host: '127.0.0.2',
      ca: home.certificates().authority.cert,
      servername: '',
      maxVersion: 'TLSv1.2',
      ciphers: 'ECDHE-ECDSA-AES128-SHA:ECDHE-ECDSA-AES128-SHA256',
    });
    sockets.push(socket);
    socket.on('secureConnect', () => resolve(socket.getCipher().name));
    socket.on('error', (error) => resolve((error as NodeJS.ErrnoException).code ?? 'refused'));
  });
  expect(said).toMatch(/^(ERR_SSL|ECONNRESET)/);
});

it('forgets an address after a day', () => {
  let now = 0;
  const known = knownAddresses(() => now);
  known.note('10.0.0.1');
  expect(known.has('10.0.0.1')).toBe(true);
  now = 25 * 3600_000;
  expect(known.has('10.0.0.1')).toBe(false);
});
