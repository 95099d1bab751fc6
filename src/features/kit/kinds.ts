import type { Part, PartKind, PartOf } from '@/core/chain/parts';
import type { UnitSystem } from '@/core/quantity/units';
import { carried, type Fact } from './facts';
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
import type { Entered, KitKind } from './kinds/kind';

/** What the screens know of every kind of part. The compiler names a kind that is missing here. */
export const KIT_KINDS: { readonly [K in PartKind]: KitKind<PartOf<K>> } = {
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

const ANY: { readonly [K in PartKind]: KitKind<Part> } = KIT_KINDS;

export const kitKindOf = (part: Part): KitKind<Part> => ANY[part.kind];

/** What matters most about a part, in a line. */
export const partBrief = (part: Part): string => kitKindOf(part).brief(part);

/** What is entered of a part, in words. */
export const partFacts = (part: Entered<Part>, units: UnitSystem): Fact[] => [
  ...kitKindOf(part).facts(part, units),
  ...carried(part),
];
