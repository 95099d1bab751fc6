import { SUBJECT_KINDS, type SubjectSpec } from '../kit/subjects';
import type { EffectiveSystem } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { assumed, computed, given, input, type Quantity } from '../quantity/quantity';
import { handHoldPerPixelS, handHoldS, longestShutterS, pixelsPerOutputPixel, pixelsPerSecond } from './shutter';
import type { FarReading } from './readFar';

/** How fast the subject crosses, and which shutter keeps it and the hand sharp. */
export interface ShutterQuantities {
  secondsToCross: Quantity;
  motionPxPerS: Quantity;
  /** Across the view; noted as assumed where nobody entered it. */
  speedMPerS: Quantity;
  longestShutter100S: Quantity;
  longestShutterOutputS: Quantity;
  handHoldRuleS: Quantity;
  handHoldPixelS: Quantity;
}

/** Across the view, m/s: entered, or usual for its kind. */
function speedOf(subject: SubjectSpec, entered: number | undefined): Quantity {
  const kind = SUBJECT_KINDS[subject.kind];
  return entered === undefined
    ? assumed(kind.speedMPerS, 'm/s', 'Speed across the view', `usual for a ${kind.name.toLowerCase()}; enter its own`)
    : given(entered, 'm/s', 'Speed across the view', 'as set');
}

/** How long a hand holds, by the customary rule and by these pixels. */
function handHold(
  { body, equivalentFocalMm }: EffectiveSystem,
  { reachPxPerMrad }: FarReading,
): Pick<ShutterQuantities, 'handHoldRuleS' | 'handHoldPixelS'> {
  const stops = body.stabiliserStops ?? 0;
  const source = body.stabiliserStops === undefined ? 'not entered, taken as 0' : 'body data';
  const stabiliser = given(stops, 'stops', 'Stabiliser', source);
  return {
    handHoldRuleS: computed(handHoldS(equivalentFocalMm.value, stops), 's', () => ({
      name: 'Hand-hold limit, customary',
      formula: '2^s / f_eq',
      inputs: [input('s', 'stabiliser', stabiliser), input('f_eq', 'equivalent focal length', equivalentFocalMm)],
      source: 'rule of thumb; hands differ',
    })),
    handHoldPixelS: computed(handHoldPerPixelS(1.5, reachPxPerMrad.value, stops), 's', () => ({
      name: 'Hand-hold limit by pixels',
      formula: '2^s · 1.5 px / (9 mrad/s · reach)',
      inputs: [input('s', 'stabiliser', stabiliser), input('reach', 'sampling reach', reachPxPerMrad)],
      source: 'what the customary rule lets blur on 24 MP full frame, held to on these pixels',
      neglects: 'At the output’s size more passes.',
    })),
  };
}

/** @param entered speed across the view, m/s, where somebody entered it */
export function shutterQuantities(
  system: EffectiveSystem,
  reading: FarReading,
  subject: SubjectSpec,
  output: OutputSpec,
  entered: number | undefined,
): ShutterQuantities {
  const speed = speedOf(subject, entered);
  const motion = pixelsPerSecond(speed.value, reading.focus.ratio, system.pitchUm.value);
  const motionPxPerS = computed(motion, 'px/s', () => ({
    name: 'Speed over the pixels',
    formula: '10⁶ · v · m / p',
    inputs: [
      input('v', 'speed across the view', speed),
      input('m', 'reproduction ratio', reading.ratio),
      input('p', 'pixel pitch', system.pitchUm),
    ],
    source: 'moving straight across; towards the camera it is less',
  }));
  const longest = (blurPx: number, name: string, why: string) =>
    computed(longestShutterS(blurPx, motion), 's', () => ({
      name,
      formula: 'b / pixels per second',
      inputs: [
        input('b', 'blur allowed', given(blurPx, 'px', 'Blur allowed', why)),
        input('w', 'speed over the pixels', motionPxPerS),
      ],
      source: 'sharp as long as the picture moves less than that',
      neglects: 'Limbs and wings move faster than the body.',
    }));
  const perOutput = pixelsPerOutputPixel(reading.pixelsOnSubject.value, reading.neededPixels.value);
  return {
    secondsToCross: computed(speed.value > 0 ? reading.fieldWidthM.value / speed.value : 0, 's', () => ({
      name: 'Seconds to cross the frame',
      formula: 'field / v',
      inputs: [input('field', 'width seen', reading.fieldWidthM), input('v', 'speed across the view', speed)],
      source: 'how long it stays in a frame held still',
    })),
    motionPxPerS,
    speedMPerS: speed,
    longestShutter100S: longest(1, 'Longest shutter, sharp at 100 %', 'one pixel at full size'),
    longestShutterOutputS: longest(perOutput, `Longest shutter for ${output.name}`, 'one pixel of the output'),
    ...handHold(system, reading),
  };
}
