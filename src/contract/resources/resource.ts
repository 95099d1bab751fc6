import type { FieldError } from '../problem';

/** A column of a table that repeats what a row says, to look up, sort or refer by it. */
export interface Column<T> {
  /** Its name in the database. */
  name: string;
  type: 'TEXT' | 'REAL';
  /** Whether it may be empty. */
  optional?: true;
  of: (row: T) => string | number | null;
}

/** What the server keeps under one name: all that tables, validators, export and import follow from. */
export interface Resource<T> {
  /** Its JSON Schema; the validator is written from it. */
  schema: { readonly $id: string; readonly title: string };
  /** What a person calls one row of it, and many. */
  noun: string;
  plural: string;
  /** What the schema cannot say. */
  check?: (row: T) => FieldError[];
  columns?: Record<string, Column<T>>;
  /** Of which type a row is; never there when the program runs. */
  row?: T;
}

/** Says of which type the rows of a description are. */
export const resource = <T>(described: Resource<T>): Resource<T> => described;
