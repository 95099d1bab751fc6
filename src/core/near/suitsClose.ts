import type { NearLever } from './nearLevers';

/** A set-up that draws less than this share of the ratio in hand is for another purpose. */
const LEAST_SHARE = 0.4;

/** Whether a lever is worth offering close up: another set-up only where its largest ratio comes near the one in hand. */
export const suitsClose = ({ kind, ratioChange }: Pick<NearLever, 'kind' | 'ratioChange'>): boolean =>
  kind !== 'setup' || ratioChange >= LEAST_SHARE;
