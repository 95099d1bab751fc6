import path from 'node:path';
import { demoBodies } from '@/demo/kit';
import { listBackups } from '@/server/database/backups';
import { get, idOf, inFolder, pause, sendJson, startServer } from './server';
import { count, newTally, randomOf, repeat, type Tally } from './tally';

/** Days by which a clock is wrong: ahead and behind, by a leap, a battery that ran out, a year typed wrongly. */
const WRONG_DAYS = [-9000, -400, -31, -1, 0, 1, 31, 400, 4000];
const STARTS = 4;
const ROWS = 5;

/** A server whose clock is off by so many days. */
const startOff = (file: string, days: number) =>
  startServer(file, {
    JAUGE_TORTURE_DAYS: String(days),
    NODE_OPTIONS: `--require ${path.resolve('torture/shiftClock.cjs')}`,
  });

async function stop({ child, ended }: ReturnType<typeof startServer>): Promise<void> {
  child.kill('SIGTERM');
  await ended;
}

/** Starts under clocks that jump, then one under the right clock: every row is there, and a backup of today is made. */
const once = (random: () => number, tally: Tally) =>
  inFolder(async (folder) => {
    const faults: string[] = [];
    const file = path.join(folder, 'own.sqlite');
    const days = Array.from({ length: STARTS }, () => WRONG_DAYS[Math.floor(random() * WRONG_DAYS.length)]!);
    let written = 0;
    for (const [i, off] of [...days, 0].entries()) {
      const server = startOff(file, off);
      const url = await server.url;
      if (!url) return [`did not start with a clock ${off} days off after ${days.slice(0, i)}: ${server.said()}`];
      for (let n = 0; n < ROWS; n++) {
        written += 1;
        const sent = await sendJson('POST', `${url}/api/v1/bodies`, {
          id: idOf(written),
          data: demoBodies.ostrel.data,
        });
        if (sent.status !== 201) faults.push(`a row was refused with ${sent.status}, clock ${off} days off`);
      }
      if (i < days.length) {
        await stop(server);
        continue;
      }
      const { total } = await get<{ total: number }>(`${url}/api/v1/bodies`);
      if (total !== written) faults.push(`${total} of ${written} rows after clocks ${days}`);
      const today = () =>
        listBackups(file).some(({ madeAt }) => Math.abs(Date.now() - Date.parse(madeAt)) < 86_400_000);
      for (let waited = 0; waited < 50 && !today(); waited++) await pause(100);
      if (!today()) faults.push(`no backup of today after clocks ${days}`);
      await stop(server);
    }
    count(tally, 'starts', days.length + 1);
    return faults;
  });

/** Clocks that jump between the starts of a server. */
export function clocks(minutes: number, seed: number, wanted = 100): Promise<Tally> {
  const random = randomOf(seed);
  const tally = newTally('clocks moved', wanted);
  return repeat(tally, minutes, 2, () => once(random, tally));
}
