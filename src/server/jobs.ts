import type { JobName, RunningJob } from '@/contract/problem';
import { HttpProblem } from './problems';

/** Work on the whole of the data: one at a time, as each would see the other half done. */
export interface Jobs {
  /**
   * Does one job while no other runs.
   *
   * @throws HttpProblem 409 `job.running` with what is running and how far it is
   */
  run: <T>(job: JobName, work: (count: (rows: number) => void) => Promise<T>) => Promise<T>;
  /** Does one that nobody asked for, while no other runs; what a person asks for meanwhile waits for it. */
  runUnasked: (job: JobName, work: () => Promise<unknown>) => Promise<void>;
  running: () => RunningJob | null;
}

const NAMES: Record<JobName, string> = {
  import: 'An import',
  restore: 'A restore',
  empty: 'Emptying the kit',
  backup: 'A backup',
  demo: 'A change of the demo kit',
};

const busy = (running: RunningJob): HttpProblem =>
  new HttpProblem(
    409,
    'job.running',
    'Something else is running',
    `${NAMES[running.job]} is running${running.rows > 0 ? ` (${running.rows} rows so far)` : ''}. Wait until it is done, then try again.`,
    { running },
  );

export function createJobs(now: () => Date = () => new Date()): Jobs {
  let running: RunningJob | null = null;
  let unasked: Promise<unknown> | null = null;
  async function run<T>(job: JobName, work: (count: (rows: number) => void) => Promise<T>): Promise<T> {
    // However it ends: whoever asked for it hears of it.
    while (unasked) await unasked.catch(() => undefined);
    if (running) throw busy(running);
    const mine: RunningJob = { job, since: now().toISOString(), rows: 0 };
    running = mine;
    try {
      return await work((rows) => {
        mine.rows = rows;
      });
    } finally {
      running = null;
    }
  }
  return {
    running: () => running,
    run,
    async runUnasked(job, work) {
      if (running || unasked) throw busy(running ?? { job, since: now().toISOString(), rows: 0 });
      const mine = run(job, work);
      unasked = mine;
      try {
        await mine;
      } finally {
        unasked = null;
      }
    },
  };
}
