import type { Result } from '@/core/quantity/result';

/** A reading the command line gives: how its input is called and checked, and what is read from it. */
export interface Desk<T = never> {
  /** One line for the usage. */
  about: string;
  /** JSON Schema of one input. */
  schema: object;
  /** Reads one input that fits the schema. */
  read: (input: T) => Result<object>;
}

/** Names the input's type once, so that `read` is checked against it. */
export const desk = <T>(made: Desk<T>): Desk => made as unknown as Desk;
