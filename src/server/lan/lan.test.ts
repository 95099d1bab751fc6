import { X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import https from 'node:https';
import os from 'node:os';
import path from 'node:path';
import * as fc from 'fast-check';
import pino from 'pino';
import request from 'supertest';
import type { LanStanding, PairedDevice, PairingOffer } from '@/contract/lan';
import { demoBodies } from '@/demo/kit';
import { createApp } from '../app';
import { openDatabase } from '../database/openDatabase';
import { restoreFile } from '../database/restore';
import { readSettings } from '../settings';
import { openTestServer, testId, type TestServer } from '../testServer';
import { homeAddresses, listenAddresses, machineNames } from './addresses';
import { namesAllowed } from './authority';
import { certificates, identityOf } from './certificates';
import { openHome, type Home } from './home';
import { listenAtHome, namesFor, type HomeListener } from './listener';
import { codeOf, createPairing } from './pairing';

const DAY_MS = 24 * 3600 * 1000;
const silent = pino({ level: 'silent' });

interface Answer {
  status: number;
  headers: https.RequestOptions['headers'] & { 'set-cookie'?: string[]; location?: string };
  text: string;
}

/** A server with both doors: the computer's own, and one on another loopback address, which stands for the network. */
interface AtHome {
  server: TestServer;
  home: Home;
  listener: HomeListener;
  url: URL;
  folder: string;
  computer: ReturnType<typeof createApp>;
}

let at: AtHome;
beforeEach(async () => {
  const dist = fs.mkdtempSync(path.join(os.tmpdir(), 'jauge-lan-'));
  fs.writeFileSync(path.join(dist, 'index.html'), '<!doctype html><title>Jauge</title>');
  fs.writeFileSync(path.join(dist, 'sw.js'), 'self.skipWaiting()');
  const server = await openTestServer();
  const folder = path.join(path.dirname(server.file), 'lan');
  const home = await openHome(server.database, folder, namesFor(['127.0.0.2']));
  const options = { logger: silent, distFolder: dist, home };
  const listener = await listenAtHome(createApp(server.store, server.database, { ...options, door: 'home' }), home, {
    wanted: '127.0.0.2',
    port: 0,
    logger: silent,
  });
  const computer = createApp(server.store, server.database, options);
  at = { server, home, listener, url: new URL(home.urls()[0]!), folder, computer };
});
afterEach(async () => {
  at.listener.close();
  await at.server.close();
});

/** Asks over HTTPS as a device does that trusts the authority. */
function ask(
  target: string,
  { method = 'GET', headers = {}, body }: { method?: string; headers?: Record<string, string>; body?: string } = {},
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const sent = https.request(
      {
        host: '127.0.0.2',
        port: at.url.port,
        path: target,
        method,
        ca: at.home.certificates().authority.cert,
        agent: false,
        ...(headers.host === undefined ? {} : { checkServerIdentity: () => undefined }),
        headers: { ...headers, ...(body === undefined ? {} : { 'content-length': Buffer.byteLength(body) }) },
      },
      (answer) => {
        let text = '';
        answer.on('data', (chunk: Buffer) => (text += chunk.toString('latin1')));
        answer.on('end', () => resolve({ status: answer.statusCode!, headers: answer.headers, text }));
      },
    );
    sent.on('error', reject);
    sent.end(body);
  });
}

const pairForm = (code: string, name = 'Phone', headers: Record<string, string> = {}) =>
  ask('/pair', {
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded', origin: at.url.origin, ...headers },
    body: new URLSearchParams({ code, name }).toString(),
  });

const offered = async (): Promise<string> =>
  ((await request(at.computer).post('/api/v1/pairing').expect(201)).body as PairingOffer).code;

/** Pairs a device and gives the header it asks with from then on. */
async function paired(name = 'Phone'): Promise<{ cookie: string }> {
  const answer = await pairForm(await offered(), name);
  expect(answer.status).toBe(303);
  return { cookie: answer.headers['set-cookie']![0]!.split(';')[0]! };
}

const devices = async (): Promise<PairedDevice[]> =>
  ((await request(at.computer).get('/api/v1/devices').expect(200)).body as { items: PairedDevice[] }).items;

