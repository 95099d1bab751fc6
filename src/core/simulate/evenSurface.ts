import { chance } from './chance';

/** A sensor that looks at an even surface, or at nothing with its cap on. */
export interface EvenMade {
  width: number;
  height: number;
  /** Electrons a code, and noise of reading, electrons. */
  gain: number;
  readNoise: number;
  /** Code that stands for no light, and the largest. */
  black: number;
  white: number;
  /** Light in the middle as a share of what the largest code holds; 0 with the cap on. */
  exposure: number;
  /** How much darker the corners are, and how unequal pixels are, as shares. */
  falloff: number;
  unequal: number;
  /** Pixels of this sensor differ in the same way in every frame. */
  sensorSeed: number;
}

/** The codes of one frame, whole numbers. */
export function evenFrame(made: EvenMade, seed: number): Uint16Array {
  const { width, height, gain, readNoise, black, white, exposure, falloff, unequal } = made;
  const own = chance(made.sensorSeed);
  const { normal } = chance(seed);
  const fullWell = (white - black) * gain;
  const codes = new Uint16Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const r2 = ((x / width - 0.5) ** 2 + (y / height - 0.5) ** 2) * 2;
      const sensitivity = 1 + unequal * own.normal();
      const light = exposure * fullWell * (1 - falloff * r2) * sensitivity;
      // Many photons scatter as a normal number does; few would not, but none is counted here.
      const electrons = light + Math.sqrt(Math.max(0, light)) * normal() + readNoise * normal();
      codes[y * width + x] = Math.max(0, Math.min(white, Math.round(black + electrons / gain)));
    }
  return codes;
}
