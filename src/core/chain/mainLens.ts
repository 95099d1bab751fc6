import type { Arrangement, MainOptic } from './arrangement';
import type { MainLens } from './asLens';
import type { Kind } from './kind';
import { KINDS } from './kinds';
import { closestFocusOf } from './kinds/scope';

/** Reads the main optic of an arrangement as a lens with a focal range, f-numbers and a closest focus. */
export function mainLensOf({ main, scope }: Arrangement): MainLens {
  const lens = (KINDS[main.kind] as Kind<MainOptic>).asLens!(main);
  // Through an eyepiece the scope focuses and the camera's lens stays at infinity.
  return scope ? { ...lens, closestFocusM: closestFocusOf(scope), closestRatio: undefined } : lens;
}
