import { tubesNotInSet } from '@/core/chain/kinds/tubes';
import type { FieldError } from './problem';

/** What the schema of one part cannot say: ends of a range in the wrong order, tubes that are not in the set. */
export function partChecks(part: { kind: string } & Record<string, unknown>): FieldError[] {
  if ((part.kind === 'lens' || part.kind === 'builtIn') && Number(part.focalTeleMm) < Number(part.focalWideMm)) {
    return [
      { path: 'focalTeleMm', message: 'Longest focal length in mm must not be less than the shortest. Swap the two.' },
    ];
  }
  if (part.kind === 'scope' && Number(part.magnificationHigh) < Number(part.magnificationLow)) {
    return [{ path: 'magnificationHigh', message: 'Highest magnification must not be less than the lowest.' }];
  }
  if (part.kind === 'tubes' && Array.isArray(part.usedMm)) {
    const missing = tubesNotInSet(part.usedMm as number[], part.lengthsMm as number[]);
    if (missing.length)
      return [
        {
          path: 'usedMm',
          message: `Tubes used: the set has no ${missing.join(' and ')} mm (it has ${(part.lengthsMm as number[]).join(', ')}). Choose among these.`,
        },
      ];
  }
  return [];
}
