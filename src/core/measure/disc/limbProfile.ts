import { levenbergMarquardt } from 'ml-levenberg-marquardt';

/** Light across the limb, stacked over many normals: px outside the assumed limb, and light from 0 (ground) to about 1. */
export interface Stack {
  d: number[];
  light: number[];
}

/** What a profile says of the limb. */
export interface LimbFit {
  /** How far the true limb lies outside the assumed one, px. */
  offsetPx: number;
  /** Blur, standard deviation, px. */
  sigmaPx: number;
  /** Mean square departure of the profile from the model, light. */
  misfit: number;
  /** All the model's parameters, to begin another fit with. */
  parameters: number[];
}

/** A weak halo of the same shape as the blur, this many times as wide. */
const HALO_WIDER = 2.6;
/** Places and weights of Gauss and Legendre on 0 to 1, twelve of them. */
const NODES = gaussLegendre(12);
/** Beyond so many deviations the Gaussian is nothing. */
const REACH = 4.5;

function gaussLegendre(count: number): { at: number; weight: number }[] {
  return Array.from({ length: count }, (_, i) => {
    let x = Math.cos((Math.PI * (i + 0.75)) / (count + 0.5));
    let slope = 1;
    for (let round = 0; round < 50; round++) {
      let [p0, p1] = [1, x];
      for (let k = 2; k <= count; k++) [p0, p1] = [p1, ((2 * k - 1) * x * p1 - (k - 1) * p0) / k];
      slope = (count * (x * p1 - p0)) / (x * x - 1);
      x -= p1 / slope;
    }
    return { at: (1 - x) / 2, weight: 1 / ((1 - x * x) * slope * slope) };
  });
}

/** How light falls off towards the limb: straight with the cosine of the angle it is seen under, or as a power of it. */
export type Law = 'straight' | 'power';

/** Light of the disc itself at d px outside its limb: darker towards the limb, and a slope across. */
function disc(d: number, radius: number, law: Law, darkening: number, slope: number): number {
  if (d >= 0) return 0;
  const rho = Math.max(0, 1 + d / radius);
  const cosine = Math.sqrt(Math.max(0, 1 - rho * rho));
  return (law === 'power' ? cosine ** darkening : 1 - darkening * (1 - cosine)) * (1 + slope * (1 - rho));
}

/**
 * The disc cut off at the limb and blurred by a Gaussian, at d px outside the limb. Summed from the limb inwards by the square
 * root of the distance: the darkening falls off there like a root, which no even steps meet.
 */
function softDisc(d: number, sigma: number, radius: number, law: Law, darkening: number, slope: number): number {
  const from = Math.max(d / sigma, -REACH);
  if (from >= REACH) return 0;
  const root = Math.sqrt(REACH - from);
  let sum = 0;
  for (const { at, weight } of NODES) {
    const w = at * root;
    const z = from + w * w;
    sum += weight * 2 * w * root * Math.exp((-z * z) / 2) * disc(d - z * sigma, radius, law, darkening, slope);
  }
  return sum / Math.sqrt(2 * Math.PI);
}

/** [offset, sigma, darkening, gain, ground, halo, slope] */
const START = [0, 1, 0.4, 1, 0, 0.08, 0];
const LEAST = [-12, 0.3, 0, 0.4, -0.1, 0, -0.6];
const MOST = [12, 20, 1, 2.2, 0.2, 0.35, 0.6];

/**
 * Fits the light across the limb: limb darkening and blur pull the half level inwards, so the limb is where the model says the
 * disc is cut off. Source: the model of a darkened disc cut at its limb, blurred, with a halo.
 *
 * @param radius px; a curved limb moves a blurred edge in by σ²/2R, which is put back
 * @param begun parameters of a fit of nearly the same
 * @param top light at which the file is full; nothing when it is nowhere reached
 */
export function fitLimb(
  stack: Stack,
  radius: number,
  law: Law,
  top: number | null,
  sigmaGuess: number,
  begun?: number[],
): LimbFit {
  const start = begun ?? START.map((value, i) => (i === 1 ? Math.max(0.5, sigmaGuess) : value));
  const model =
    ([offset, sigma, darkening, gain, ground, halo, slope]: number[]) =>
    (d: number): number => {
      const at = d - offset! + (sigma! * sigma!) / (2 * radius);
      const core = softDisc(at, sigma!, radius, law, darkening!, slope!);
      const wide = softDisc(at, HALO_WIDER * sigma!, radius, law, darkening!, slope!);
      const light = gain! * ((1 - halo!) * core + halo! * wide) + ground!;
      return top === null ? light : Math.min(light, top);
    };
  const fitted = levenbergMarquardt({ x: stack.d, y: stack.light }, model, {
    initialValues: start,
    minValues: LEAST,
    maxValues: MOST.map((value, i) => (i < 1 ? Math.max(value, 3 * sigmaGuess) : value)),
    damping: 0.01,
    gradientDifference: [1e-3, 1e-3, 1e-3, 1e-3, 1e-4, 1e-3, 1e-3],
    // Near its end already, a fit of a part needs few steps.
    maxIterations: begun ? 6 : 40,
    errorTolerance: 1e-9,
    improvementThreshold: 1e-5,
  });
  const [offsetPx, sigmaPx] = fitted.parameterValues as [number, number];
  const told = model(fitted.parameterValues);
  const misfit = stack.d.reduce((sum, d, i) => sum + (told(d) - stack.light[i]!) ** 2, 0) / stack.d.length;
  return { offsetPx, sigmaPx, misfit, parameters: fitted.parameterValues };
}
