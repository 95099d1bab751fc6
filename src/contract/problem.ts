/** One thing wrong with a body sent, by the path of its field ("sensor.widthMm"). */
export interface FieldError {
  path: string;
  message: string;
}

/** An error of the API, as application/problem+json. `code` is for programs, `detail` for people. */
export interface ApiProblem {
  type: string;
  title: string;
  status: number;
  code: string;
  detail: string;
  errors?: FieldError[];
  /** With code `version.stale`: the row as it is stored now, and the one that was sent. */
  stored?: unknown;
  yours?: unknown;
  /** With code `row.inUse`: what still uses it. */
  usedBy?: { resource: string; id: string; name: string }[];
}
