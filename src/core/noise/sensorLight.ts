import type { BodySpec, MeasuredLight } from '../kit/body';
import { computed, given, input, measured, type Quantity } from '../quantity/quantity';

/** What a sensor makes of light at one ISO. */
export interface SensorLight {
  /** Electrons at which the largest code stands. */
  fullWellE: Quantity;
  /** Electrons of noise of reading one pixel. */
  readNoiseE: Quantity;
  /** Whether this body was measured, or is taken for one of its class. */
  known: 'measured' | 'class';
}

/** Electrons a square micrometre holds at base ISO, and how far sensors differ from it, as a share. */
const CLASS_FULL_E_PER_UM2 = 2500;
const CLASS_FULL_SPREAD = 0.4;
/** ISO at which a sensor of a class is full. */
export const CLASS_BASE_ISO = 100;

/** Electronics by the year of design: noise of reading at high ISO, and the range of what turns it into codes. */
interface NoiseClass {
  from: number;
  highIsoE: number;
  plusMinusE: number;
  rangeOfCodes: number;
  words: string;
}
const NEWEST: NoiseClass = {
  from: 2015,
  highIsoE: 2.25,
  plusMinusE: 0.75,
  rangeOfCodes: 14_000,
  words: 'designed from 2015 on',
};
const CLASSES: readonly NoiseClass[] = [
  NEWEST,
  { from: 2008, highIsoE: 3.5, plusMinusE: 1.2, rangeOfCodes: 5000, words: 'designed from 2008 to 2014' },
  { from: 0, highIsoE: 6, plusMinusE: 2.5, rangeOfCodes: 2500, words: 'designed before 2008' },
];
/** How far the noise of the electronics of one class differs, as a share. */
const CODES_SPREAD = 0.5;

export const noiseClassOf = (year: number | undefined): NoiseClass =>
  year === undefined ? NEWEST : (CLASSES.find(({ from }) => year >= from) ?? NEWEST);

const classWords = (year: number | undefined): string =>
  `class value, ${year === undefined ? 'a sensor of today, as no year was entered' : noiseClassOf(year).words}; not measured`;

/** Electrons a pixel of this body's class holds at base ISO. */
function classFullWell({ sensor }: BodySpec): Quantity {
  const areaUm2 = ((sensor.widthMm * 1000) / sensor.columns) * ((sensor.heightMm * 1000) / sensor.rows);
  return computed(
    CLASS_FULL_E_PER_UM2 * areaUm2,
    'e⁻',
    () => ({
      name: 'Full well of the class',
      formula: 'd · A',
      inputs: [
        input(
          'd',
          'electrons a square micrometre',
          given(CLASS_FULL_E_PER_UM2, '1', 'Electrons a square micrometre', 'class value of silicon sensors, ± 40 %'),
        ),
        input('A', 'area of a pixel, µm²', given(areaUm2, '1', 'Area of a pixel, µm²', 'body data')),
      ],
      source: 'class value by the size of a pixel; not measured',
    }),
    CLASS_FULL_SPREAD * CLASS_FULL_E_PER_UM2 * areaUm2,
  );
}

function classLight(body: BodySpec, iso: number): SensorLight {
  const full = classFullWell(body);
  const { highIsoE, plusMinusE, rangeOfCodes } = noiseClassOf(body.designYear);
  // Below base ISO a sensor holds no more: it is only told to be darker.
  const share = Math.min(1, CLASS_BASE_ISO / iso);
  const codesE = (full.value / rangeOfCodes) * share;
  const isoGiven = given(iso, 'ISO', 'ISO', 'as set');
  const readE = Math.hypot(highIsoE, codesE);
  const words = classWords(body.designYear);
  return {
    known: 'class',
    fullWellE: computed(
      full.value * share,
      'e⁻',
      () => ({
        name: 'Electrons when full',
        formula: 'FW · min(1, 100 / ISO)',
        inputs: [input('FW', 'full well at base ISO', full), input('ISO', 'ISO', isoGiven)],
        source: 'class value: twice the ISO, half the light until the file is full',
      }),
      (full.plusMinus ?? 0) * share,
    ),
    readNoiseE: computed(
      readE,
      'e⁻',
      () => ({
        name: 'Noise of reading',
        formula: '√(r₁² + r₂²)',
        inputs: [
          input('r₁', 'of the pixel', given(highIsoE, 'e⁻', 'Noise of the pixel', words, plusMinusE)),
          input(
            'r₂',
            'of what makes codes of it, at this ISO',
            given(codesE, 'e⁻', 'Noise of the codes', words, CODES_SPREAD * codesE),
          ),
        ],
        source: words,
      }),
      Math.hypot(highIsoE * plusMinusE, codesE * codesE * CODES_SPREAD) / readE,
    ),
  };
}

