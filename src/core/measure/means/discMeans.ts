import type { EffectiveSystem } from '../../optics/foldSystem';
import { computed, given, input, measured, type Quantity } from '../../quantity/quantity';
import type { DiscFound } from '../disc/findDisc';
import { offFrom, shareOf, together } from './shares';

/** What is known of a disc. */
export interface DiscKnown {
  found: DiscFound;
  pitchUm: Quantity | null;
  system: EffectiveSystem | null;
  /** How wide it is in the sky, ″, where it is a body of the sky on a known evening. */
  arcsec: Quantity | null;
  /** How wide it is in reality, mm, where it is a thing. */
  sizeMm: Quantity | null;
}

export interface DiscMeans {
  diameterPx: Quantity;
  /** Under the sky: expected width, ″ a px, the focal length at work, and what the chain enlarges. */
  predictedPx?: Quantity;
  offPercent?: Quantity;
  pixelScaleArcsec?: Quantity;
  effectiveFocalMm?: Quantity;
  barlowFactor?: Quantity;
  /** Of a thing: the ratio. */
  ratio?: Quantity;
}

/** What a measured disc means: of a planet the focal length and the Barlow factor really at work, of a thing the ratio. */
export function discMeans({ found, pitchUm, system, arcsec, sizeMm }: DiscKnown): DiscMeans {
  const diameterPx = measured(
    found.equatorialDiameterPx,
    'px',
    () => ({
      name: 'Diameter',
      formula: '2 · (a + δ)',
      inputs: [input('σ', 'blur of the limb', given(found.blurPx, 'px', 'Blur of the limb', 'fitted'))],
      source: 'ellipse through the steepest places of the limb, moved to the true limb by the light across it',
    }),
    found.diameterError,
  );
  const means: DiscMeans = { diameterPx };
  if (arcsec) means.pixelScaleArcsec = scaleOf(diameterPx, arcsec);
  if (arcsec && pitchUm) Object.assign(means, underTheSky(diameterPx, arcsec, pitchUm, system));
  if (sizeMm && pitchUm) {
    const value = (diameterPx.value * pitchUm.value) / 1000 / sizeMm.value;
    means.ratio = measured(
      value,
      ':1',
      () => ({
        name: 'Reproduction ratio',
        formula: 'd · p / (1000 · y)',
        inputs: [
          input('d', 'diameter', diameterPx),
          input('p', 'pixel pitch', pitchUm),
          input('y', 'real width', sizeMm),
        ],
        source: 'size on the sensor ÷ real size',
      }),
      value * together(shareOf(diameterPx), shareOf(sizeMm)),
    );
  }
  return means;
}

const scaleOf = (diameterPx: Quantity, arcsec: Quantity): Quantity =>
  measured(
    arcsec.value / diameterPx.value,
    '″/px',
    () => ({
      name: 'Pixel scale',
      formula: 'θ / d',
      inputs: [input('θ', 'width in the sky', arcsec), input('d', 'diameter', diameterPx)],
      source: 'definition',
    }),
    (arcsec.value / diameterPx.value) * together(shareOf(diameterPx), shareOf(arcsec)),
  );

/** Pixels and µm to focal length and back: 206,265 arcseconds are a radian. */
const ARCSEC_MM = 206.265;

function underTheSky(
  diameterPx: Quantity,
  arcsec: Quantity,
  pitchUm: Quantity,
  system: EffectiveSystem | null,
): Partial<DiscMeans> {
  const focal = (ARCSEC_MM * diameterPx.value * pitchUm.value) / arcsec.value;
  const effectiveFocalMm = measured(
    focal,
    'mm',
    () => ({
      name: 'Focal length at work',
      formula: '206.265 · d · p / θ',
      inputs: [
        input('d', 'diameter', diameterPx),
        input('p', 'pixel pitch', pitchUm),
        input('θ', 'width in the sky', arcsec),
      ],
      source: 'small angle',
    }),
    focal * together(shareOf(diameterPx), shareOf(arcsec)),
  );
  if (!system) return { effectiveFocalMm };
  const expected = (arcsec.value * system.focalMm.value) / (ARCSEC_MM * pitchUm.value);
  const predictedPx = computed(
    expected,
    'px',
    () => ({
      name: 'Width expected',
      formula: 'θ · f / (206.265 · p)',
      inputs: [
        input('θ', 'width in the sky', arcsec),
        input('f', 'focal length', system.focalMm),
        input('p', 'pixel pitch', pitchUm),
      ],
      source: 'as on the Planets desk',
    }),
    expected * together(shareOf(arcsec), shareOf(system.focalMm)),
  );
  const bare = system.markedFocalMm;
  const factor = focal / bare;
  return {
    effectiveFocalMm,
    predictedPx,
    offPercent: offFrom(diameterPx, predictedPx),
    barlowFactor: computed(
      factor,
      '×',
      () => ({
        name: 'What the chain enlarges',
        formula: 'f_work / f',
        inputs: [
          input('f_work', 'focal length at work', effectiveFocalMm),
          input('f', 'focal length of the optics alone', given(bare, 'mm', 'Focal length', 'the kit')),
        ],
        source: 'a Barlow’s factor grows with the distance behind it',
      }),
      factor * shareOf(effectiveFocalMm),
    ),
  };
}
