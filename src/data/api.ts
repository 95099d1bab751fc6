import type { ApiProblem } from '@/contract/problem';
import type { Backup } from '@/contract/backup';
import type { Soundness } from '@/contract/soundness';
import type { DeviceRights, LanStanding, PairedDevice, PairingOffer, PairingStanding } from '@/contract/lan';
import type { ChangesSince } from '@/contract/changesSince';
import { REPEATED } from '@/contract/repeated';
import type { ReadingsSought } from '@/contract/readingsSought';
import type { Existing, ImportSummary } from '@/contract/wholeData';
import type { Page, ResourceName, ResourceTypes, Stored } from '@/contract/resources';
import type { SkySite } from './skyOptions';

/** The server answered that it will not do this, and why. */
export class ApiRefusal extends Error {
  constructor(readonly problem: ApiProblem) {
    super(problem.detail);
  }
}

/** The server could not be reached, its answer broke off, or it cannot work just now; the same request may work later. */
export class ApiUnreachable extends Error {
  constructor(
    message: string,
    /** What the server said of itself, where it said something: that its disk is full, for one. */
    readonly serverSays: string | null = null,
  ) {
    super(message);
  }
}

/** This device is not paired with the computer, or no longer: what is on it stays, and goes on once it is paired anew. */
export class ApiUnpaired extends ApiUnreachable {}

/** The server failed on this very request; another may work. */
export class ApiFailed extends ApiUnreachable {}

const TIMEOUT_MS = 10_000;
/** A whole file of data takes longer than a row; a very large one a quarter of an hour. */
const TRANSFER_TIMEOUT_MS = 30 * 60_000;

async function ask(path: string, init?: RequestInit, timeoutMs = TIMEOUT_MS): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`/api/v1/${path}`, { ...init, signal: AbortSignal.timeout(timeoutMs) });
  } catch {
    throw new ApiUnreachable('The server cannot be reached.');
  }
  if (response.ok) return response;
  throw await refusalOf(response);
}

/** What an answer that is not a success means. */
async function refusalOf(response: Response): Promise<Error> {
  const isProblem = response.headers.get('content-type')?.includes('problem+json') ?? false;
  if (!isProblem) return new ApiUnreachable(`The server failed (${response.status}).`);
  let problem: ApiProblem;
  try {
    problem = (await response.json()) as ApiProblem;
  } catch {
    return new ApiUnreachable('The server’s answer broke off.');
  }
  if (response.status === 401) return new ApiUnpaired(problem.detail, problem.detail);
  if (response.status === 500) return new ApiFailed(problem.detail);
  // Its disk is full or its file is held: nothing that this request could mend.
  if (response.status > 500 || response.status === 408 || response.status === 429)
    return new ApiUnreachable(problem.detail, problem.detail);
  return new ApiRefusal(problem);
}

async function request<T>(path: string, init?: RequestInit, timeoutMs?: number): Promise<T> {
  const response = await ask(path, init, timeoutMs);
  if (response.status === 204) return undefined as T;
  return bodyOf(response);
}

async function bodyOf<T>(response: Response): Promise<T> {
  try {
    return (await response.json()) as T;
  } catch {
    throw new ApiUnreachable('The server’s answer broke off.');
  }
}

/** A change with its key: sent twice, it is done once. */
const withKey = (key: string | undefined): Record<string, string> =>
  key === undefined ? {} : { 'idempotency-key': key };

const withBody = (method: string, body: unknown, key?: string): RequestInit => ({
  method,
  headers: { 'content-type': 'application/json', ...withKey(key) },
  body: JSON.stringify(body),
});

/** What the server made of a change: the row as it was then, and whether that was told before. */
export interface Taken {
  row: Stored<unknown> | null;
  repeated: boolean;
}

async function change(path: string, init: RequestInit): Promise<Taken> {
  const response = await ask(path, init);
  const repeated = response.headers.get(REPEATED) === 'true';
  return { row: response.status === 204 ? null : await bodyOf<Stored<unknown>>(response), repeated };
}

const PAGE = 1000;

