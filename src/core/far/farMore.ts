import { SUBJECT_KINDS, type SubjectSpec } from '../kit/subjects';
import type { EffectiveSystem } from '../optics/foldSystem';
import { COC_NAMES, COC_SCHOOLS, circleOfConfusionMm, type CocSchool } from '../output/circleOfConfusion';
import type { OutputSpec } from '../output/needs';
import { viewedPixels } from '../output/viewedPixels';
import { assumed, computed, given, input, type Quantity } from '../quantity/quantity';
import { diagonal } from '../sensor/diagonal';
import { blurDiscMm, depthOfChain } from './depth';
import { behindSubject } from './eyeLevel';
import type { FarReading } from './readFar';
import { handHoldPerPixelS, handHoldS, longestShutterS, pixelsPerOutputPixel, pixelsPerSecond } from './shutter';

/** What stands behind the subject: at a distance from the camera, or the flat ground seen over it. */
export type Background =
  { kind: 'distance'; distanceM: number } | { kind: 'ground'; cameraHeightM: number; subjectHeightM: number };

export interface FarMoreInput {
  system: EffectiveSystem;
  reading: FarReading;
  subject: SubjectSpec;
  output: OutputSpec;
  cocSchool: CocSchool;
  background: Background;
  /** Across the view, m/s; left out: what is usual for the kind is assumed. */
  speedMPerS?: number | undefined;
}

/** The rest of what the Far desk tells: depth, background, shutter, motion, what it is worth. */
export interface FarMore {
  pixelArea: Quantity;
  cocMm: Quantity;
  nearLimitM: Quantity;
  /** Absent: everything behind is sharp enough. */
  farLimitM?: Quantity;
  depthM?: Quantity;
  /** Where the background is; absent: it is the sky. */
  backgroundM?: Quantity;
  backgroundBlur: Quantity;
  hiddenByMode: Quantity;
  secondsToCross: Quantity;
  motionPxPerS: Quantity;
  /** Across the view; noted as assumed where nobody entered it. */
  speedMPerS: Quantity;
  longestShutter100S: Quantity;
  longestShutterOutputS: Quantity;
  handHoldRuleS: Quantity;
  handHoldPixelS: Quantity;
  gramsPerKilopixel?: Quantity;
  pricePerKilopixel?: Quantity;
}

