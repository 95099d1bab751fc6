import crypto from 'node:crypto';
import type { PairingOffer, PairingStanding } from '@/contract/lan';

/** Letters and digits that are not taken for each other: no 0 O, 1 I L, 5 S, 8 B, 2 Z. */
const LETTERS = '3467ACDEFGHJKMNPQRTUVWXY9';
const LENGTH = 8;
const OFFER_MS = 5 * 60_000;
const TRIES = 5;

/** How a try at a code ended. */
export type Tried = { kind: 'right' } | { kind: 'wrong'; triesLeft: number } | { kind: 'none' };

/** One code at a time, shown on the computer, in memory alone: a restart takes it away. */
export interface Pairing {
  offer: () => PairingOffer;
  standing: () => PairingStanding;
  withdraw: () => void;
  /** Tries a code. The right one is used up by this very try; `settle` tells what came of it. */
  try: (text: string) => Tried;
  /** After a right try: the device is in the list, or could not be put there, and the code holds again. */
  settle: (paired: boolean) => void;
}

/** A code as one types it: small letters, spaces and dashes are as good. */
export const codeOf = (text: string): string => text.toUpperCase().replace(/[\s-]/g, '');

const digest = (text: string): Buffer => crypto.createHash('sha256').update(text).digest();

/** Whether two texts are the same, in a time that does not tell how far they agree. */
export const sameText = (one: string, other: string): boolean => crypto.timingSafeEqual(digest(one), digest(other));

export function createPairing(now: () => number = Date.now): Pairing {
  let held: { code: string; endMs: number; triesLeft: number; taken: boolean } | null = null;
  let ended: PairingStanding['ended'] = null;
  const end = (why: PairingStanding['ended']) => {
    held = null;
    ended = why;
  };
  const current = () => {
    if (held && !held.taken && now() >= held.endMs) end('over');
    return held;
  };
  const told = ({ code, endMs, triesLeft }: NonNullable<typeof held>): PairingOffer => ({
    code,
    expiresAt: new Date(endMs).toISOString(),
    triesLeft,
  });
  return {
    offer: () => {
      const code = Array.from({ length: LENGTH }, () => LETTERS[crypto.randomInt(LETTERS.length)]).join('');
      held = { code, endMs: now() + OFFER_MS, triesLeft: TRIES, taken: false };
      ended = null;
      return told(held);
    },
    standing: () => {
      const offer = current();
      return { offer: offer && told(offer), ended };
    },
    withdraw: () => end(null),
    try: (text) => {
      const offer = current();
      if (!offer || offer.taken) return { kind: 'none' };
      if (sameText(codeOf(text), offer.code)) {
        // Not told as used yet: whoever hears that looks for the device in the list.
        offer.taken = true;
        return { kind: 'right' };
      }
      offer.triesLeft -= 1;
      if (offer.triesLeft === 0) end('tries');
      return { kind: 'wrong', triesLeft: offer.triesLeft };
    },
    settle: (paired) => {
      // Another code may be shown by now: that one is not touched.
      if (!held?.taken) return;
      if (paired) end('used');
      else held.taken = false;
    },
  };
}
