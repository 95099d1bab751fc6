import { angleOfViewDeg } from '../optics/angleOfView';
import type { EffectiveSystem } from '../optics/foldSystem';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { skyCamera } from './camera';
import type { DeepObject } from './catalogue';
import { longestTimeS } from './longestTime';
import { planMosaic, seeingStand, unguidedS, type MosaicPlan, type SeeingStand } from './mosaic';
import { starGrid, worstPoint } from './worstPoint';

export interface DeepInput {
  system: EffectiveSystem;
  object: DeepObject;
  /** Position angle of the frame's up, from north through east. */
  rollDeg: number;
  /** Of neighbouring frames, share of a frame. */
  overlap: number;
  seeingArcsec: number;
  /** How far a star may run, px. */
  tolerancePx: number;
  mountArcsecPerMin: number;
}

export interface DeepReading {
  plan: MosaicPlan;
  fieldWidthDeg: Quantity;
  fieldHeightDeg: Quantity;
  pixelScaleArcsec: Quantity;
  fillPercent: Quantity;
  lengthPx: Quantity;
  pixelToSeeing: Quantity;
  /** Longest on a tripod at the worst point, and on a mount that follows unguided. */
  tripodS: Quantity;
  unguidedS: Quantity;
  stand: SeeingStand;
}

/** Catalogue sizes depend on how deep a picture goes. */
const SIZE_ERROR = 0.2;

interface Field {
  widthDeg: number;
  heightDeg: number;
}

const fieldOf = ({ used, focalMm }: EffectiveSystem): Field => ({
  widthDeg: angleOfViewDeg(used.widthMm, focalMm.value),
  heightDeg: angleOfViewDeg(used.heightMm, focalMm.value),
});

/** The field, and what a pixel takes in of the sky. */
function scaleQuantities(
  { used, focalMm, pitchUm }: EffectiveSystem,
  field: Field,
): Pick<DeepReading, 'fieldWidthDeg' | 'fieldHeightDeg' | 'pixelScaleArcsec'> {
  const side = (degrees: number, mm: number, name: string) =>
    computed(degrees, '°', () => ({
      name,
      formula: '2 · atan(s / 2f)',
      inputs: [
        input('s', 'side of the part used', given(mm, 'mm', 'Side of the part used', 'body and mode')),
        input('f', 'focal length', focalMm),
      ],
      source: 'rectilinear, focused on infinity',
    }));
  return {
    fieldWidthDeg: side(field.widthDeg, used.widthMm, 'Width of the field'),
    fieldHeightDeg: side(field.heightDeg, used.heightMm, 'Height of the field'),
    pixelScaleArcsec: computed((206.265 * pitchUm.value) / focalMm.value, '″/px', () => ({
      name: 'Pixel scale',
      formula: '206.265 · p / f',
      inputs: [input('p', 'pixel pitch', pitchUm), input('f', 'focal length', focalMm)],
      source: 'definition',
    })),
  };
}

type Scale = ReturnType<typeof scaleQuantities>;