/** Both measurements an ISO lies between, or the one at the end it lies beyond. */
function around(light: readonly MeasuredLight[], iso: number): [MeasuredLight, MeasuredLight] {
  const sorted = [...light].sort((a, b) => a.iso - b.iso) as [MeasuredLight, ...MeasuredLight[]];
  const above = sorted.find((each) => each.iso >= iso) ?? sorted[sorted.length - 1]!;
  const below = sorted.findLast((each) => each.iso <= iso) ?? sorted[0];
  return [below, above];
}

/** Share of the way from one number to another, both on a logarithmic scale; 0 where they are one. */
const shareBetween = (value: number, from: number, to: number): number =>
  to === from ? 0 : Math.log(value / from) / Math.log(to / from);
const logBetween = (share: number, from: number, to: number): number => from * (to / from) ** share;

/** How far what was measured is off at another ISO, as a share for each stop between. */
const OFF_PER_STOP = 0.05;

function measuredLight(light: readonly MeasuredLight[], iso: number): SensorLight {
  const [below, above] = around(light, iso);
  const share = shareBetween(iso, below.iso, above.iso);
  // Beyond what was measured: the light falls with ISO, the noise stays what it was at that end.
  const beyond = share === 0 ? below.iso / iso : 1;
  const fullE = logBetween(share, below.fullWellE, above.fullWellE) * (iso < below.iso ? Math.min(1, beyond) : beyond);
  const readE = logBetween(share, below.readNoiseE, above.readNoiseE);
  const stopsOff = Math.min(Math.abs(Math.log2(iso / below.iso)), Math.abs(Math.log2(iso / above.iso)));
  const offOf = (value: number, a: number | undefined, b: number | undefined, of: [number, number]) =>
    value * (Math.max((a ?? 0) / of[0], (b ?? 0) / of[1]) + OFF_PER_STOP * stopsOff);
  const whereWords = below === above ? `at ISO ${below.iso}` : `at ISO ${below.iso} and ${above.iso}`;
  const source = `measured on the Bench ${whereWords}`;
  const ends = (name: string, key: 'fullWellE' | 'readNoiseE') =>
    (below === above ? [below] : [below, above]).map((each, i) =>
      input(
        i ? 'x₂' : 'x₁',
        `${name} at ISO ${each.iso}`,
        measured(each[key], 'e⁻', () => ({ name, formula: '', inputs: [], source: 'photon transfer on the Bench' })),
      ),
    );
  const how = (name: string, key: 'fullWellE' | 'readNoiseE') => () => ({
    name,
    formula:
      below !== above
        ? 'x₁ · (x₂ / x₁)^s'
        : key === 'fullWellE' && beyond !== 1 && iso > below.iso
          ? 'x₁ · ISO₁ / ISO'
          : 'x₁',
    inputs: [
      ...ends(name, key),
      ...(below === above
        ? [input('ISO₁', 'ISO measured', given(below.iso, 'ISO', 'ISO measured'))]
        : [input('s', 'share of the way between them, in stops', given(share, '1', 'Share of the way'))]),
      input('ISO', 'ISO', given(iso, 'ISO', 'ISO', 'as set')),
    ],
    source,
  });
  return {
    known: 'measured',
    fullWellE: computed(
      fullE,
      'e⁻',
      how('Electrons when full', 'fullWellE'),
      offOf(fullE, below.fullWellPlusMinusE, above.fullWellPlusMinusE, [below.fullWellE, above.fullWellE]),
    ),
    readNoiseE: computed(
      readE,
      'e⁻',
      how('Noise of reading', 'readNoiseE'),
      offOf(readE, below.readNoisePlusMinusE, above.readNoisePlusMinusE, [below.readNoiseE, above.readNoiseE]),
    ),
  };
}

/**
 * What a body's sensor makes of light at an ISO: as it was measured, between two measurements on a logarithmic scale, or as
 * is usual for its pixels and its year, and then said to be so.
 *
 * @source full well ≈ 2,500 e⁻ per µm² ± 40 % at base ISO; noise of reading 1.5 to 3 e⁻ at high ISO for sensors of today
 */
export function sensorLight(body: BodySpec, iso: number): SensorLight {
  return body.light?.length ? measuredLight(body.light, iso) : classLight(body, iso);
}
