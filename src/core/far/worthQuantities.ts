import { SUBJECT_KINDS, type SubjectSpec } from '../kit/subjects';
import type { EffectiveSystem } from '../optics/foldSystem';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import type { FarReading } from './readFar';

/** What the pixels are as an area, what a mode hides, and what they cost to carry and to buy. */
export interface WorthQuantities {
  pixelArea: Quantity;
  hiddenByMode: Quantity;
  gramsPerKilopixel?: Quantity;
  pricePerKilopixel?: Quantity;
}

function pixelAreaOf(px: Quantity, subject: SubjectSpec): Quantity {
  const kind = SUBJECT_KINDS[subject.kind];
  const across = kind.axis === 'width' ? 1 / kind.aspect : kind.aspect;
  return computed(
    (px.value * px.value * across) / 1e6,
    'MP',
    () => ({
      name: 'Pixels on the subject as an area',
      formula: 'px · px · a / 10⁶',
      inputs: [
        input('px', 'pixels along it', px),
        input(
          'a',
          'other side ÷ this side',
          given(across, '1', 'Proportions of the silhouette', `typical of a ${kind.name.toLowerCase()}`),
        ),
      ],
      source: 'the box around the subject',
      neglects: 'The corners of the box that are not subject.',
    }),
    px.plusMinus === undefined ? undefined : (2 * px.plusMinus * px.value * across) / 1e6,
  );
}

function hiddenByModeOf({ used, body }: EffectiveSystem): Quantity {
  const wholeArea = body.sensor.widthMm * body.sensor.heightMm;
  const area = used.widthMm * used.heightMm;
  return computed((1 - area / wholeArea) * 100, '%', () => ({
    name: 'Hidden by the mode',
    formula: '100 · (1 − a / A)',
    inputs: [
      input('a', 'area used', given(area, 'mm²', 'Area used')),
      input('A', 'area of the sensor', given(wholeArea, 'mm²', 'Area of the sensor')),
    ],
    source: 'what the whole sensor would show around the subject',
  }));
}

/** What a thousand resolved pixels cost; nothing where nothing is resolved or the sum is not known. */
function perThousand(quantity: Quantity | undefined, resolved: Quantity, name: string): Quantity | undefined {
  if (!quantity || !(resolved.value > 0)) return undefined;
  return computed((quantity.value * 1000) / resolved.value, quantity.unit, () => ({
    name,
    formula: '1000 · w / resolved pixels',
    inputs: [input('w', quantity.why.name, quantity), input('r', 'resolved pixels on the subject', resolved)],
    source: 'what a thousand resolved pixels on this subject cost to carry or to buy',
  }));
}

export function worthQuantities(system: EffectiveSystem, reading: FarReading, subject: SubjectSpec): WorthQuantities {
  const { resolvedPixels, pixelsOnSubject } = reading;
  const gramsPerKilopixel = perThousand(system.weightG, resolvedPixels, 'Weight for a thousand resolved pixels');
  const pricePerKilopixel = perThousand(system.price, resolvedPixels, 'Price for a thousand resolved pixels');
  return {
    pixelArea: pixelAreaOf(pixelsOnSubject, subject),
    hiddenByMode: hiddenByModeOf(system),
    ...(gramsPerKilopixel ? { gramsPerKilopixel } : {}),
    ...(pricePerKilopixel ? { pricePerKilopixel } : {}),
  };
}
