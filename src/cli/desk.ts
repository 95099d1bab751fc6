import type { Result } from '@/core/quantity/result';

/** A reading the command line gives: how its input is called and checked, and what is read from it. */
export interface Desk<T = unknown> {
  /** One line for the usage. */
  about: string;
  /** JSON Schema of one input. */
  schema: object;
  /** Reads one input that fits the schema. */
  read: (input: T) => Result<object>;
}

/** Names the input's type once. `run` reads nothing that does not fit the schema, which is what says that it is a T. */
export const desk = <T>({ about, schema, read }: Desk<T>): Desk => ({
  about,
  schema,
  read: (input) => read(input as T),
});
