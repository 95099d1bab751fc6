import { computed, given, input, measured, type Quantity, type Unit } from '../quantity/quantity';
import { quantityText } from '../quantity/quantityText';
import { PIXELS_OF, type Learned, type LearnedHold, type LearnedLimit } from './learn';
import { casesText } from './learnedWords';

/** Half of a range that need not lie even about its middle: as far as its farther end. */
const halfOf = (value: number, low: number, high: number): number => Math.max(value - low, high - value);

/** A limit that is known as a number of the person's own. */
function limitQuantity(limit: LearnedLimit | undefined, unit: Unit, name: string, what: string): Quantity | null {
  if (limit?.value === undefined || limit.low === undefined || limit.high === undefined) return null;
  const { value, low, high } = limit;
  const told = (each: number) => quantityText({ unit, value: each }, 'metric');
  return measured(
    value,
    unit,
    () => ({
      name,
      formula: '',
      inputs: [],
      source: `your own pictures, ${casesText(limit)}: four of five ${what}; nine of ten such estimates lie between ${told(low)} and ${told(high)}`,
    }),
    halfOf(value, low, high),
  );
}

const named = <T extends { of: string }>(all: readonly T[], name: string): T | undefined =>
  all.find(({ of }) => of === name);

/** What was learned at a focal length counts for others this near to it, as a factor. */
const NEAR = 1.5;

/** The focal length used that is nearest to one, where it is near enough. */
function nearestFocal({ atFocal }: LearnedHold, focalMm: number) {
  const off = (at: number) => Math.abs(Math.log(at / focalMm));
  const [nearest] = [...atFocal].sort((a, b) => off(a.focalMm) - off(b.focalMm));
  return nearest && off(nearest.focalMm) <= Math.log(NEAR) ? nearest : null;
}

/**
 * How long this person holds a body by hand at a focal length, s; null where it is not known, or only far from there.
 *
 * @source the hand turns by the same angle a second, so that the time goes with 1/f
 */
export function ownHandS(own: Learned, bodyName: string, focalMm: number): Quantity | null {
  const hold = named(own.hand, bodyName);
  const first = hold && nearestFocal(hold, focalMm);
  if (!hold || !first) return null;
  const share = first.focalMm / focalMm;
  const at = halfOf(first.seconds, first.low, first.high);
  return computed(
    first.seconds * share,
    's',
    () => ({
      name: 'Hand-hold limit, yours',
      formula: 't · f₁ / f',
      inputs: [
        input(
          't',
          'longest time held',
          measured(
            first.seconds,
            's',
            () => ({
              name: `Longest time held with ${hold.of}`,
              formula: '',
              inputs: [],
              source: `your own pictures, ${casesText(hold)}: four of five are sharp`,
            }),
            at,
          ),
        ),
        input('f₁', 'learned at', given(first.focalMm, 'mm', 'Focal length of the pictures', 'your own pictures')),
        input('f', 'focal length', given(focalMm, 'mm', 'Focal length', 'as set')),
      ],
      source: 'your hand turns by the same angle a second',
      neglects: 'How you stand, and what shakes you.',
    }),
    at * share,
  );
}

/** The ratio up to which this person holds by hand. */
export const ownRatio = (own: Learned): Quantity | null =>
  limitQuantity(own.ratio[0], ':1', 'Ratio held by hand, yours', 'are sharp');

/** How long this person exposes stars with a lens before strokes disturb, s. */
export const ownStarsS = (own: Learned, lensName: string): Quantity | null =>
  limitQuantity(named(own.stars, lensName), 's', `Longest with ${lensName}, yours`, 'are free of strokes');

/** The ISO up to which this person keeps pictures of a body. */
export const ownIso = (own: Learned, bodyName: string): Quantity | null =>
  limitQuantity(named(own.iso, bodyName), 'ISO', `Highest ISO of ${bodyName}, yours`, 'are clean enough');

/** The pixels on a subject from which on this person keeps pictures. */
export const ownPixels = (own: Learned, kind: 'far' | 'near'): Quantity | null =>
  limitQuantity(named(own.pixels, PIXELS_OF[kind]), 'px', 'Pixels from which you keep it', 'are large enough');

/** From how far this person mostly kept pictures of a subject, or else of its kind, m. */
export function ownDistanceM(own: Learned, subjectName: string, kindName?: string): Quantity | null {
  const subject = named(own.distances, subjectName);
  // Too few of this one: those of its kind tell it.
  const found = subject?.middleM === undefined && kindName ? named(own.distances, `${kindName}, all`) : subject;
  if (found?.middleM === undefined || found.nearM === undefined || found.farM === undefined) return null;
  const { of, cases, middleM, nearM, farM } = found;
  return measured(
    middleM,
    'm',
    () => ({
      name: `Distance you mostly kept ${of} from`,
      formula: '',
      inputs: [],
      source: `the middle of ${cases} groups you kept; eight of ten lie within the error`,
    }),
    halfOf(middleM, nearM, farM),
  );
}

/** What a converter did to a lens in this person's pictures, as the share kept with it in per cent. */
export function ownConverters(own: Learned, lensName: string, converterNames: readonly string[]) {
  return own.converters
    .filter(({ lens, converter }) => lens === lensName && converterNames.includes(converter))
    .map((found) => ({
      found,
      kept: computed(
        found.with.share * 100,
        '%',
        () => ({
          name: `Kept with ${found.converter} on ${found.lens}`,
          formula: 'middle of Beta(k + ½, n − k + ½)',
          inputs: [
            input('k', 'groups kept with it', given(found.with.good, '1', 'Groups kept with it', 'your verdicts')),
            input('n', 'groups with it', given(found.with.cases, '1', 'Groups with it', 'your verdicts')),
            input(
              'w',
              'kept without it',
              given(found.without.share * 100, '%', 'Share kept without it', `${found.without.cases} groups`),
            ),
          ],
          source: 'share with half a case on each side; nine of ten such shares hold the truth',
        }),
        halfOf(found.with.share, found.with.low, found.with.high) * 100,
      ),
    }));
}
