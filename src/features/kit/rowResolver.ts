import { set, type FieldErrors, type FieldValues, type Resolver, type ResolverResult } from 'react-hook-form';
import type { ResourceName, ResourceTypes } from '@/contract/resources';
import { MISSING_PART, partOrNull } from '@/ui/lazyPart';

/** A row without what became empty inside it: fields that were cleared, exact pixels of which neither side is left. */
export function filledOf(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(filledOf);
  if (typeof value !== 'object' || value === null) return value;
  const filled = Object.entries(value).flatMap(([key, each]): [string, unknown][] => {
    const kept = filledOf(each);
    const gone = kept === undefined || (isPlain(kept) && Object.keys(kept).length === 0);
    return gone ? [] : [[key, kept]];
  });
  return Object.fromEntries(filled);
}

const isPlain = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The validators are large and needed only here, so they come when they are needed. */
type LoadValidators = () => Promise<Pick<typeof import('@/contract/validate'), 'validateResource'>>;

/**
 * Checks a form with the contract's own schema. What the form has no field for is told at its foot (`root`).
 *
 * @param unreadable fields in which something stands that is no number; while there is one, nothing is checked or saved
 * @param shown whether the form shows a field at a path
 */
export const rowResolver =
  <N extends ResourceName>(
    resource: N,
    unreadable: ReadonlySet<string>,
    shown: (path: string) => boolean,
    load: LoadValidators = () => import('@/contract/validate'),
  ): Resolver<FieldValues, unknown, ResourceTypes[N]> =>
  async (values): Promise<ResolverResult<FieldValues, ResourceTypes[N]>> => {
    const errors: FieldErrors<FieldValues> = {};
    if (unreadable.size > 0) {
      set(errors, 'root', { type: 'unreadable', message: 'A field above cannot be read yet. Correct it, then save.' });
      return { values: {}, errors };
    }
    const part = await partOrNull(load);
    if (!part) {
      set(errors, 'root', { type: 'missing', message: MISSING_PART });
      return { values: {}, errors };
    }
    const checked = part.validateResource(resource, filledOf(values));
    if (checked.ok) return { values: checked.value, errors: {} };
    const elsewhere: string[] = [];
    for (const { path, message } of checked.errors) {
      if (shown(path)) set(errors, path, { type: 'contract', message });
      else elsewhere.push(message);
    }
    if (elsewhere.length) set(errors, 'root', { type: 'contract', message: elsewhere.join('\n') });
    return { values: {}, errors };
  };
