import https from 'node:https';
import type http from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Logger } from 'pino';
import { bounded, SERVER_OPTIONS } from '../httpServer';
import { listenAddresses, machineNames } from './addresses';
import { limitHandshakes, USUAL_LIMITS, type HandshakeLimits } from './handshakes';
import type { Home } from './home';

/** So often it is seen whether the machine's addresses changed or its certificate nears its end, ms. */
const LOOK_EVERY_MS = 60_000;
/** What browsers of the last ten years speak: no CBC, no SHA-1. */
const TLS_OPTIONS = {
  minVersion: 'TLSv1.2',
  ciphers: [
    'TLS_AES_128_GCM_SHA256',
    'TLS_AES_256_GCM_SHA384',
    'TLS_CHACHA20_POLY1305_SHA256',
    'ECDHE-ECDSA-AES128-GCM-SHA256',
    'ECDHE-ECDSA-AES256-GCM-SHA384',
    'ECDHE-ECDSA-CHACHA20-POLY1305',
  ].join(':'),
  honorCipherOrder: true,
  handshakeTimeout: USUAL_LIMITS.timeMs,
} as const satisfies https.ServerOptions;

export interface HomeListener {
  close: () => void;
}

/** Names and addresses a device may use for what is listened on. */
export const namesFor = (addresses: string[]): string[] => [...addresses, ...machineNames()];

/**
 * Serves the home network over HTTPS, on the addresses asked for and no other. When these change, so does what is listened
 * on, and the certificate with it.
 *
 * @param wanted addresses with commas between; empty for those of the home network
 * @throws Error when not one of them can be listened on
 */
export async function listenAtHome(
  app: http.RequestListener,
  home: Home,
  { wanted, port, logger, limits }: { wanted: string; port: number; logger: Logger; limits?: HandshakeLimits },
): Promise<HomeListener> {
  const servers = new Map<string, https.Server>();

  const open = (address: string): Promise<void> =>
    new Promise((resolve, reject) => {
      const server = bounded(
        https.createServer({ ...SERVER_OPTIONS, ...TLS_OPTIONS, ...home.certificates().server }, app),
      );
      limitHandshakes(server, home.known, limits);
      server.once('error', reject);
      server.listen(port, address, () => {
        server.removeListener('error', reject);
        servers.set(address, server);
        resolve();
      });
    });

  const urls = () =>
    [...servers].map(([address, server]) => `https://${address}:${(server.address() as AddressInfo).port}`);

  async function settle(): Promise<void> {
    const addresses = listenAddresses(wanted);
    for (const [address, server] of servers) {
      if (addresses.includes(address)) continue;
      server.close();
      server.closeAllConnections();
      servers.delete(address);
    }
    await home.settle(namesFor(addresses), urls());
    for (const server of servers.values()) server.setSecureContext(home.certificates().server);
    for (const address of addresses) if (!servers.has(address)) await open(address);
    await home.settle(namesFor(addresses), urls());
  }

  const close = () => {
    clearInterval(timer);
    for (const server of servers.values()) {
      server.close();
      server.closeAllConnections();
    }
  };
  const timer = setInterval(
    // Away from home there is no such address for a while; what is said once a minute would fill a log.
    () => void settle().catch((error: unknown) => logger.debug({ err: error }, 'the home network is not reached')),
    LOOK_EVERY_MS,
  );
  timer.unref();
  try {
    await settle();
  } catch (error) {
    close();
    if ((error as NodeJS.ErrnoException).code === 'EADDRINUSE')
      throw new Error(
        `Port ${port} is in use by another program. Stop that program, or choose another: JAUGE_LAN_PORT=${port + 1} npm start -- --lan`,
      );
    if ((error as NodeJS.ErrnoException).code === 'EADDRNOTAVAIL')
      throw new Error(`This machine has no such address: --lan=${wanted}. Its own: ${listenAddresses('').join(', ')}.`);
    throw error;
  }
  return { close };
}
