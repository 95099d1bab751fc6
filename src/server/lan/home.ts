import type { Database } from '../database/openDatabase';
import { certificates, identityOf, type Certificates } from './certificates';
import { createDevices, type Devices } from './devices';
import { knownAddresses, type KnownAddresses } from './handshakes';
import { createPairing, type Pairing } from './pairing';

/** The home network's side of the server: who may come in, under which names, and what vouches for it. */
export interface Home {
  devices: Devices;
  pairing: Pairing;
  /** Addresses and names by which a device may call this machine. */
  names: () => string[];
  /** Where a device opens it, the first one first. */
  urls: () => string[];
  certificates: () => Certificates;
  /** Addresses paired devices came from lately. */
  known: KnownAddresses;
  /** Fingerprint and end of the authority. */
  identity: () => { fingerprint: string; validUntil: string };
  /** Takes other names, and the certificate for them; also renews one that is near its end. */
  settle: (names: string[], urls: string[]) => Promise<void>;
}

/** @param folder where the authority and the certificate lie */
export async function openHome(database: Database, folder: string, names: string[]): Promise<Home> {
  let held = { names, urls: [] as string[], certificates: await certificates(folder, names) };
  return {
    devices: createDevices(database),
    pairing: createPairing(),
    known: knownAddresses(),
    names: () => held.names,
    urls: () => held.urls,
    certificates: () => held.certificates,
    identity: () => identityOf(held.certificates.authority),
    settle: async (nowNames, urls) => {
      held = { names: nowNames, urls, certificates: await certificates(folder, nowNames) };
    },
  };
}