/** Reads everything besides the pixels; it needs a reading, which says that a picture can be formed. */
export function farMore({
  system,
  reading,
  subject,
  output,
  cocSchool,
  background,
  speedMPerS: entered,
}: FarMoreInput): FarMore {
  const { uMm, ratio } = reading.focus;
  const { used, pitchUm } = system;
  const pupil = reading.pupilMm;
  const speedMPerS = entered ?? SUBJECT_KINDS[subject.kind].speedMPerS;
  const pitch = pitchUm.value;
  const kind = SUBJECT_KINDS[subject.kind];
  const across = kind.axis === 'width' ? 1 / kind.aspect : kind.aspect;
  const px = reading.pixelsOnSubject;
  const ratioQ = reading.ratio;

  const longSide = Math.max(used.widthMm, used.heightMm);
  const frameDiagonal = diagonal(used.widthMm, used.heightMm);
  const viewed = viewedPixels(output);
  const cocOf = (school: CocSchool) => circleOfConfusionMm(school, frameDiagonal, longSide, pitch, viewed);
  const coc = cocOf(cocSchool);
  const schools = (value: (school: CocSchool) => number) =>
    COC_SCHOOLS.map((school) => ({
      preference: 'cocSchool',
      choice: school,
      name: COC_NAMES[school],
      value: value(school),
      chosen: school === cocSchool,
    }));
  const cocMm = computed(coc, 'mm', () => ({
    name: `Circle of confusion (${COC_NAMES[cocSchool]})`,
    formula: { diagonal: 'D / 1500', output: 'long side / details told apart', pixel: '2 · p' }[cocSchool],
    inputs: [
      input('D', 'diagonal used', given(frameDiagonal, 'mm', 'Diagonal of the part used', 'body and mode')),
      input(
        'S',
        'details told apart along the output',
        given(viewed, 'px', 'Details an eye tells apart', 'one arcminute, or the output’s pixels if those are fewer'),
      ),
      input('p', 'pixel pitch', pitchUm),
    ],
    source: 'how large a blur may be and still pass for sharp; schools differ',
    schools: schools(cocOf),
  }));
  const u = reading.subjectM;
  const depthAt = (c: number) => depthOfChain(pupil.value, ratio, c, uMm);
  const depth = depthAt(coc);
  const behindLensM = reading.distanceM.value - uMm / 1000;
  const behind = given(behindLensM, 'm', 'Lens to sensor', 'the rest of the distance');
  const limit = (mm: number, name: string, sign: string) =>
    computed(mm / 1000 + behindLensM, 'm', () => ({
      name,
      formula: `u·A·m / (A·m ${sign} c) + v`,
      inputs: [
        input('u', 'subject to the pupil', u),
        input('A', 'entrance pupil', pupil),
        input('m', 'reproduction ratio', ratioQ),
        input('c', 'circle of confusion', cocMm),
        input('v', 'lens to sensor', behind),
      ],
      source: 'exact, for a thin lens u·f²/(f² ± N·c·(u − f)); measured from the sensor again',
      schools: schools(
        (school) => (sign === '+' ? depthAt(cocOf(school)).nearMm : depthAt(cocOf(school)).farMm) / 1000 + behindLensM,
      ).filter((each) => Number.isFinite(each.value)),
    }));
  const total = (c: number) => (depthAt(c).farMm - depthAt(c).nearMm) / 1000;

  const ground =
    background.kind === 'ground'
      ? behindSubject(background.cameraHeightM, background.subjectHeightM, reading.distanceM.value)
      : null;
  const backgroundM = ground ? ground.backgroundM : background.kind === 'distance' ? background.distanceM : Infinity;
  const blur = blurDiscMm(
    pupil.value,
    ratio,
    uMm,
    backgroundM === Infinity ? Infinity : Math.max(1, (backgroundM - behindLensM) * 1000),
  );
  const backgroundQ =
    backgroundM === Infinity
      ? undefined
      : background.kind === 'ground'
        ? computed(backgroundM, 'm', () => ({
            name: 'Ground seen behind the subject',
            formula: 'd · h / (h − s)',
            inputs: [
              input('d', 'distance', reading.distanceM),
              input('h', 'camera height', given(background.cameraHeightM, 'm', 'Camera height', 'as set')),
              input(
                's',
                'height of the subject',
                given(background.subjectHeightM, 'm', 'Height of the subject', 'as set'),
              ),
            ],
            source: 'flat ground or water; the line of sight over the subject meets it there',
            neglects: 'Slopes, reeds and waves.',
          }))
        : given(backgroundM, 'm', 'Distance of the background', 'as set');

  const wholeArea = system.body.sensor.widthMm * system.body.sensor.heightMm;
  const motion = pixelsPerSecond(speedMPerS, ratio, pitch);
  const speed =
    entered === undefined
      ? assumed(speedMPerS, 'm/s', 'Speed across the view', `usual for a ${kind.name.toLowerCase()}; enter its own`)
      : given(speedMPerS, 'm/s', 'Speed across the view', 'as set');
  const motionQ = computed(motion, 'px/s', () => ({
    name: 'Speed over the pixels',
    formula: '10⁶ · v · m / p',
    inputs: [
      input('v', 'speed across the view', speed),
      input('m', 'reproduction ratio', ratioQ),
      input('p', 'pixel pitch', pitchUm),
    ],
    source: 'moving straight across; towards the camera it is less',
  }));
  const perOutput = pixelsPerOutputPixel(px.value, reading.neededPixels.value);
  const shutter = (blurPx: number, name: string, why: string) =>
    computed(longestShutterS(blurPx, motion), 's', () => ({
      name,
      formula: 'b / pixels per second',
      inputs: [
        input('b', 'blur allowed', given(blurPx, 'px', 'Blur allowed', why)),
        input('w', 'speed over the pixels', motionQ),
      ],
      source: 'sharp as long as the picture moves less than that',
      neglects: 'Limbs and wings move faster than the body.',
    }));
  const stops = (system.body.stabiliserStops ?? 0) as number;
  const stabiliser = given(
    stops,
    'stops',
    'Stabiliser',
    system.body.stabiliserStops === undefined ? 'not entered, taken as 0' : 'body data',
  );
  const resolved = reading.resolvedPixels;
  const perThousand = (quantity: Quantity | undefined, name: string) =>
    quantity && resolved.value > 0
      ? computed((quantity.value * 1000) / resolved.value, quantity.unit, () => ({
          name,
          formula: '1000 · w / resolved pixels',
          inputs: [input('w', quantity.why.name, quantity), input('r', 'resolved pixels on the subject', resolved)],
          source: 'what a thousand resolved pixels on this subject cost to carry or to buy',
        }))
      : undefined;
  const gramsPerKilopixel = perThousand(system.weightG, 'Weight for a thousand resolved pixels');
  const pricePerKilopixel = perThousand(system.price, 'Price for a thousand resolved pixels');

  const nearLimitM = limit(depth.nearMm, 'Near limit of the depth', '+');
  const farLimitM = limit(depth.farMm, 'Far limit of the depth', '−');
  return {
    pixelArea: computed(
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
    ),
    cocMm,
    nearLimitM,
    ...(depth.farMm === Infinity
      ? {}
      : {
          farLimitM,
          depthM: computed(total(coc), 'm', () => ({
            name: 'Depth of field',
            formula: 'far − near',
            inputs: [input('near', 'sharp from', nearLimitM), input('far', 'sharp to', farLimitM)],
            source: 'exact limits; for a far subject about 2·N·c·u²/f²',
            schools: schools((school) => total(cocOf(school))).filter((each) => Number.isFinite(each.value)),
          })),
        }),
    ...(backgroundQ ? { backgroundM: backgroundQ } : {}),
    backgroundBlur: computed((blur / used.widthMm) * 100, '%', () => ({
      name: 'Blur of the background',
      formula: backgroundQ ? '100 · A · m · |u_b − v − u| / (u_b − v) / W' : '100 · A · m / W',
      inputs: [
        input('A', 'entrance pupil', pupil),
        input('m', 'reproduction ratio', ratioQ),
        input('u', 'distance from the lens', u),
        ...(backgroundQ
          ? [input('u_b', 'distance of the background', backgroundQ), input('v', 'lens to sensor', behind)]
          : []),
        input('W', 'frame width', given(used.widthMm, 'mm', 'Width of the part used', 'body and mode')),
      ],
      source: backgroundQ
        ? 'diameter of the blur disc as a share of the frame’s width'
        : 'the sky: the largest it can be, A · m',
    })),
    hiddenByMode: computed((1 - (used.widthMm * used.heightMm) / wholeArea) * 100, '%', () => ({
      name: 'Hidden by the mode',
      formula: '100 · (1 − a / A)',
      inputs: [
        input('a', 'area used', given(used.widthMm * used.heightMm, 'mm²', 'Area used')),
        input('A', 'area of the sensor', given(wholeArea, 'mm²', 'Area of the sensor')),
      ],
      source: 'what the whole sensor would show around the subject',
    })),
    secondsToCross: computed(speedMPerS > 0 ? reading.fieldWidthM.value / speedMPerS : 0, 's', () => ({
      name: 'Seconds to cross the frame',
      formula: 'field / v',
      inputs: [input('field', 'width seen', reading.fieldWidthM), input('v', 'speed across the view', speed)],
      source: 'how long it stays in a frame held still',
    })),
    motionPxPerS: motionQ,
    speedMPerS: speed,
    longestShutter100S: shutter(1, 'Longest shutter, sharp at 100 %', 'one pixel at full size'),
    longestShutterOutputS: shutter(perOutput, `Longest shutter for ${output.name}`, 'one pixel of the output'),
    handHoldRuleS: computed(handHoldS(system.equivalentFocalMm.value, stops), 's', () => ({
      name: 'Hand-hold limit, customary',
      formula: '2^s / f_eq',
      inputs: [
        input('s', 'stabiliser', stabiliser),
        input('f_eq', 'equivalent focal length', system.equivalentFocalMm),
      ],
      source: 'rule of thumb; hands differ',
    })),
    handHoldPixelS: computed(handHoldPerPixelS(1.5, reading.reachPxPerMrad.value, stops), 's', () => ({
      name: 'Hand-hold limit by pixels',
      formula: '2^s · 1.5 px / (9 mrad/s · reach)',
      inputs: [input('s', 'stabiliser', stabiliser), input('reach', 'sampling reach', reading.reachPxPerMrad)],
      source: 'what the customary rule lets blur on 24 MP full frame, held to on these pixels',
      neglects: 'At the output’s size more passes.',
    })),
    ...(gramsPerKilopixel ? { gramsPerKilopixel } : {}),
    ...(pricePerKilopixel ? { pricePerKilopixel } : {}),
  };
}
