import isEqual from 'fast-deep-equal';
import type { ApiProblem } from '@/contract/problem';
import type { ChangedRow } from '@/contract/changesSince';
import type { Stored } from '@/contract/resources';
import type { Change, Entry } from './changes';
import { exchange, forget, keep } from './entries';
import { inOrder } from './state';

/** With these the server says that a change met one made elsewhere. */
const MET = new Set(['version.stale', 'row.exists', 'row.notFound']);

/** Whether a refusal is a meeting of two changes, and not a change that could never be taken. */
export const isConflict = ({ code }: ApiProblem): boolean => MET.has(code);

/** The row as the server has it; null when it was deleted. */
export const storedOf = ({ stored }: ApiProblem): Stored<unknown> | null =>
  (stored as Stored<unknown> | undefined) ?? null;

export const isSameRow = (a: Change, b: Change): boolean => a.resource === b.resource && a.id === b.id;

/** What waits behind an entry on the same row. */
const behind = (entry: Entry): Entry[] =>
  inOrder().filter(
    (other) =>
      other.key !== entry.key &&
      other.order >= entry.order &&
      other.state !== 'refused' &&
      isSameRow(other.change, entry.change),
  );

/** Refused before on the same row, and not decided yet: what the same person did to it since stands for that too. */
const before = (entry: Entry): Entry[] =>
  inOrder().filter(
    (other) => other.key !== entry.key && other.state === 'refused' && isSameRow(other.change, entry.change),
  );

/** Several changes of one row, one after the other, as one; null when together they leave nothing. */
export function foldedChange(first: Change, later: readonly Change[]): Change | null {
  const last = later.at(-1);
  if (!last) return first;
  if (last.verb !== 'remove')
    return {
      ...first,
      ...(first.verb === 'create' ? {} : { verb: 'replace' as const }),
      data: last.data,
    } as Change;
  if (first.verb === 'create') return null;
  const { key, resource, id, madeAt, version } = first;
  return { key, resource, id, madeAt, verb: 'remove', version } as Change;
}

/** Whether both sides came to the same: then there is nothing to choose. */
function agrees(change: Change, stored: Stored<unknown> | null): boolean {
  if (change.verb === 'remove') return stored === null;
  return stored !== null && isEqual(change.data, stored.data);
}

/**
 * Does what a refusal asks for. What was changed after it on the same row goes into it, so that both copies are whole and it
 * is asked about once: sent by themselves, later versions counted on from a row that is not there.
 *
 * @returns whether the change, with what followed it, is to be sent once more
 */
export async function takeRefusal(entry: Entry, problem: ApiProblem): Promise<boolean> {
  const later = behind(entry);
  const change = foldedChange(
    entry.change,
    later.map((each) => each.change),
  );
  const gone = later.map(({ key }) => key);
  if (!change || (isConflict(problem) && agrees(change, storedOf(problem)))) {
    await exchange([], [entry.key, ...gone]);
    return false;
  }
  if (!isConflict(problem) && later.length > 0) {
    // What followed may be the very thing that was missing.
    await exchange([{ ...entry, change, failures: 0 }], gone);
    return true;
  }
  await exchange([{ ...entry, change, state: 'refused', problem }], [...gone, ...before(entry).map(({ key }) => key)]);
  return false;
}

/** Has what follows on a row count on from the version the server gave it. */
export async function countOn(entry: Entry, row: Stored<unknown> | null): Promise<void> {
  if (!row) return;
  const next = behind(entry).find(({ change }) => change.verb !== 'create');
  if (!next || !('version' in next.change) || next.change.version === row.version) return;
  await keep({ ...next, change: { ...next.change, version: row.version } });
}

/** What was changed again at the server is shown beside one's own as it is now. */
export async function renewConflicts(changes: readonly ChangedRow[]): Promise<void> {
  for (const entry of inOrder()) {
    if (entry.state !== 'refused' || !entry.problem || !isConflict(entry.problem)) continue;
    const told = changes.find((each) => each.resource === entry.change.resource && each.id === entry.change.id);
    if (!told || told.row?.version === storedOf(entry.problem)?.version) continue;
    if (agrees(entry.change, told.row)) await forget(entry.key);
    else await keep({ ...entry, problem: renewed(entry.problem, told.row) });
  }
}

function renewed(problem: ApiProblem, row: Stored<unknown> | null): ApiProblem {
  const { stored: _, ...rest } = problem;
  return row
    ? { ...rest, code: 'version.stale', status: 409, stored: row }
    : { ...rest, code: 'row.notFound', status: 404 };
}
