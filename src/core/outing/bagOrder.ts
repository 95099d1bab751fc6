import type { OutingInput, OutingPlan } from './planOuting';
import type { Step } from '../bag/packBag';
import type { Kit } from '../bag/pieces';
import type { CountBy, Served, Want } from '../bag/serve';

/** What the bag's worker is asked: to plan an outing, or to find the lightest bags. */
export type BagOrder =
  ({ kind: 'plan' } & OutingInput) | { kind: 'pack'; kit: Kit; wants: readonly Want[]; by?: CountBy | undefined };

/** A bag of the ladder, by ids. */
export interface PackedBag {
  pieces: string[];
  reached: { wantId: string; served: Served }[];
  missed: string[];
  step: Step;
}

/** What it tells while it works, and at the end. */
export type BagNews =
  | { kind: 'share'; share: number }
  | { kind: 'plan'; plan: OutingPlan }
  | {
      kind: 'packed';
      tried: number;
      bags: PackedBag[];
      outOfReach: { wantId: string; best: Served | null }[];
    };
