import type { ApiProblem } from '@/contract/problem';
import type { ImportSummary, WholeData } from '@/contract/wholeData';
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
/** A whole file of data takes longer than a row. */
const TRANSFER_TIMEOUT_MS = 120_000;

async function ask(path: string, init?: RequestInit, timeoutMs = TIMEOUT_MS): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`/api/v1/${path}`, { ...init, signal: AbortSignal.timeout(timeoutMs) });
  } catch {
    throw new ApiUnreachable('The server cannot be reached.');
  }
  if (response.ok) return response;
  const isProblem = response.headers.get('content-type')?.includes('problem+json') ?? false;
  if (response.status >= 500 || !isProblem) throw new ApiUnreachable(`The server failed (${response.status}).`);
  throw new ApiRefusal((await response.json()) as ApiProblem);
}

async function request<T>(path: string, init?: RequestInit, timeoutMs?: number): Promise<T> {
  const response = await ask(path, init, timeoutMs);
  return (response.status === 204 ? undefined : await response.json()) as T;
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

  /** Everything, as a file. */
  exportData: async (): Promise<Blob> => (await ask('export', undefined, TRANSFER_TIMEOUT_MS)).blob(),

  importData: (data: WholeData) => request<ImportSummary>('import', withBody('POST', data), TRANSFER_TIMEOUT_MS),
};