describe('the addresses', () => {
  const one = (address: string, internal = false) => ({
    address,
    internal,
    family: 'IPv4' as const,
    netmask: '255.255.255.0',
    mac: '00:00:00:00:00:00',
    cidr: null,
  });

  it('are those of home networks, never the loopback or the open internet', () => {
    const found = homeAddresses({
      lo: [one('127.0.0.1', true)],
      cable: [one('192.168.1.20'), one('84.12.9.1')],
      radio: [one('10.4.5.6'), one('172.16.0.9'), one('172.32.0.9'), one('169.254.3.3')],
    });
    expect(found).toEqual(['192.168.1.20', '10.4.5.6', '172.16.0.9', '169.254.3.3']);
  });

  it('are only those asked for, and what cannot be one says what to do', () => {
    expect(listenAddresses('192.168.1.20, 10.0.0.5,192.168.1.20', {})).toEqual(['192.168.1.20', '10.0.0.5']);
    for (const [wanted, words] of [
      ['0.0.0.0', /home network/],
      ['8.8.8.8', /open internet/],
      ['192.168.1', /not an address/],
      ['::', /not an address/],
      ['', /no address in a home network/],
    ] as const)
      expect(() => listenAddresses(wanted, {})).toThrow(words);
  });

  it('come from the command line, beside the port', () => {
    const settingsOf = (env: Record<string, string>, words: string[] = []) =>
      readSettings(env as NodeJS.ProcessEnv, '/x', words);
    expect(settingsOf({}).lan).toBeNull();
    expect(settingsOf({}, ['--lan']).lan).toEqual({ wanted: '', port: 4101 });
    expect(settingsOf({ JAUGE_LAN_PORT: '5000' }, ['--lan=10.0.0.5']).lan).toEqual({
      wanted: '10.0.0.5',
      port: 5000,
    });
    expect(() => settingsOf({}, ['--wlan'])).toThrow(/“--wlan” is not known/);
    expect(() => settingsOf({ JAUGE_LAN_PORT: 'x' }, ['--lan'])).toThrow(/JAUGE_LAN_PORT/);
  });

  it('have names that a certificate can hold', () => {
    expect(machineNames('Marsh-Desk.local')).toEqual(['marsh-desk', 'marsh-desk.local']);
    expect(machineNames('odd name')).toEqual([]);
  });
});

