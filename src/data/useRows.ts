import { useMemo } from 'react';
import useSWR from 'swr';
import type { ResourceName, StoredOf } from '@/contract/resources';
import { rowsFrom } from './lists';
import { overlay, useOutbox } from './outbox';

/** The rows of a resource as the person sees them: stored ones with the waiting changes laid over. */
export interface Rows<N extends ResourceName> {
  rows: StoredOf<N>[];
  /** True until the first answer. */
  loading: boolean;
  /** The list was asked for and never came. */
  failed: boolean;
  retry: () => void;
}

const NONE: never[] = [];

export function useRows<N extends ResourceName>(resource: N): Rows<N> {
  const { data, error, isLoading, mutate } = useSWR(resource, () => rowsFrom(resource));
  const waiting = useOutbox((state) => state.waiting);
  const rows = useMemo(() => overlay(resource, data ?? NONE, waiting), [resource, data, waiting]);
  return {
    rows,
    loading: isLoading && data === undefined,
    failed: error !== undefined && data === undefined,
    retry: () => void mutate(),
  };
}
