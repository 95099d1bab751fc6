import { coneFactor } from '../chain/opticState';
import { DEFAULT_WAVELENGTH_UM } from '../detail/response';
import type { EffectiveSystem } from '../optics/foldSystem';
import { computed, given, input, type Quantity, type Why } from '../quantity/quantity';
import type { NearState } from './nearState';

/** What the aperture acts as close up, the light it costs, and the diffraction it brings. */
export interface LightQuantities {
  setFNumber: Quantity;
  workingFNumber: Quantity;
  lightLossStops: Quantity;
  airyUm: Quantity;
  airyPixels: Quantity;
}

export const greenLight = (): Quantity => given(DEFAULT_WAVELENGTH_UM, 'µm', 'Wavelength', 'green light');

/** Why the working f-number is what it is: the cone behind the lens, or a numerical aperture in front. */
function whyWorking({ optics }: EffectiveSystem, { setting }: NearState, ratio: Quantity, setFNumber: Quantity): Why {
  const na = optics.numericalAperture;
  if (na !== undefined)
    return {
      name: 'Working f-number',
      formula: 'm / (2 · NA)',
      inputs: [
        input('m', 'reproduction ratio', ratio),
        input('NA', 'numerical aperture', given(na, '1', 'Numerical aperture', 'what stands in front stops the light')),
      ],
      source: 'the numerical aperture on the subject’s side stops the light',
    };
  const cone = given(
    coneFactor(setting),
    '×',
    'Cone behind the lens',
    'factors behind × (1 + ratio of the lens alone + what extension adds), pupil factor taken as 1',
  );
  return {
    name: 'Working f-number',
    formula: 'N · c',
    inputs: [
      input('N', 'f-number as set', setFNumber),
      input('c', 'how much longer the cone behind it is', cone),
      input('m', 'reproduction ratio', ratio),
    ],
    source: 'what the aperture acts as this close; what stands in front changes nothing behind the lens',
  };
}

export function lightQuantities(system: EffectiveSystem, state: NearState, ratio: Quantity): LightQuantities {
  const setFNumber = given(
    state.setFNumber,
    'f/',
    'f-number as set',
    state.fixedAperture ? 'the optics have one aperture' : 'as set on the lens',
  );
  const workingFNumber = computed(state.workingFNumber, 'f/', () => whyWorking(system, state, ratio, setFNumber));
  const airyUm = computed(2.44 * DEFAULT_WAVELENGTH_UM * state.workingFNumber, 'µm', () => ({
    name: 'Diffraction disc',
    formula: '2.44 · λ · N_w',
    inputs: [input('λ', 'wavelength', greenLight()), input('N_w', 'working f-number', workingFNumber)],
    source: 'diameter of the Airy disc to its first dark ring, on the sensor',
  }));

  return {
    setFNumber,
    workingFNumber,
    lightLossStops: computed(2 * Math.log2(state.workingFNumber / state.setFNumber), 'stops', () => ({
      name: 'Light lost against the f-number set',
      formula: '2 · log₂(N_w / N)',
      inputs: [input('N_w', 'working f-number', workingFNumber), input('N', 'f-number as set', setFNumber)],
      source:
        'the picture is spread wider this close, and converters spread it again; the camera’s meter sees it, a flash by hand does not',
    })),
    airyUm,
    airyPixels: computed(airyUm.value / system.pitchUm.value, 'px', () => ({
      name: 'Diffraction disc in pixels',
      formula: 'Airy / p',
      inputs: [input('Airy', 'diffraction disc', airyUm), input('p', 'pixel pitch', system.pitchUm)],
      source: 'from about two pixels on it starts to show at 100 %',
    })),
  };
}
