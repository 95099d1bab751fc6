import { createContext, useContext } from 'react';

/** How the interface behaves outdoors. */
export interface FieldModes {
  /** Everything that is touched often lies at the bottom, and nothing needs a gesture. */
  oneHand: boolean;
  /** A tick is felt when the rule passes a figure. */
  ruleTick: boolean;
}

export const FieldModesInUse = createContext<FieldModes>({ oneHand: false, ruleTick: false });

export const useFieldModes = (): FieldModes => useContext(FieldModesInUse);

/** How long one tick is, ms: felt through a glove, and no buzz. */
const TICK_MS = 8;

/** Whether this device can tick at all. */
export const canTick = (): boolean => typeof navigator !== 'undefined' && typeof navigator.vibrate === 'function';

export const tick = (): void => void (canTick() && navigator.vibrate(TICK_MS));
