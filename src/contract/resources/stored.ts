/** A row as the API gives it. `version` counts its changes from 1. */
export interface Stored<T> {
  id: string;
  version: number;
  createdAt: string;
  updatedAt: string;
  data: T;
}

/** One page of a list, in the order rows were made, readings newest first. */
export interface Page<T> {
  items: Stored<T>[];
  total: number;
  limit: number;
  offset: number;
  /** What the next part is asked for with, as `after`; nothing on the last. */
  next?: string;
}
