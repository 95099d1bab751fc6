import { X509Certificate, createPrivateKey } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { generate } from 'selfsigned';
import { FILE_MODE, ownFolder, syncFolder } from '../database/files';
import { makeAuthority, namesAllowed, type KeyPair } from './authority';

export type { KeyPair };

const DAY_MS = 24 * 3600 * 1000;
/** The authority is trusted by hand on every device: it lasts. */
const AUTHORITY_DAYS = 3650;
/** What browsers of phones still take, with room. */
const SERVER_DAYS = 390;
/** So long before its end, or with other names, the server's certificate is made anew. */
const RENEW_DAYS = 30;
/** Clocks of phones may be behind. */
const BACK_MS = DAY_MS;

export interface Certificates {
  authority: KeyPair;
  server: KeyPair;
}

const span = (now: Date, days: number) => ({
  notBeforeDate: new Date(now.getTime() - BACK_MS),
  notAfterDate: new Date(now.getTime() + days * DAY_MS),
});

/** Whether a name is an address, which stands in a certificate in a form of its own. */
const isAddress = (name: string): boolean => /^[\d.]+$/.test(name);

async function makeServer(authority: KeyPair, names: string[], now: Date): Promise<KeyPair> {
  const made = await generate([{ name: 'commonName', value: 'Jauge' }], {
    keyType: 'ec',
    algorithm: 'sha256',
    ...span(now, SERVER_DAYS),
    ca: authority,
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: names.map((name) => (isAddress(name) ? { type: 7, ip: name } : { type: 2, value: name })),
      },
    ],
  });
  return { cert: made.cert, key: made.private };
}

function read(folder: string, name: string): KeyPair | null {
  const [cert, key] = [`${name}.pem`, `${name}.key`].map((file) => path.join(folder, file)) as [string, string];
  if (!fs.existsSync(cert) || !fs.existsSync(key)) return null;
  return { cert: fs.readFileSync(cert, 'utf8'), key: fs.readFileSync(key, 'utf8') };
}

/** Writes both whole: a draft first, which is then given its name; the certificate last, without which there is none. */
function write(folder: string, name: string, pair: KeyPair): void {
  for (const [ending, text] of [
    ['key', pair.key],
    ['pem', pair.cert],
  ] as const) {
    const file = path.join(folder, `${name}.${ending}`);
    fs.writeFileSync(`${file}.part`, text, { mode: FILE_MODE, flush: true });
    fs.renameSync(`${file}.part`, file);
  }
  syncFolder(folder);
}

/** The certificate if it can be read and its key belongs to it. */
function sound({ cert, key }: KeyPair): X509Certificate | null {
  try {
    const read = new X509Certificate(cert);
    return read.checkPrivateKey(createPrivateKey(key)) ? read : null;
  } catch {
    // What cannot be read is made anew.
    return null;
  }
}

const endOf = (certificate: X509Certificate): number => Date.parse(certificate.validTo);

/** Whether a certificate holds now: one made by a clock that was ahead does not yet. */
const holds = (certificate: X509Certificate, now: Date): boolean =>
  Date.parse(certificate.validFrom) <= now.getTime() && now.getTime() < endOf(certificate);

function stillGood(server: KeyPair, authority: X509Certificate, names: string[], now: Date): boolean {
  const certificate = sound(server);
  if (!certificate?.verify(authority.publicKey)) return false;
  const said = (certificate.subjectAltName ?? '').split(', ').map((each) => each.replace(/^(DNS|IP Address):/, ''));
  return (
    holds(certificate, now) &&
    endOf(certificate) - now.getTime() > RENEW_DAYS * DAY_MS &&
    said.length === names.length &&
    names.every((name) => said.includes(name))
  );
}

/**
 * This machine's certificate authority, made once and kept in a folder of its own, and a certificate for its names signed
 * by it, made anew when the names change or its end comes near.
 *
 * @param folder where both lie, for their owner alone
 * @param names addresses and names a device may call this machine by
 */
export async function certificates(folder: string, names: string[], now: Date = new Date()): Promise<Certificates> {
  ownFolder(folder);
  let authority = read(folder, 'authority');
  let certificate = authority && sound(authority);
  if (!authority || !certificate || !holds(certificate, now)) {
    const { notBeforeDate, notAfterDate } = span(now, AUTHORITY_DAYS);
    authority = await makeAuthority(
      `Jauge at home ${now.toISOString().slice(0, 10)}`,
      names.filter((name) => !isAddress(name)),
      notBeforeDate,
      notAfterDate,
    );
    write(folder, 'authority', authority);
    certificate = new X509Certificate(authority.cert);
  }
  const allowed = namesAllowed(authority.cert);
  // A name the machine got since is not the authority's to vouch for; its addresses are.
  const vouched = names.filter((name) => allowed === null || isAddress(name) || allowed.includes(name));
  let server = read(folder, 'server');
  if (!server || !stillGood(server, certificate, vouched, now)) {
    server = await makeServer(authority, vouched, now);
    write(folder, 'server', server);
  }
  return { authority, server };
}

/** What a person can compare: the fingerprint of a certificate, and its end. */
export function identityOf({ cert }: KeyPair): { fingerprint: string; validUntil: string } {
  const certificate = new X509Certificate(cert);
  return { fingerprint: certificate.fingerprint256, validUntil: new Date(endOf(certificate)).toISOString() };
}
