/** A problem a photographer can read: what is wrong and what to do. `field` is the path of the input it is about. */
export interface Problem {
  code: string;
  message: string;
  field?: string;
}

/** Either a value or a problem; the core never throws for bad input and never returns NaN. */
export type Result<T> = { ok: true; value: T } | { ok: false; problem: Problem };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

export const fail = (code: string, message: string, field?: string): Result<never> => ({
  ok: false,
  problem: field === undefined ? { code, message } : { code, message, field },
});