/** How much of the frame the object takes, and how fine it is drawn against the air. */
function objectQuantities(
  { object, seeingArcsec }: DeepInput,
  plan: MosaicPlan,
  { fieldWidthDeg, fieldHeightDeg, pixelScaleArcsec }: Scale,
): Pick<DeepReading, 'fillPercent' | 'lengthPx' | 'pixelToSeeing'> {
  const scale = pixelScaleArcsec.value;
  const lengthArcsec = object.lengthArcmin * 60;
  const size = given(lengthArcsec, '″', `Length of ${object.name}`, 'catalogue', lengthArcsec * SIZE_ERROR);
  const seeing = given(seeingArcsec, '″', 'Seeing', 'width of a star at half its height, as set');
  return {
    fillPercent: computed(
      plan.fill * 100,
      '%',
      () => ({
        name: 'Share of the frame it fills',
        formula: 'the larger of across / width and up / height',
        inputs: [
          input(
            'across',
            'extent across',
            given(plan.acrossDeg, '°', 'Extent across the frame', 'its ellipse, turned against the frame'),
          ),
          input(
            'up',
            'extent up',
            given(plan.alongDeg, '°', 'Extent up the frame', 'its ellipse, turned against the frame'),
          ),
          input('width', 'field', fieldWidthDeg),
          input('height', 'field', fieldHeightDeg),
        ],
        source: 'above 100 % it takes several frames',
        neglects: 'Catalogue sizes hold for deep pictures; yours may show less.',
      }),
      plan.fill * 100 * SIZE_ERROR,
    ),
    lengthPx: computed(
      (object.lengthArcmin * 60) / scale,
      'px',
      () => ({
        name: 'Length in pixels',
        formula: 'L / scale',
        inputs: [input('L', 'length', size), input('scale', 'pixel scale', pixelScaleArcsec)],
        source: 'small angle',
      }),
      ((object.lengthArcmin * 60) / scale) * SIZE_ERROR,
    ),
    pixelToSeeing: computed(scale / seeingArcsec, '×', () => ({
      name: 'A pixel against the seeing',
      formula: 'scale / w',
      inputs: [input('scale', 'pixel scale', pixelScaleArcsec), input('w', 'seeing', seeing)],
      source: 'a third to a half is right: finer gains nothing, coarser leaves detail',
    })),
  };
}

/** How long one may expose, on a tripod and on a mount that follows unguided. */
function timeQuantities(
  { system, object, rollDeg, tolerancePx, mountArcsecPerMin }: DeepInput,
  pixelScaleArcsec: Quantity,
): Pick<DeepReading, 'tripodS' | 'unguidedS'> {
  const { used, focalMm, pitchUm } = system;
  const scale = pixelScaleArcsec.value;
  const tolerance = given(tolerancePx, 'px', 'How far a star may run', 'as set');
  const camera = skyCamera('rectilinear', focalMm.value, { declinationDeg: object.declinationDeg, rollDeg });
  const grid = starGrid(camera, used.widthMm, used.heightMm, system.imageCircleMm?.value);
  const tripod = longestTimeS((seconds) => worstPoint(grid, seconds).mm * (1000 / pitchUm.value), tolerancePx);
  return {
    tripodS: computed(tripod, 's', () => ({
      name: 'Longest on a tripod',
      formula: 'drift(t) = b',
      inputs: [
        input('b', 'how far a star may run', tolerance),
        input(
          'δ',
          'declination',
          given(object.declinationDeg, '°', `Declination of ${object.name}`, 'catalogue, J2000'),
        ),
        input('f', 'focal length', focalMm),
        input('p', 'pixel pitch', pitchUm),
      ],
      source: 'the worst point of the frame, by exact projection',
    })),
    unguidedS: computed(unguidedS(tolerancePx, scale, mountArcsecPerMin), 's', () => ({
      name: 'Longest on a mount, unguided',
      formula: '60 · b · scale / e',
      inputs: [
        input('b', 'how far a star may run', tolerance),
        input('scale', 'pixel scale', pixelScaleArcsec),
        input(
          'e',
          'error of the mount in ″ per minute',
          given(mountArcsecPerMin, '1', 'Error of the mount, ″ per minute', 'as set'),
        ),
      ],
      source: 'estimate: an even error of the mount',
      neglects: 'Gusts, and the uneven part of a gear’s error.',
    })),
  };
}

/**
 * Reads an object of the deep sky against the frame.
 *
 * @source angle of view at infinity; the object as an ellipse of its catalogue size, turned against the frame
 */
export function readDeep(from: DeepInput): DeepReading {
  const { system, object, rollDeg, overlap, seeingArcsec } = from;
  const field = fieldOf(system);
  const plan = planMosaic(object, field, rollDeg, overlap);
  const scale = scaleQuantities(system, field);
  return {
    plan,
    ...scale,
    ...objectQuantities(from, plan, scale),
    ...timeQuantities(from, scale.pixelScaleArcsec),
    stand: seeingStand(scale.pixelScaleArcsec.value, seeingArcsec),
  };
}
