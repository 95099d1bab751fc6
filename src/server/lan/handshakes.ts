import type https from 'node:https';
import type { Socket } from 'node:net';
import type { TLSSocket } from 'node:tls';

/** How many connections may be there before they are known to be honest. */
export interface HandshakeLimits {
  /** The longest a handshake may take, ms. */
  timeMs: number;
  /** Handshakes under way in all, and from one address. */
  most: number;
  mostOfOne: number;
  /** Connections of addresses no paired device came from, in all and from one address: the other places are kept free. */
  strangers: number;
  strangersOfOne: number;
}

export const USUAL_LIMITS: HandshakeLimits = {
  timeMs: 10_000,
  most: 32,
  mostOfOne: 4,
  strangers: 128,
  strangersOfOne: 24,
};

/** So long an address stays known after a paired device came from it, ms. */
const KNOWN_MS = 24 * 3600_000;

/** Addresses from which paired devices came lately. */
export interface KnownAddresses {
  note: (address: string | undefined) => void;
  has: (address: string) => boolean;
}

export function knownAddresses(now: () => number = Date.now): KnownAddresses {
  const seen = new Map<string, number>();
  return {
    note: (address) => {
      if (address) seen.set(address, now());
    },
    has: (address) => now() - (seen.get(address) ?? -Infinity) < KNOWN_MS,
  };
}

/** Counts by address. */
function counter() {
  const counts = new Map<string, number>();
  return {
    of: (address: string) => counts.get(address) ?? 0,
    all: () => [...counts.values()].reduce((sum, each) => sum + each, 0),
    add: (address: string, by: 1 | -1) => {
      const count = (counts.get(address) ?? 0) + by;
      if (count > 0) counts.set(address, count);
      else counts.delete(address);
    },
  };
}

/**
 * Keeps strangers from taking all places: unfinished handshakes end after a while and are few, and connections of addresses
 * no paired device came from leave room for those it did. What is over the limit is destroyed outright, without an answer.
 */
export function limitHandshakes(
  server: https.Server,
  known: KnownAddresses,
  limits: HandshakeLimits = USUAL_LIMITS,
): void {
  const pending = counter();
  const strangers = counter();
  server.on('connection', (socket: Socket) => {
    const address = socket.remoteAddress ?? '';
    const isKnown = known.has(address);
    // Known addresses wait in a line of their own, as long again.
    const most = isKnown ? 2 * limits.most : limits.most;
    const over =
      pending.all() >= most ||
      pending.of(address) >= (isKnown ? 2 : 1) * limits.mostOfOne ||
      (!isKnown && (strangers.all() >= limits.strangers || strangers.of(address) >= limits.strangersOfOne));
    if (over) return void socket.destroy();
    let waiting = true;
    const settle = () => {
      if (!waiting) return;
      waiting = false;
      clearTimeout(timer);
      pending.add(address, -1);
    };
    pending.add(address, 1);
    if (!isKnown) strangers.add(address, 1);
    const timer = setTimeout(() => socket.destroy(), limits.timeMs);
    timer.unref();
    socket.once('close', () => {
      settle();
      if (!isKnown) strangers.add(address, -1);
    });
    settled.set(socket, settle);
  });
  server.on('secureConnection', (secure: TLSSocket) => {
    const raw = (secure as TLSSocket & { _parent?: Socket })._parent;
    if (raw) settled.get(raw)?.();
  });
  server.on('tlsClientError', (_error: Error, secure: TLSSocket) => {
    secure.destroy();
    (secure as TLSSocket & { _parent?: Socket })._parent?.destroy();
  });
}

const settled = new WeakMap<Socket, () => void>();
