import { linksOf } from '../chain/link';
import type { SystemInput } from '../optics/foldSystem';
import { formatFixed } from '../quantity/format';

/**
 * The name of a set-up with the focal length its zoom stands at, as it must be told wherever set-ups are compared; without a
 * zoom the name alone.
 */
export function zoomedName(name: string, { chain, focalMm }: Pick<SystemInput, 'chain' | 'focalMm'>): string {
  for (const { part } of linksOf(chain)) {
    if (part.kind !== 'lens' && part.kind !== 'builtIn') continue;
    const { focalWideMm, focalTeleMm } = part;
    if (focalTeleMm <= focalWideMm) continue;
    const standsMm = Math.min(focalTeleMm, Math.max(focalWideMm, focalMm ?? focalTeleMm));
    return `${name} at ${formatFixed(standsMm)}\u202fmm`;
  }
  return name;
}
