/** One thing wrong with a body sent, by the path of its field ("sensor.widthMm"). */
export interface FieldError {
  path: string;
  message: string;
}

/** Work on the whole of the data, of which one runs at a time. */
export type JobName = 'import' | 'restore' | 'empty' | 'backup' | 'demo';

/** A job that is running: since when (ISO 8601), and how many rows it has been through. */
export interface RunningJob {
  job: JobName;
  since: string;
  rows: number;
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
  /** With code `job.running`: what is running. */
  running?: RunningJob;
}
