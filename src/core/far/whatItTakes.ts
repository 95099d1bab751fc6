import type { BodySpec } from '../kit/body';
import type { SubjectSpec } from '../kit/subjects';
import { cropQuantity } from '../optics/cropQuantity';
import { equivalent } from '../optics/equivalence';
import type { EffectiveSystem } from '../optics/foldSystem';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import type { Problem, Result } from '../quantity/result';
import { pitchUm } from '../sensor/pitch';
import { focalForPixels, pitchForPixels } from './imaging';
import { reachM } from './plannerCurve';

/** What is wished for: pixels on the subject, or its length as a share of the frame's long side. */
export type Wish = { kind: 'pixels'; pixels: number } | { kind: 'share'; percent: number };

/** The focal length a body would need from here. */
export interface FocalNeeded {
  id: string;
  name: string;
  /** Pixels on the subject the wish comes to on this body. */
  pixels: number;
  focalMm?: Quantity;
  equivalentFocalMm?: Quantity;
  problem?: Problem;
}

/** What the set-up in hand would need. */
export interface InHandNeeds {
  pixels: number;
  /** The farthest it gives the wish from; absent where it never does. */
  distanceM?: Quantity;
  /** The pixel pitch that would do it from here. */
  pitchUm?: Quantity;
}

/** Farther than this nobody photographs an animal. */
const FARTHEST_M = 100_000;

const longSide = (columns: number, rows: number): number => Math.max(columns, rows);
const pixelsOf = (wish: Wish, columns: number, rows: number): number =>
  wish.kind === 'pixels' ? wish.pixels : (wish.percent / 100) * longSide(columns, rows);

/**
 * The focal length with which each body would give the wish from a distance, whether one owns such a lens or not.
 *
 * @param distanceM sensor to subject, m
 * @source thin lens: f = T / (2 + m + 1/m), m = pixels · p / (1000 · L)
 */
export function focalLengthsFor(
  wish: Wish,
  subject: Pick<SubjectSpec, 'sizeMm' | 'name'>,
  distanceM: number,
  bodies: readonly { id: string; body: BodySpec }[],
): FocalNeeded[] {
  return bodies.map(({ id, body }): FocalNeeded => {
    const { sensor, name } = body;
    const pixels = pixelsOf(wish, sensor.columns, sensor.rows);
    const pitch = pitchUm(sensor.widthMm, sensor.columns);
    const found = focalForPixels(distanceM * 1000, pitch, subject.sizeMm, pixels);
    if (!found.ok) return { id, name, pixels, problem: found.problem };
    const focalMm = computed(found.value, 'mm', () => ({
      name: `Focal length on ${name}`,
      formula: 'T / (2 + m + 1/m), m = n · p / (1000 · L)',
      inputs: [
        input('T', 'distance', given(distanceM, 'm', 'Distance')),
        input('n', 'pixels wished for', given(pixels, 'px', 'Pixels wished for')),
        input('p', 'pixel pitch', given(pitch, 'µm', 'Pixel pitch', 'body data')),
        input('L', 'length of the subject', given(subject.sizeMm, 'mm', subject.name)),
      ],
      source: 'thin lens',
      neglects: 'Most lenses shorten when focused close: there a little more is needed.',
    }));
    const crop = cropQuantity(sensor, 'diagonal');
    return {
      id,
      name,
      pixels,
      focalMm,
      equivalentFocalMm: computed(equivalent(found.value, 1, crop.value).focalMm, 'mm', () => ({
        name: `Equivalent focal length on ${name}`,
        formula: 'f · k',
        inputs: [input('f', 'focal length needed', focalMm), input('k', 'crop factor', crop)],
        source: 'the same view on 36 × 24 mm',
      })),
    };
  });
}

/** From where the set-up in hand gives the wish, and with which pixels it would from here. */
export function inHandNeeds(
  wish: Wish,
  system: EffectiveSystem,
  subject: Pick<SubjectSpec, 'sizeMm' | 'name'>,
  distanceM: number,
): InHandNeeds {
  const { used, focalMm } = system;
  const pixels = pixelsOf(wish, used.columns, used.rows);
  const reach = reachM(system, subject.sizeMm, pixels, 'sampled', FARTHEST_M);
  const pitch: Result<number> = pitchForPixels(focalMm.value, distanceM * 1000, subject.sizeMm, pixels);
  const wished = given(pixels, 'px', 'Pixels wished for');
  const length = given(subject.sizeMm, 'mm', subject.name);
  return {
    pixels,
    ...(reach === null || !(reach > 0)
      ? {}
      : {
          distanceM: computed(reach, 'm', () => ({
            name: 'Farthest distance that does it',
            formula: 'the distance at which the pixels on the subject are n',
            inputs: [
              input('n', 'pixels wished for', wished),
              input('f', 'effective focal length', focalMm),
              input('L', 'length of the subject', length),
            ],
            source: 'the desk’s own count of pixels, turned round by halving',
          })),
        }),
    ...(pitch.ok && wish.kind === 'pixels'
      ? {
          pitchUm: computed(pitch.value, 'µm', () => ({
            name: 'Pixel pitch that does it from here',
            formula: '1000 · m · L / n',
            inputs: [
              input('f', 'effective focal length', focalMm),
              input('T', 'distance', given(distanceM, 'm', 'Distance')),
              input('L', 'length of the subject', length),
              input('n', 'pixels wished for', wished),
            ],
            source: 'thin lens; m from f and T',
          })),
        }
      : {}),
  };
}
