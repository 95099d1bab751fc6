import { foldSystem, type CropConventionChoice, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import { computed, given, input, type Quantity } from '../quantity/quantity';

/** How much light a set-up gathers against another one. */
export interface LightAgainst {
  id: string;
  name: string;
  openingMm: Quantity;
  /** Positive: the set-up in hand gathers more. */
  stops: Quantity;
}

/** The opening that counts for the light, mm: without what a mirror covers, and less what filters swallow. */
const lightOpening = ({ focalMm, lightFNumber }: EffectiveSystem): Quantity =>
  computed(focalMm.value / lightFNumber, 'mm', () => ({
    name: 'Opening that counts for the light',
    formula: 'f / N',
    inputs: [
      input('f', 'effective focal length', focalMm),
      input('N', 'f-number that counts for the light', given(lightFNumber, 'f/', 'f-number that counts for the light')),
    ],
    source: 'the entrance pupil without a central obstruction, behind the filters',
  }));

/**
 * Light from the subject in the same time, from the same spot, whatever the sensors: it goes with the opening's area.
 *
 * @source 2·log₂(D/D₂)
 */
export function lightAgainst(
  system: EffectiveSystem,
  others: readonly { id: string; name: string; setup: SystemInput }[],
  convention: CropConventionChoice,
): LightAgainst[] {
  const own = lightOpening(system);
  return others.flatMap(({ id, name, setup }): LightAgainst[] => {
    const folded = foldSystem(setup, convention);
    if (!folded.ok) return [];
    const its = lightOpening(folded.value);
    const stops = computed(2 * Math.log2(own.value / its.value), 'stops', () => ({
      name: `Light against ${name}`,
      formula: '2 · log₂(D / D₂)',
      inputs: [input('D', 'opening in hand', own), input('D₂', `opening of ${name}`, its)],
      source: 'from the same spot in the same time the opening’s area decides, not the f-number and not the sensor',
    }));
    return [{ id, name, openingMm: folded.value.entrancePupilMm, stops }];
  });
}
