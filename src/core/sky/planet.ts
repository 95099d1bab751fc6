import type { EffectiveSystem } from '../optics/foldSystem';
import { computed, given, input, type Quantity } from '../quantity/quantity';

/** The planets, with what a capture depends on. Radii in km at the equator; rotation in s. */
export type PlanetName = 'Mercury' | 'Venus' | 'Mars' | 'Jupiter' | 'Saturn' | 'Uranus' | 'Neptune';

export interface PlanetFacts {
  radiusKm: number;
  rotationS: number;
  /** Disc at its usual best, ″, where no date is chosen. */
  usualArcsec: number;
}

/** @source IAU cartographic working group (radii, rotation); rotation of the visible clouds where there is no ground */
export const PLANETS: Record<PlanetName, PlanetFacts> = {
  Mercury: { radiusKm: 2440.5, rotationS: 5_067_032, usualArcsec: 7 },
  Venus: { radiusKm: 6051.8, rotationS: 345_600, usualArcsec: 25 },
  Mars: { radiusKm: 3396.2, rotationS: 88_643, usualArcsec: 14 },
  Jupiter: { radiusKm: 71_492, rotationS: 35_730, usualArcsec: 45 },
  Saturn: { radiusKm: 60_268, rotationS: 38_362, usualArcsec: 19 },
  Uranus: { radiusKm: 25_559, rotationS: 62_064, usualArcsec: 3.7 },
  Neptune: { radiusKm: 24_764, rotationS: 57_996, usualArcsec: 2.4 },
};

export const PLANET_NAMES = Object.keys(PLANETS) as PlanetName[];

/** Where a focal ratio stands against the pixel. */
export type SamplingStand = 'coarse' | 'customary' | 'fineSeeing' | 'empty';

export const STAND_WORDS: Record<SamplingStand, string> = {
  coarse: 'coarser than customary: a Barlow would show more',
  customary: 'in the customary range, 3 to 5 × the pixel',
  fineSeeing: 'only the best air fills it, up to 7 × the pixel',
  empty: 'beyond what the opening resolves: darker, not finer',
};

/** f-number divided by the pixel pitch in µm: below 3 coarse, to 5 customary, to 7 for the best air. */
export function standOf(fNumberOverPitch: number): SamplingStand {
  if (fNumberOverPitch < 3) return 'coarse';
  if (fNumberOverPitch <= 5) return 'customary';
  return fNumberOverPitch <= 7 ? 'fineSeeing' : 'empty';
}

/** Outer diameter of what must be in the window, in discs: Saturn takes its rings along. */
export const widthInDiscs = (planet: PlanetName): number => (planet === 'Saturn' ? 2.27 : 1);

/** Diameter of a disc on the sensor, px. */
export const discPx = (arcsec: number, focalMm: number, pitchUm: number): number =>
  (arcsec * focalMm) / (206.265 * pitchUm);
/** The f-number at which the pixel takes in all that diffraction leaves, λ in µm. */
export const criticalFNumber = (pitchUm: number, wavelengthUm = 0.55): number => (2 * pitchUm) / wavelengthUm;
/** How long a planet may be recorded until its turning smears the disc's centre by some pixels, s. */
export const longestCaptureS = (blurPx: number, rotationS: number, disc: number): number =>
  (blurPx * rotationS) / (Math.PI * disc);

export interface PlanetInput {
  system: EffectiveSystem;
  planet: PlanetName;
  /** Disc on the night, ″. */
  discArcsec: number;
  /** How much the turning may smear, px. */
  blurPx: number;
}

export interface PlanetReading {
  discPx: Quantity;
  pixelScaleArcsec: Quantity;
  fNumberOverPitch: Quantity;
  criticalFNumber: Quantity;
  smallestDetailArcsec: Quantity;
  longestCaptureS: Quantity;
  stand: SamplingStand;
}

/** Reads a planet through a chain: its disc, how it is sampled, how long it holds still. */
export function readPlanet({ system, planet, discArcsec, blurPx }: PlanetInput): PlanetReading {
  const { focalMm, pitchUm, fNumber, entrancePupilMm } = system;
  const disc = given(discArcsec, '″', `Disc of ${planet}`, 'on the night chosen');
  const inDisc = discPx(discArcsec, focalMm.value, pitchUm.value);
  const discQuantity = computed(inDisc, 'px', () => ({
    name: 'Disc on the sensor',
    formula: 'θ · f / (206.265 · p)',
    inputs: [input('θ', 'disc', disc), input('f', 'focal length', focalMm), input('p', 'pixel pitch', pitchUm)],
    source: 'small angle',
    neglects: 'The air, which spreads the limb.',
  }));
  const rotation = PLANETS[planet].rotationS;
  const over = fNumber.value / pitchUm.value;
  const wave = given(0.55, 'µm', 'Wavelength', 'green light');
  return {
    discPx: discQuantity,
    pixelScaleArcsec: computed((206.265 * pitchUm.value) / focalMm.value, '″/px', () => ({
      name: 'Pixel scale',
      formula: '206.265 · p / f',
      inputs: [input('p', 'pixel pitch', pitchUm), input('f', 'focal length', focalMm)],
      source: 'definition',
    })),
    fNumberOverPitch: computed(over, '×', () => ({
      name: 'Focal ratio against the pixel',
      formula: 'N / p',
      inputs: [input('N', 'f-number', fNumber), input('p', 'pixel pitch in µm', pitchUm)],
      source: 'customary 3 to 5 by the air, up to 7 in the best; 3.6 is where diffraction ends the detail',
    })),
    criticalFNumber: computed(criticalFNumber(pitchUm.value), 'f/', () => ({
      name: 'f-number that takes in all the detail',
      formula: '2 · p / λ',
      inputs: [input('p', 'pixel pitch', pitchUm), input('λ', 'wavelength', wave)],
      source: 'two pixels on the finest detail diffraction leaves',
    })),
    smallestDetailArcsec: computed((206_265 * 0.00055) / entrancePupilMm.value, '″', () => ({
      name: 'Finest detail of the opening',
      formula: '206 265 · λ / A',
      inputs: [input('λ', 'wavelength', wave), input('A', 'entrance pupil', entrancePupilMm)],
      source: 'cut-off of diffraction',
      neglects: 'The air, which is mostly coarser.',
    })),
    longestCaptureS: computed(longestCaptureS(blurPx, rotation, inDisc), 's', () => ({
      name: 'Longest recording before the turning smears',
      formula: 'b · P / (π · d)',
      inputs: [
        input('b', 'smear allowed', given(blurPx, 'px', 'Smear allowed', 'as set')),
        input('P', 'one turn', given(rotation, 's', `One turn of ${planet}`, 'facts of the planet')),
        input('d', 'disc', discQuantity),
      ],
      source: 'the centre of the disc moves fastest',
    })),
    stand: standOf(over),
  };
}
