import { far } from './far';
import type { KeptDesk, KeptDeskName } from './keptDesk';
import { near } from './near';
import { stars } from './stars';

/** Every desk whose readings the Book keeps. The compiler names one that is missing here. */
export const KEPT_DESKS: { readonly [D in KeptDeskName]: KeptDesk<D> } = { far, near, stars };

/** The desk a reading was kept on; a reading goes to the desk it names, which is the one that made it. */
export const keptDeskOf = (desk: KeptDeskName): KeptDesk<KeptDeskName> => KEPT_DESKS[desk];
