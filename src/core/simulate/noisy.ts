import { chance } from './chance';

/** What a sensor adds to the light that falls on it. */
export interface Sensitivity {
  /** Electrons a pixel holds at light 1; fewer mean a higher ISO. */
  fullWell: number;
  /** Electrons of noise of reading one pixel. */
  readNoise: number;
}

/** Photon noise and read noise on a picture; light beyond what a pixel holds is lost. */
export function noisy(light: Float32Array, { fullWell, readNoise }: Sensitivity, seed: number): Float32Array {
  const { normal } = chance(seed);
  return light.map((value) => {
    const electrons = Math.max(0, value) * fullWell;
    const seen = electrons + Math.sqrt(electrons + readNoise * readNoise) * normal();
    return Math.min(1, Math.max(0, seen / fullWell));
  });
}
