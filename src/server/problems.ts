import type { ApiProblem, FieldError } from '@/contract/problem';

/** An error that becomes application/problem+json. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly title: string,
    readonly detail: string,
    readonly extra: { errors?: FieldError[]; stored?: unknown; yours?: unknown; usedBy?: ApiProblem['usedBy'] } = {},
  ) {
    super(detail);
  }

  toJSON(): ApiProblem {
    return { type: `/problems/${this.code}`, title: this.title, status: this.status, code: this.code, detail: this.detail, ...this.extra };
  }
}
