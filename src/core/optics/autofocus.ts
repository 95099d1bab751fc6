import { kindOf } from '../chain/kinds';
import type { Part } from '../chain/parts';
import type { BodySpec } from '../kit/body';

export type AutofocusState = 'works' | 'slow' | 'off' | 'unknown';

export interface Autofocus {
  state: AutofocusState;
  reason: string;
}

/** Half a per cent: f/8 is engraved, 7.98 or 8.03 is computed. */
const ENGRAVED = 1.005;
const round = (value: number): string => String(Number(value.toPrecision(3)));

/** Whether autofocus passes through a part at all; what has nothing to do with it says yes. */
const passes = (part: Part): boolean => kindOf(part).autofocus(part);

/** Whether autofocus works through a chain at an f-number on a body, and why. */
export function autofocusOf(chain: readonly Part[], body: BodySpec, fNumber: number): Autofocus {
  const manual = chain.find((part) => !passes(part));
  if (manual) return { state: 'off', reason: `${manual.name} has no autofocus` };
  const limit = body.autofocusLimitFNumber;
  if (limit === undefined) return { state: 'unknown', reason: `${body.name}: autofocus limit not entered` };
  if (fNumber <= limit * ENGRAVED) return { state: 'works', reason: `the body focuses up to f/${round(limit)}` };
  const slow = body.slowAutofocusLimitFNumber;
  if (slow !== undefined && fNumber <= slow * ENGRAVED)
    return { state: 'slow', reason: `slow between f/${round(limit)} and f/${round(slow)}` };
  return { state: 'off', reason: `the body focuses up to f/${round(slow ?? limit)} only` };
}
