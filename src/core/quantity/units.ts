/** Systems of units a person can read in. The core itself always works in metric units. */
export type UnitSystem = 'metric' | 'imperial';

export const MM_PER_INCH = 25.4;
export const M_PER_FOOT = 0.3048;

export const metresToFeet = (distanceM: number): number => distanceM / M_PER_FOOT;
export const feetToMetres = (distanceFt: number): number => distanceFt * M_PER_FOOT;
export const mmToInches = (lengthMm: number): number => lengthMm / MM_PER_INCH;
