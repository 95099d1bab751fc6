import { storedOf, type Change } from '@/data/outbox';
import type { ApiProblem } from '@/contract/problem';

const nameIn = (data: unknown): string | undefined => {
  const { name, input } = (data ?? {}) as { name?: unknown; input?: { subject?: { name?: unknown } } };
  const found = name ?? input?.subject?.name;
  return typeof found === 'string' ? found : undefined;
};

/** What the row of a change is called, in quotation marks after a space; nothing where nobody says so. */
export function nameOfChange(change: Change, problem?: ApiProblem): string {
  const name = nameIn('data' in change ? change.data : undefined) ?? nameIn(problem && storedOf(problem)?.data);
  return name === undefined ? '' : ` “${name}”`;
}
