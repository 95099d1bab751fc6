import type { HandBy } from '../far/handInUse';
import type { IsoBy } from '../noise/isoInUse';
import type { Learned, LearnedConverter } from './learn';

/** What is learned, by kind. */
export type SayKind = 'hand' | 'ratio' | 'stars' | 'iso' | 'pixels' | 'distance' | 'converter';

/** One thing learned, by its kind and what it holds for: what a person switches off is kept under it. */
export type SayKey = `${SayKind} · ${string}`;

export const sayKey = (kind: SayKind, of: string): SayKey => `${kind} · ${of}`;
export const converterKey = ({ converter, lens }: Pick<LearnedConverter, 'converter' | 'lens'>): SayKey =>
  sayKey('converter', `${converter} on ${lens}`);

/** Nothing learned. */
export const NOTHING_LEARNED: Learned = {
  hand: [],
  ratio: [],
  stars: [],
  iso: [],
  pixels: [],
  distances: [],
  converters: [],
};

/** What one's own pictures say, and by which school the hand and the ISO go. */
export interface OwnBy {
  own?: Learned | undefined;
  handBy?: HandBy | undefined;
  isoBy?: IsoBy | undefined;
}

/** What was learned without what the person switched off. */
export function withoutOff(learned: Learned, off: readonly string[]): Learned {
  if (!off.length) return learned;
  const gone = new Set(off);
  const stays =
    (kind: SayKind) =>
    ({ of }: { of: string }): boolean =>
      !gone.has(sayKey(kind, of));
  return {
    hand: learned.hand.filter(stays('hand')),
    ratio: learned.ratio.filter(stays('ratio')),
    stars: learned.stars.filter(stays('stars')),
    iso: learned.iso.filter(stays('iso')),
    pixels: learned.pixels.filter(stays('pixels')),
    distances: learned.distances.filter(stays('distance')),
    converters: learned.converters.filter((each) => !gone.has(converterKey(each))),
  };
}