describe('the certificates', () => {
  const names = ['192.168.1.20', 'desk.local'];
  const folder = () => path.join(at.folder, 'other');

  it('are signed by an authority that is made once and belongs to its owner alone', async () => {
    const first = await certificates(folder(), names);
    const second = await certificates(folder(), names);
    expect(second).toEqual(first);
    const authority = new X509Certificate(first.authority.cert);
    const server = new X509Certificate(first.server.cert);
    expect(authority.ca).toBe(true);
    expect(server.ca).toBe(false);
    expect(server.verify(authority.publicKey)).toBe(true);
    expect(server.checkIP('192.168.1.20')).toBe('192.168.1.20');
    expect(server.checkHost('desk.local')).toBe('desk.local');
    expect(server.checkIP('192.168.1.21')).toBeUndefined();
    for (const file of fs.readdirSync(folder())) expect(fs.statSync(path.join(folder(), file)).mode & 0o077).toBe(0);
    expect(identityOf(first.authority).fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
  });

  it('are renewed before their end and for other names, the authority staying', async () => {
    const now = Date.now();
    const first = await certificates(folder(), names, new Date(now));
    const later = await certificates(folder(), names, new Date(now + 365 * DAY_MS));
    const good = await certificates(folder(), names, new Date(now + 400 * DAY_MS));
    const moved = await certificates(folder(), ['192.168.1.21'], new Date(now));
    expect(later.server.cert).not.toBe(first.server.cert);
    expect(good.server.cert).toBe(later.server.cert);
    expect(new X509Certificate(moved.server.cert).checkIP('192.168.1.21')).toBe('192.168.1.21');
    for (const each of [later, good, moved]) expect(each.authority).toEqual(first.authority);
    // No browser of a phone takes one that holds longer.
    const { validFrom, validTo } = new X509Certificate(later.server.cert);
    expect(Date.parse(validTo) - Date.parse(validFrom)).toBeLessThan(398 * DAY_MS);
  });

  it('are made anew when a clock that was ahead made them: they would not hold yet', async () => {
    const now = Date.now();
    const ahead = await certificates(folder(), names, new Date(now + 400 * DAY_MS));
    const back = await certificates(folder(), names, new Date(now));
    expect(back.authority.cert).not.toBe(ahead.authority.cert);
    for (const { cert } of [back.authority, back.server])
      expect(Date.parse(new X509Certificate(cert).validFrom)).toBeLessThanOrEqual(now);
  });

  it('vouch for private addresses and the names of this machine only', async () => {
    const { authority, server } = await certificates(folder(), names);
    expect(namesAllowed(authority.cert)).toEqual(['desk.local']);
    expect(new X509Certificate(server.cert).subjectAltName).toContain('desk.local');
    const renamed = await certificates(folder(), ['192.168.1.20', 'other.local']);
    expect(renamed.authority).toEqual(authority);
    expect(new X509Certificate(renamed.server.cert).subjectAltName).not.toContain('other.local');
  });

  it('are made anew when they are damaged or do not belong together', async () => {
    const first = await certificates(folder(), names);
    fs.writeFileSync(path.join(folder(), 'server.pem'), 'nothing');
    const mended = await certificates(folder(), names);
    expect(new X509Certificate(mended.server.cert).verify(new X509Certificate(first.authority.cert).publicKey)).toBe(
      true,
    );
    fs.copyFileSync(path.join(folder(), 'server.key'), path.join(folder(), 'authority.key'));
    expect((await certificates(folder(), names)).authority.cert).not.toBe(first.authority.cert);
  });

  it('are what the home network is given, under the names of this machine only', async () => {
    expect((await ask('/pair')).status).toBe(200);
    expect((await ask('/pair', { headers: { host: `elsewhere.example:${at.url.port}` } })).status).toBe(403);
    expect((await ask('/pair', { headers: { host: '127.0.0.1' } })).status).toBe(403);
    await expect(
      new Promise((resolve, reject) =>
        https.get({ host: '127.0.0.2', port: at.url.port, path: '/pair', agent: false }, resolve).on('error', reject),
      ),
    ).rejects.toThrow(/unable to (verify|get)|self.signed/i);
  });
});

describe('an unpaired device', () => {
  it('is shown the pairing page and nothing else', async () => {
    const page = await ask('/pair');
    expect(page.text).toContain('Pair this device');
    expect(page.text).not.toContain('<script');
    for (const target of ['/', '/far', '/kit/along'])
      expect(await ask(target, { headers: { accept: 'text/html' } })).toMatchObject({
        status: 303,
        headers: { location: '/pair' },
      });
    for (const target of [
      '/sw.js',
      '/index.html',
      '/api/v1/health',
      '/api/v1/bodies',
      '/api/v1/lan/authority.crt',
      '/API/v1/lan',
    ])
      expect(await ask(target)).toMatchObject({
        status: 401,
        text: expect.stringContaining('device.unpaired') as string,
      });
    for (const method of ['POST', 'PUT', 'DELETE']) expect((await ask('/api/v1/bodies', { method })).status).toBe(401);
  });

  it('gets nothing for a cookie that is made up, of another device or cut short', async () => {
    const { cookie } = await paired();
    const [id, secret] = cookie.split('=')[1]!.split('.') as [string, string];
    for (const brought of [
      'x',
      `${id}.`,
      `${id}.x`,
      `${testId(1)}.${secret}`,
      `.${secret}`,
      `${id}.${secret}x`,
      `${id}.${secret.slice(1)}`,
    ])
      expect((await ask('/api/v1/health', { headers: { cookie: `__Host-jauge=${brought}` } })).status).toBe(401);
    expect((await ask('/api/v1/health', { headers: { cookie } })).status).toBe(200);
  });

  it('cannot be pressed through by made-up requests', async () => {
    const piece = fc.constantFrom(
      '/',
      '/pair',
      '/api/v1/',
      'bodies',
      'export',
      '..',
      '%2e%2e',
      '%00',
      '?code=',
      '<script>',
      '"',
      '\\',
      'é',
      'x',
    );
    const methods = fc.constantFrom('GET', 'POST', 'PUT', 'DELETE', 'HEAD', 'OPTIONS', 'PATCH');
    const types = fc.constantFrom(
      'application/json',
      'application/x-www-form-urlencoded',
      'multipart/form-data',
      'text/html',
    );
    const bodies = fc.constantFrom(
      '',
      '{}',
      'code=AAAA',
      'code[]=1&name[]=2',
      '__proto__=1',
      '{"code":{}}',
      'x'.repeat(3000),
      'code=%ff&name=%00',
    );
    let asked = 0;
    await fc.assert(
      fc.asyncProperty(
        fc.array(piece, { minLength: 1, maxLength: 5 }),
        methods,
        types,
        bodies,
        async (pieces, method, type, body) => {
          // The limit would hide what is looked for: every few requests another device.
          if (asked++ % 40 === 0) await fresh();
          const answer = await ask(`/${pieces.join('')}`.replace(/[^\x21-\x7e]/g, encodeURIComponent), {
            method,
            headers: {
              'content-type': type,
              cookie: `__Host-jauge=${pieces.join('').replace(/[^\x21-\x3a\x3c-\x7e]/g, '')}`,
            },
            ...(['POST', 'PUT', 'PATCH'].includes(method) ? { body } : {}),
          });
          expect(answer.status).toBeLessThan(500);
          if (answer.status === 200) expect(answer.text === '' || answer.text.includes('Pair this device')).toBe(true);
          else if (answer.status === 303) expect(answer.headers.location).toBe('/pair');
          else expect(answer.status).toBeGreaterThanOrEqual(400);
          expect(answer.headers['set-cookie']).toBeUndefined();
          expect(answer.text).not.toContain('<script>');
        },
      ),
      { numRuns: 150 },
    );
    expect(await devices()).toEqual([]);
  });

  it('is slowed down', async () => {
    const answers = await Promise.all(Array.from({ length: 70 }, () => ask('/api/v1/bodies')));
    expect(answers.filter(({ status }) => status === 401)).toHaveLength(60);
    expect(answers.filter(({ status }) => status === 429)).toHaveLength(10);
  });

  it('may try a code ten times a minute', async () => {
    const answers = [];
    for (let i = 0; i < 12; i++) answers.push(await pairForm('WRONG'));
    expect(answers.map(({ status }) => status)).toEqual([...Array(10).fill(403), 429, 429]);
  });
});

/** Another listener, whose limits count from nothing. */
async function fresh(): Promise<void> {
  at.listener.close();
  const app = createApp(at.server.store, at.server.database, { logger: silent, home: at.home, door: 'home' });
  at.listener = await listenAtHome(app, at.home, { wanted: '127.0.0.2', port: 0, logger: silent });
  at.url = new URL(at.home.urls()[0]!);
}

describe('pairing', () => {
  it('gives a device a secret of its own, of which the file holds the hash', async () => {
    const answer = await pairForm((await offered()).toLowerCase().replace(/(....)/, '$1 -'), '  My   phone ');
    expect(answer).toMatchObject({ status: 303, headers: { location: '/' } });
    const cookie = answer.headers['set-cookie']![0]!;
    expect(cookie).toMatch(
      /^__Host-jauge=[\w.-]+; Max-Age=\d+; Path=\/; Expires=[^;]+; HttpOnly; Secure; SameSite=Strict$/,
    );
    const secret = cookie.split('.')[1]!.split(';')[0]!;
    await at.server.database.writer.query('PRAGMA wal_checkpoint(TRUNCATE)');
    expect(fs.readFileSync(at.server.file).includes(secret)).toBe(false);
    expect(await devices()).toMatchObject([{ name: 'My phone' }]);
  });

  it('uses a code up, and lets no second device in with it', async () => {
    const code = await offered();
    expect((await pairForm(code)).status).toBe(303);
    expect(await pairForm(code)).toMatchObject({
      status: 403,
      text: expect.stringContaining('no such code now') as string,
    });
    expect((await request(at.computer).get('/api/v1/pairing')).body).toEqual({ offer: null, ended: 'used' });
  });

  it('takes a code away after five wrong tries, the right one then too', async () => {
    const code = await offered();
    for (const words of [
      '4 tries are left',
      '3 tries are left',
      '2 tries are left',
      'One try is left',
      'it was the last try',
    ])
      expect((await pairForm('AAAAAAAA')).text).toContain(words);
    expect((await pairForm(code)).status).toBe(403);
    expect((await request(at.computer).get('/api/v1/pairing')).body).toEqual({ offer: null, ended: 'tries' });
    expect(await devices()).toEqual([]);
  });

  it('ends after five minutes', () => {
    let nowMs = 1000;
    const pairing = createPairing(() => nowMs);
    const { code } = pairing.offer();
    nowMs += 5 * 60_000 - 1;
    expect(pairing.standing().offer?.code).toBe(code);
    nowMs += 1;
    expect(pairing.try(code)).toEqual({ kind: 'none' });
    expect(pairing.standing()).toEqual({ offer: null, ended: 'over' });
  });

  it('tells that a code was used once the device is in the list, and takes it from nobody else meanwhile', () => {
    const pairing = createPairing();
    const { code } = pairing.offer();
    expect(pairing.try(code)).toEqual({ kind: 'right' });
    expect(pairing.standing()).toMatchObject({ offer: { code }, ended: null });
    expect(pairing.try(code)).toEqual({ kind: 'none' });
    pairing.settle(true);
    expect(pairing.standing()).toEqual({ offer: null, ended: 'used' });
    expect(pairing.try(code)).toEqual({ kind: 'none' });
  });

  it('holds again where the device could not be put in the list; a code shown since is not touched', () => {
    const pairing = createPairing();
    const { code } = pairing.offer();
    pairing.try(code);
    pairing.settle(false);
    expect(pairing.try(code).kind).toBe('right');
    const next = pairing.offer().code;
    pairing.settle(true);
    expect(pairing.standing()).toMatchObject({ offer: { code: next }, ended: null });
  });

  it('that cannot be kept leaves the code as it was', async () => {
    const code = await offered();
    const add = jest.spyOn(at.home.devices, 'add').mockRejectedValueOnce(new Error('the disk is full'));
    expect((await pairForm(code)).status).toBe(500);
    expect((await pairForm(code)).status).toBe(303);
    add.mockRestore();
  });

  it('makes codes of eight characters that cannot be taken for each other, all different', () => {
    const pairing = createPairing();
    const codes = Array.from({ length: 500 }, () => pairing.offer().code);
    for (const code of codes) expect(code).toMatch(/^[A-Z3-9]{8}$/);
    expect(codes.join('')).not.toMatch(/[0O1ILS5B8Z2]/);
    expect(new Set(codes).size).toBe(500);
    // Only the last one shown holds.
    expect(pairing.try(codes[0]!).kind).toBe('wrong');
    expect(pairing.try(codes[499]!).kind).toBe('right');
    expect(codeOf(' ab-cd ef ')).toBe('ABCDEF');
  });

  it('refuses names that are none, and keeps the code for the next try', async () => {
    const code = await offered();
    for (const name of ['', '   ', 'x'.repeat(61), 'a\u0000b']) expect((await pairForm(code, name)).status).toBe(422);
    expect((await pairForm(code, 'Phone')).status).toBe(303);
  });

  it('takes nothing from a page elsewhere', async () => {
    const code = await offered();
    expect((await pairForm(code, 'Phone', { origin: 'https://elsewhere.example' })).status).toBe(403);
    expect((await pairForm(code, 'Phone', { 'sec-fetch-site': 'cross-site' })).status).toBe(403);
    expect((await pairForm(code)).status).toBe(303);
  });

  it('says, where it was not asked for, how to start it', async () => {
    const app = createApp(at.server.store, at.server.database, { logger: silent });
    expect((await request(app).get('/api/v1/lan')).body).toEqual({ here: 'computer', on: false, addresses: [] });
    expect((await request(app).post('/api/v1/pairing').expect(409)).body).toMatchObject({ code: 'lan.off' });
    expect((await request(app).get('/api/v1/devices')).body).toEqual({ items: [] });
  });
});

describe('a paired device', () => {
  const form = { id: testId(1), data: demoBodies.ostrel.data };

  it('reads and writes as the computer does, and is told who it is', async () => {
    const headers = { ...(await paired('Field phone')), 'content-type': 'application/json', origin: at.url.origin };
    expect((await ask('/api/v1/bodies', { method: 'POST', headers, body: JSON.stringify(form) })).status).toBe(201);
    expect((await request(at.computer).get('/api/v1/bodies')).body).toMatchObject({ total: 1 });
    const standing = JSON.parse((await ask('/api/v1/lan', { headers })).text) as LanStanding;
    expect(standing).toMatchObject({ here: 'device', deviceName: 'Field phone', on: true, addresses: [at.url.origin] });
    const authority = await ask('/api/v1/lan/authority.crt', { headers });
    expect(authority.headers).toMatchObject({ 'content-type': 'application/x-x509-ca-cert' });
    expect(new X509Certificate(Buffer.from(authority.text, 'latin1')).fingerprint256).toBe(
      standing.authority!.fingerprint,
    );
    const page = await ask('/far', { headers: { ...headers, accept: 'text/html' } });
    expect(page.text).toContain('<title>Jauge</title>');
    expect(page.headers['set-cookie']![0]).toContain(headers.cookie);
    expect((await ask('/pair', { headers })).headers.location).toBe('/');
  });

  it('cannot pair others, nor see or change the list', async () => {
    const headers = { ...(await paired()), 'content-type': 'application/json' };
    for (const [method, target] of [
      ['POST', '/api/v1/pairing'],
      ['GET', '/api/v1/pairing'],
      ['GET', '/api/v1/devices'],
      ['DELETE', '/api/v1/devices/x'],
    ] as const)
      expect(await ask(target, { method, headers })).toMatchObject({
        status: 403,
        text: expect.stringContaining('computer.only') as string,
      });
  });

  it('takes no orders from a page elsewhere', async () => {
    const headers = { ...(await paired()), 'content-type': 'application/json' };
    const oddOnes: Record<string, string>[] = [
      { origin: 'https://elsewhere.example' },
      { 'sec-fetch-site': 'cross-site' },
      { origin: `http://127.0.0.2:${at.url.port}` },
    ];
    for (const odd of oddOnes)
      expect(
        (await ask('/api/v1/bodies', { method: 'POST', headers: { ...headers, ...odd }, body: '{}' })).status,
      ).toBe(403);
  });

  it('is renamed, and syncs no more once revoked; the others go on', async () => {
    const first = await paired('One');
    const second = await paired('Two');
    const { id } = (await devices()).find(({ name }) => name === 'One')!;
    await request(at.computer).put(`/api/v1/devices/${id}`).send({ name: 'Old phone' }).expect(200);
    await request(at.computer).put(`/api/v1/devices/${id}`).send({ name: '' }).expect(422);
    expect((await devices()).map(({ name }) => name).sort()).toEqual(['Old phone', 'Two']);
    await request(at.computer).delete(`/api/v1/devices/${id}`).expect(204);
    await request(at.computer).delete(`/api/v1/devices/${id}`).expect(404);
    expect(await ask('/api/v1/changes', { headers: first })).toMatchObject({ status: 401 });
    expect(await ask('/far', { headers: { ...first, accept: 'text/html' } })).toMatchObject({ status: 303 });
    expect(await ask('/api/v1/changes', { headers: second })).toMatchObject({ status: 200 });
  });

  it('must be paired anew when the file goes back in time', async () => {
    await paired();
    const name = await at.server.database.backup('by-hand');
    await at.server.database.close();
    await restoreFile(at.server.file, name);
    at.server.database = await openDatabase(at.server.file);
    expect(await at.server.database.read.devices.count()).toBe(0);
  });
});
