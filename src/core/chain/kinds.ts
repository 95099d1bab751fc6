import type { Kind } from './kind';
import type { Part, PartKind, PartOf } from './parts';
import { afocal } from './kinds/afocal';
import { barlow } from './kinds/barlow';
import { bellows } from './kinds/bellows';
import { builtIn } from './kinds/builtIn';
import { closeUp } from './kinds/closeUp';
import { converter } from './kinds/converter';
import { coupling } from './kinds/coupling';
import { filter } from './kinds/filter';
import { innerConverter } from './kinds/innerConverter';
import { lens } from './kinds/lens';
import { mountAdapter } from './kinds/mountAdapter';
import { objective } from './kinds/objective';
import { reducer } from './kinds/reducer';
import { reversing } from './kinds/reversing';
import { scope } from './kinds/scope';
import { telescope } from './kinds/telescope';
import { tubeLens } from './kinds/tubeLens';
import { tubes } from './kinds/tubes';

/** Every kind of part. The compiler names a kind that is missing here. */
export const KINDS: { readonly [K in PartKind]: Kind<PartOf<K>> } = {
  lens,
  builtIn,
  telescope,
  scope,
  objective,
  converter,
  innerConverter,
  reducer,
  barlow,
  tubes,
  bellows,
  closeUp,
  filter,
  reversing,
  coupling,
  tubeLens,
  afocal,
  mountAdapter,
};

export const PART_KINDS = Object.keys(KINDS) as PartKind[];

/** The registry types each kind by its own spec; of any part it is asked with that very part. */
const ANY: { readonly [K in PartKind]: Kind<Part> } = KINDS;

/** What is to be known of a part. */
export const kindOf = (part: Part): Kind<Part> => ANY[part.kind];
