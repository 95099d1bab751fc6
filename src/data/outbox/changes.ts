import type { ApiProblem } from '@/contract/problem';
import { RESOURCE_NAMES, type ResourceName, type ResourceTypes } from '@/contract/resources';

/** A change on its way to the server. It stays on the device until the server has acknowledged it. */
export type Change = { [N in ResourceName]: ChangeOf<N> }[ResourceName];

type ChangeOf<N extends ResourceName> = { key: string; resource: N; id: string; madeAt: string } & (
  | { verb: 'create'; data: ResourceTypes[N] }
  | { verb: 'replace'; version: number; data: ResourceTypes[N] }
  | { verb: 'remove'; version: number }
);

/** A change the server refused, with both copies for the person to choose from. */
export interface Refused {
  change: Change;
  problem: ApiProblem;
}

/** A change the server failed on again and again; the others go on without it. */
export interface Stuck {
  change: Change;
  failures: number;
}

/** Something on the device that this program cannot read; kept for the person to save. */
export interface Odd {
  key: string;
  value: unknown;
}

/** A change as it lies on the device. */
export interface Entry {
  key: string;
  /** Changes go out in this order. */
  order: number;
  change: Change;
  /** How often the server failed on it. */
  failures: number;
  state: 'waiting' | 'refused' | 'stuck';
  problem?: ApiProblem;
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Whether a value is a change, whoever wrote it. */
export function isChange(value: unknown): value is Change {
  if (!isObject(value)) return false;
  const { key, resource, id, verb, version, data } = value;
  if (typeof key !== 'string' || typeof id !== 'string' || !RESOURCE_NAMES.includes(resource as ResourceName))
    return false;
  if (verb === 'create') return isObject(data);
  return typeof version === 'number' && ((verb === 'replace' && isObject(data)) || verb === 'remove');
}

/** Whether a value is an entry of this program's making. */
export function isEntry(value: unknown): value is Entry {
  if (!isObject(value)) return false;
  const { key, order, failures, state, problem } = value;
  return (
    typeof key === 'string' &&
    typeof order === 'number' &&
    typeof failures === 'number' &&
    isChange(value.change) &&
    (state === 'waiting' || state === 'stuck' || (state === 'refused' && isObject(problem)))
  );
}
