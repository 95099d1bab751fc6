import type { ApiProblem } from '@/contract/problem';
import type { Page, ResourceName, ResourceTypes, Stored } from '@/contract/resources';

/** The server answered that it will not do this, and why. */
export class ApiRefusal extends Error {
  constructor(readonly problem: ApiProblem) {
    super(problem.detail);
  }
}

/** The server could not be reached, or failed; the same request may work later. */
export class ApiUnreachable extends Error {}

const TIMEOUT_MS = 10_000;

async function request<T>(path: string, init?: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api/v1/${path}`, { ...init, signal: AbortSignal.timeout(TIMEOUT_MS) });
  } catch {
    throw new ApiUnreachable('The server cannot be reached.');
  }
  if (response.ok) return (response.status === 204 ? undefined : await response.json()) as T;
  const isProblem = response.headers.get('content-type')?.includes('problem+json') ?? false;
  if (response.status >= 500 || !isProblem) throw new ApiUnreachable(`The server failed (${response.status}).`);
  throw new ApiRefusal((await response.json()) as ApiProblem);
}

const withBody = (method: string, body: unknown): RequestInit => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

const PAGE = 1000;

/** The API of one resource, typed by its name. */
export const api = {
  /** All rows, page by page. */
  async list<N extends ResourceName>(name: N): Promise<Stored<ResourceTypes[N]>[]> {
    const items: Stored<ResourceTypes[N]>[] = [];
    for (;;) {
      const page = await request<Page<ResourceTypes[N]>>(`${name}?limit=${PAGE}&offset=${items.length}`);
      items.push(...page.items);
      if (page.items.length === 0 || items.length >= page.total) return items;
    }
  },
  create: <N extends ResourceName>(name: N, id: string, data: ResourceTypes[N]) =>
    request<Stored<ResourceTypes[N]>>(name, withBody('POST', { id, data })),
  replace: <N extends ResourceName>(name: N, id: string, version: number, data: ResourceTypes[N]) =>
    request<Stored<ResourceTypes[N]>>(`${name}/${id}`, withBody('PUT', { version, data })),
  remove: (name: ResourceName, id: string, version: number) =>
    request<void>(`${name}/${id}?version=${version}`, { method: 'DELETE' }),
};
