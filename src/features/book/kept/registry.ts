import { far } from './far';
import type { KeptDesk, KeptDeskName } from './keptDesk';
import { near } from './near';
import { stars } from './stars';

/** Every desk whose readings the Book keeps. The compiler names one that is missing here. */
export const KEPT_DESKS: { readonly [D in KeptDeskName]: KeptDesk<D> } = { far, near, stars };

/** The desk a reading was kept on, as one that takes what it kept. */
export const keptDeskOf = <D extends KeptDeskName>(desk: D): KeptDesk<D> => KEPT_DESKS[desk];
