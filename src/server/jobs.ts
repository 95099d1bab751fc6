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
  return {
    running: () => running,
    async run(job, work) {
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
    },
  };
}
