import type { PlanetInputData } from '@/contract/schemas/planetInput';
import { foldSystem } from '@/core/optics/foldSystem';
import type { Result } from '@/core/quantity/result';
import { planCapture, type CapturePlan } from '@/core/sky/capture';
import { PLANETS, readPlanet, type PlanetReading } from '@/core/sky/planet';
import { plainSystem, type PlainSystem } from './plainSystem';

/** The same reading and recording the Planets desk shows. */
export interface PlanetOutput {
  desk: 'planet';
  system: PlainSystem;
  reading: PlanetReading;
  capture: CapturePlan;
}

/** Reads what a file describes, exactly as the Planets desk does; the disc at its usual best where none is given. */
export function readPlanetInput(input: PlanetInputData): Result<PlanetOutput> {
  const system = foldSystem(input, input.cropConvention ?? 'usual');
  if (!system.ok) return system;
  const { planet, discArcsec = PLANETS[planet].usualArcsec, blurPx = 1, margin = 1.4, exposureS = 0.008, linkMbPerS = 350, cardGb = 64, bits = 8 } = input;
  const reading = readPlanet({ system: system.value, planet, discArcsec, blurPx });
  const capture = planCapture({ body: system.value.body, discPx: reading.discPx.value, margin, exposureS, linkMbPerS, durationS: reading.longestCaptureS.value, bits, cardGb });
  return { ok: true, value: { desk: 'planet', system: plainSystem(system.value), reading, capture } };
}
