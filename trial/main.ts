import { writeFigures } from '../scripts/lib/figures.mjs';
import { linesOf, print, type Tally } from '../torture/tally';
import { leftOut } from './leftOut';
import { setups } from './setups';

const TRIALS: Record<string, (minutes: number, seed: number) => Promise<Tally>> = { setups, leftOut };

const asked = process.argv.slice(2).filter((word) => word !== '--write');
const writes = process.argv.includes('--write');
const minutesAt = asked.indexOf('--minutes');
const minutes = minutesAt < 0 ? 10 : Number(asked[minutesAt + 1]);
const names = minutesAt < 0 ? asked : asked.filter((_, i) => i !== minutesAt && i !== minutesAt + 1);
const unknown = names.find((name) => !(name in TRIALS));

async function main(): Promise<void> {
  if (unknown !== undefined || !(minutes > 0))
    throw new Error(`Name one of ${Object.keys(TRIALS).join(', ')}, and minutes above 0.`);
  const seed = Number(process.env.JAUGE_SEED ?? Math.floor(Math.random() * 0x7fffffff));
  console.log(`JAUGE_SEED=${seed}, at most ${minutes} minutes each.`);
  let faults = 0;
  for (const [name, trial] of Object.entries(TRIALS)) {
    if (names.length && !names.includes(name)) continue;
    const tally = await trial(minutes, seed);
    print(tally);
    if (writes) writeFigures(`trial ${name}`, linesOf(tally));
    faults += tally.faults.length;
  }
  process.exit(faults ? 1 : 0);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