/** A list's query: what is sought, and which part of it. */
export type ReadingsQuery = ReadingsSought & {
  limit: number;
  offset: number;
  /** The `next` of the part before: the server goes on there instead of counting down to the offset. */
  after?: string;
};

function queryText({ search, sort, desk, held, id, limit, offset, after }: ReadingsQuery): string {
  const query = new URLSearchParams({
    sort,
    limit: String(limit),
    ...(after ? { after } : { offset: String(offset) }),
  });
  if (search) query.set('search', search);
  if (desk) query.set('desk', desk);
  if (held) query.set('held', 'noted');
  if (id) query.set('id', id);
  return query.toString();
}

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
  /** A part of the readings, searched and sorted by the server. */
  readings: (query: ReadingsQuery) => request<Page<ResourceTypes['readings']>>(`readings?${queryText(query)}`),

  /** What has changed since a cursor; without one everything. */
  changes: (since: string | null) =>
    request<ChangesSince>(`changes${since === null ? '' : `?since=${encodeURIComponent(since)}`}`),

  create: <N extends ResourceName>(name: N, id: string, data: ResourceTypes[N], key?: string) =>
    change(name, withBody('POST', { id, data }, key)),
  replace: <N extends ResourceName>(name: N, id: string, version: number, data: ResourceTypes[N], key?: string) =>
    change(`${name}/${id}`, withBody('PUT', { version, data }, key)),
  remove: (name: ResourceName, id: string, version: number, key?: string) =>
    change(`${name}/${id}?version=${version}`, { method: 'DELETE', headers: withKey(key) }),

  /** The demo kit: how much of it is there, put in, put away. */
  demo: {
    rows: () => request<{ rows: number; evening: { site: SkySite; day: string } }>('demo'),
    putIn: () => request<{ added: number }>('demo', { method: 'POST' }, TRANSFER_TIMEOUT_MS),
    putAway: () => request<{ removed: number; kept: number }>('demo', { method: 'DELETE' }, TRANSFER_TIMEOUT_MS),
  },

  /** Everything, as a file. */
  exportData: async (): Promise<Blob> => (await ask('export', undefined, TRANSFER_TIMEOUT_MS)).blob(),

  /** Takes a file of data in, sent as it is. */
  importData: (data: Blob, existing: Existing) =>
    request<ImportSummary>(
      `import?existing=${existing}`,
      { method: 'POST', headers: { 'content-type': 'application/json' }, body: data },
      TRANSFER_TIMEOUT_MS,
    ),

  /** The home network: how it reaches the computer, and there the code and the devices. */
  lan: {
    standing: () => request<LanStanding>('lan'),
    offer: () => request<PairingOffer>('pairing', { method: 'POST' }),
    pairing: () => request<PairingStanding>('pairing'),
    withdraw: () => request<void>('pairing', { method: 'DELETE' }),
    devices: async (): Promise<PairedDevice[]> => (await request<{ items: PairedDevice[] }>('devices')).items,
    allow: (id: string, rights: DeviceRights) => request<PairedDevice>(`devices/${id}`, withBody('PUT', { rights })),
    rename: (id: string, name: string) => request<PairedDevice>(`devices/${id}`, withBody('PUT', { name })),
    revoke: (id: string) => request<void>(`devices/${id}`, { method: 'DELETE' }),
  },

  backups: async (): Promise<Backup[]> => (await request<{ items: Backup[] }>('backups')).items,
  soundness: () => request<Soundness>('soundness'),
  checkSoundness: () => request<Soundness>('soundness', { method: 'POST' }, TRANSFER_TIMEOUT_MS),
  repairRow: (resource: ResourceName, id: string) =>
    request<Soundness>(`soundness/${resource}/${encodeURIComponent(id)}`, { method: 'POST' }),
  makeBackup: () => request<Backup>('backups', { method: 'POST' }, TRANSFER_TIMEOUT_MS),
  restoreBackup: (name: string) =>
    request<{ restored: string }>(
      `backups/${encodeURIComponent(name)}/restore`,
      { method: 'POST' },
      TRANSFER_TIMEOUT_MS,
    ),
};
