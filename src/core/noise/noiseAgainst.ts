import { foldSystem, type CropConventionChoice, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import type { OutputSpec } from '../output/needs';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import { signalToNoise, type NoiseReading } from './signalToNoise';

/** How clean another set-up is beside the one in hand. */
export interface NoiseAgainst {
  id: string;
  name: string;
  /** ISO it is set to for the same time in the same light. */
  iso: Quantity;
  perOutputPixel: Quantity;
  /** Positive: the set-up in hand is cleaner, in stops of light. */
  stops: Quantity;
  /** ISO at which it looks like the one in hand; nothing where no ISO brings it there. */
  alikeIso: Quantity | null;
  known: NoiseReading['known'];
}

interface AgainstInput {
  system: EffectiveSystem;
  output: OutputSpec;
  iso: number;
  overStops?: number | undefined;
  others: readonly { id: string; name: string; setup: SystemInput }[];
  convention: CropConventionChoice;
  /** f-number in hand that counts for the light, beside the others wide open; nothing where all are set to one, as close up. */
  lightFNumber: number | null;
}

/** ISO looked through for the one at which both look alike. */
const [LEAST_ISO, MOST_ISO] = [6, 1e8];
const HALVINGS = 60;

/** Where a falling function of ISO crosses a level, or nothing where it does not within reach. */
function crossing(at: (iso: number) => number, level: number): number | null {
  let [low, high] = [LEAST_ISO, MOST_ISO];
  if (at(low) < level || at(high) > level) return null;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = Math.sqrt(low * high);
    if (at(middle) >= level) low = middle;
    else high = middle;
  }
  return Math.sqrt(low * high);
}

const relative = ({ value, plusMinus = 0 }: Quantity): number => plusMinus / value;

/** The other's ISO for the same time in the same light. */
const isoFor = (n: number | null, { lightFNumber: n2 }: EffectiveSystem, iso: number): Quantity =>
  computed(n === null ? iso : iso * (n2 / n) ** 2, 'ISO', () => ({
    name: 'ISO for the same time in the same light',
    formula: n === null ? 'ISO' : 'ISO · (N₂ / N)²',
    inputs: [
      input('ISO', 'ISO in hand', given(iso, 'ISO', 'ISO', 'as set')),
      ...(n === null
        ? []
        : [
            input('N', 'f-number that counts for the light', given(n, 'f/', 'f-number for the light')),
            input('N₂', 'its own', given(n2, 'f/', 'Its f-number for the light')),
          ]),
    ],
    source:
      n === null
        ? 'both set to the same f-number, at the same ratio'
        : 'the other wide open: the light on the sensor goes with 1/N²',
  }));

/** Errors that two sensors share cancel: of one body nothing is uncertain but what it is set to. */
const sameSensor = (own: EffectiveSystem, its: EffectiveSystem): boolean =>
  JSON.stringify([own.body.sensor, own.body.light, own.body.designYear]) ===
  JSON.stringify([its.body.sensor, its.body.light, its.body.designYear]);

/** What the comparison is asked of each set-up. */
function against(wanted: AgainstInput, own: NoiseReading, its: EffectiveSystem, name: string) {
  const { system, output, iso, overStops, lightFNumber } = wanted;
  const there = isoFor(lightFNumber, its, iso);
  const at = (each: number) => signalToNoise({ body: its.body, used: its.used, output, iso: each, overStops });
  const reading = at(there.value);
  const [mine, theirs] = [own.perOutputPixel, reading.perOutputPixel];
  const error = sameSensor(system, its) ? 0 : Math.hypot(relative(mine), relative(theirs));
  const inputs = [
    input('SNR', 'in hand, per pixel of the output', mine),
    input('SNR₂', `of ${name}, per pixel of the output`, theirs),
  ];
  const stops = computed(
    2 * Math.log2(mine.value / theirs.value),
    'stops',
    () => ({
      name: `Cleaner than ${name}`,
      formula: '2 · log₂(SNR / SNR₂)',
      inputs,
      source: 'stops of light that would make the same difference: four times the light halves the noise',
      neglects:
        'Each frame is shown whole. Cropped to the same part of the subject, the light from the subject decides.',
    }),
    (2 * error) / Math.LN2,
  );
  const alike = crossing((each) => at(each).perOutputPixel.value, mine.value);
  const stepOf = (each: number) =>
    Math.abs(Math.log(at(each * 1.1).perOutputPixel.value / at(each / 1.1).perOutputPixel.value) / (2 * Math.log(1.1)));
  const alikeIso =
    alike === null
      ? null
      : computed(
          alike,
          'ISO',
          () => ({
            name: `ISO at which ${name} looks alike`,
            formula: 'SNR₂(ISO) = SNR',
            inputs: [inputs[0]!, input('ISO₂', 'for the same time', there)],
            source: 'sought by halving: the ISO at which a mid-tone is as clean on the output',
          }),
          // How steeply it falls with ISO turns an error of the signal into one of the ISO.
          error === 0 ? undefined : (alike * error) / Math.max(0.3, stepOf(alike)),
        );
  return { iso: there, perOutputPixel: theirs, stops, alikeIso, known: reading.known };
}

/**
 * What another sensor costs: how clean other set-ups are in the same light and time, in stops of light, and the ISO at which
 * each looks like the one in hand.
 *
 * @source signal to noise of a mid-tone per pixel of the output, in stops of light 2·log₂
 */
export function noiseAgainst(wanted: AgainstInput): NoiseAgainst[] {
  const { system, output, iso, overStops, others, convention } = wanted;
  const own = signalToNoise({ body: system.body, used: system.used, output, iso, overStops });
  return others.flatMap(({ id, name, setup }): NoiseAgainst[] => {
    const folded = foldSystem(setup, convention);
    return folded.ok ? [{ id, name, ...against(wanted, own, folded.value, name) }] : [];
  });
}
