import { noiseOf } from '../detail/textures/noise';
import type { Scene } from './scene';

/** How a disc looks: a planet with belts, a body lit from the side, or an evenly lit round thing. */
export interface DiscMade {
  /** Radius along the equator, and shorter ÷ longer. */
  radiusMm: number;
  flattening: number;
  /** How much darker the limb is than the middle, 0 to 1. */
  darkening: number;
  /** Whether it darkens straight with the cosine of the angle seen under, or as its power (Hestroffer 1997). */
  law?: 'straight' | 'power';
  /** Light of its middle and of the ground. */
  light: number;
  ground: number;
  /** Contrast of belts. */
  belts: number;
  /** Angle between Sun and observer at the body, degrees; 0 is fully lit. The Sun stands towards +x. */
  phaseDeg: number;
}

/** A disc about the middle of the scene, its equator along x. */
export function discScene(made: DiscMade, seed: number): Scene {
  const phase = (made.phaseDeg * Math.PI) / 180;
  const [sinPhase, cosPhase] = [Math.sin(phase), Math.cos(phase)];
  const belt = noiseOf(seed);
  return (x, y) => {
    const u = x / made.radiusMm;
    const v = y / (made.radiusMm * made.flattening);
    const rho2 = u * u + v * v;
    if (rho2 >= 1) return made.ground;
    const towards = Math.sqrt(1 - rho2);
    let light = made.law === 'power' ? towards ** made.darkening : 1 - made.darkening * (1 - towards);
    if (made.belts > 0) light *= 1 + made.belts * (belt(v * 5, u * 0.7) - 0.5);
    if (made.phaseDeg > 0) {
      // Lambert's law: as much light as the ground there sees of the Sun.
      const sun = u * sinPhase + towards * cosPhase;
      light *= Math.max(0, sun) / Math.max(0.2, towards * 0.5 + 0.5);
    }
    return made.ground + (made.light - made.ground) * Math.max(0, light);
  };
}
