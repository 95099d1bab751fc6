import type { DeepLever } from './deepLevers';

/** More frames than this nobody puts together for one object in a night. */
const MOST_PANELS = 9;
/** An object that fills less of the frame than this, per cent, is a speck in a field of stars. */
const LEAST_FILL_PERCENT = 3;

/** Whether a lever is worth offering on a deep-sky object: another set-up only where it takes in the object, and draws it large enough to be one. */
export const suitsObject = ({
  kind,
  panels,
  fillPercent,
}: Pick<DeepLever, 'kind' | 'panels' | 'fillPercent'>): boolean =>
  kind !== 'setup' || (panels <= MOST_PANELS && fillPercent >= LEAST_FILL_PERCENT);
