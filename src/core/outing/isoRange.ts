import { NOTHING_LEARNED, type OwnBy } from '../learned/own';
import { ownIso } from '../learned/ownSchools';
import { baseIsoOf } from '../noise/cleanIso';
import { isoInUse } from '../noise/isoInUse';
import type { BodySpec } from '../kit/body';
import { computed, given, input, type Quantity } from '../quantity/quantity';

/** From the lowest ISO of a body to the highest that still passes on the output. */
export function isoRange(
  body: BodySpec,
  pixelsAlong: Quantity,
  { own = NOTHING_LEARNED, isoBy = 'own' }: OwnBy = {},
): { isoLow: Quantity; isoHigh?: Quantity } {
  const measured = (body.light?.length ?? 0) > 0;
  const isoLow = given(
    baseIsoOf(body),
    'ISO',
    'Lowest ISO',
    measured ? 'the lowest this body was measured at' : 'usual base ISO; not entered',
  );
  const isoHigh = isoInUse(body, pixelsAlong, ownIso(own, body.name), isoBy);
  return { isoLow, ...(isoHigh && isoHigh.value > isoLow.value ? { isoHigh } : {}) };
}

/** Pixels of the picture that make one of the output, along a side, where it is cropped to the subject; at least 1. */
export const pixelsAlongSubject = (pixels: Quantity, needed: Quantity): Quantity =>
  computed(Math.max(1, pixels.value / needed.value), '1', () => ({
    name: 'Pixels to one of the output, along a side',
    formula: 'max(1, px / n)',
    inputs: [input('px', 'pixels on the subject', pixels), input('n', 'pixels the output needs on it', needed)],
    source: 'the picture cropped until the subject takes the share it has on the output',
  }));
