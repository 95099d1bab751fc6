import type { Result } from '../quantity/result';
import type { PhotonTransfer } from './light/photonTransfer';
import type { PairFound } from './pair/comparePair';
import type { HandLimit } from './shake/handLimit';

/** What is asked of several picture files together. */
export type SeveralAsk =
  | { ask: 'pair'; files: readonly [Blob, Blob] }
  | { ask: 'light'; files: readonly Blob[] }
  | { ask: 'shake'; files: readonly Blob[]; exposuresS: readonly number[] };

export interface SeveralFoundOf {
  pair: PairFound;
  light: PhotonTransfer;
  shake: HandLimit;
}

/** What the worker tells: how far it is, or what came of it. */
export type SeveralNews = { share: number } | { found: Result<SeveralFoundOf[keyof SeveralFoundOf]> };
