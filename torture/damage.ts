import fs from 'node:fs';
import path from 'node:path';
import { loadDemo } from '@/server/loadDemo';
import { listBackups } from '@/server/database/backups';
import { openDatabase } from '@/server/database/openDatabase';
import { restoreFile } from '@/server/database/restore';
import { createStore } from '@/server/store';
import { inFolder, kill, startServer } from './server';
import { count, newTally, randomOf, repeat, type Tally } from './tally';

const PAGE = 4096;
type Damage = (bytes: Buffer, random: () => number) => Buffer;

const at = (bytes: Buffer, random: () => number) => Math.floor(random() * bytes.length);
const written = (bytes: Buffer, start: number, what: Buffer): Buffer => {
  what.copy(bytes, Math.min(start, bytes.length - what.length));
  return bytes;
};

/** Ways a file goes bad: cut, emptied, overwritten, shifted, pages lost, swapped or of noise, single bits. */
const KINDS: Damage[] = [
  (bytes, random) => bytes.subarray(0, at(bytes, random)),
  () => Buffer.alloc(0),
  (bytes) => Buffer.alloc(bytes.length),
  (bytes, random) => written(bytes, 0, Buffer.from(`not a database ${random()}`)),
  (bytes, random) => written(bytes, PAGE * Math.floor((at(bytes, random) / PAGE) | 0), Buffer.alloc(PAGE)),
  (bytes, random) =>
    written(
      bytes,
      PAGE * Math.floor(at(bytes, random) / PAGE),
      Buffer.from(Array.from({ length: PAGE }, () => Math.floor(random() * 256))),
    ),
  (bytes, random) => {
    const [a, b] = [PAGE * Math.floor(at(bytes, random) / PAGE), PAGE * Math.floor(at(bytes, random) / PAGE)];
    const first = Buffer.from(bytes.subarray(a, a + PAGE));
    return written(written(bytes, a, Buffer.from(bytes.subarray(b, b + PAGE))), b, first);
  },
  (bytes, random) => {
    const place = at(bytes, random);
    bytes[place] = bytes[place]! ^ (1 << Math.floor(random() * 8));
    return bytes;
  },
  (bytes, random) =>
    written(
      bytes,
      16 + Math.floor(random() * 84),
      Buffer.from([Math.floor(random() * 256), Math.floor(random() * 256)]),
    ),
  (bytes, random) =>
    Buffer.concat([
      bytes.subarray(0, at(bytes, random)),
      Buffer.alloc(1 + Math.floor(random() * 99)),
      bytes.subarray(at(bytes, random)),
    ]),
];

/** Opens a damaged file; what is wrong with how that goes. */
async function tryDamaged(file: string, whole: number, tally: Tally): Promise<string[]> {
  const before = fs.readFileSync(file);
  const server = startServer(file);
  const url = await server.url;
  if (url === null) {
    count(tally, 'noticed at the start');
    const said = server.said();
    if (!said.includes(file)) return [`ends without naming the file: ${said.trim()}`];
    if (!fs.readFileSync(file).equals(before)) return ['writes to a damaged file'];
    await restoreFile(file, listBackups(file)[0]!.name);
    const database = await openDatabase(file);
    const { total } = await createStore(database).list('bodies', 1, 0);
    await database.close();
    return total === whole ? [] : ['what is brought back is not whole'];
  }
  // Not noticed: whatever the damage did, the answers are in order or name the fault.
  count(tally, 'without effect on the tables');
  const faults: string[] = [];
  for (const name of [
    'bodies',
    'optics',
    'adapters',
    'setups',
    'subjects',
    'outputs',
    'readings',
    'ratios',
    'starTests',
  ]) {
    const answer = await fetch(`${url}/api/v1/${name}?limit=1000`);
    const text = await answer.text();
    try {
      JSON.parse(text);
    } catch {
      faults.push(`${name} is not JSON`);
    }
    if (answer.status === 500) faults.push(`${name} answers 500: ${text.slice(0, 120)}`);
  }
  await kill(server);
  return faults;
}

/** Damages files in a hundred ways and starts Jauge on them. */
export function damage(minutes: number, seed: number, wanted = 100): Promise<Tally> {
  return inFolder(async (folder) => {
    const healthy = path.join(folder, 'own.sqlite');
    const database = await openDatabase(healthy, async (fresh) => void (await loadDemo(createStore(fresh))));
    const { total } = await createStore(database).list('bodies', 1, 0);
    await database.backup('daily');
    await database.close();
    const random = randomOf(seed);
    const tally = newTally('kinds of damage', wanted);
    return repeat(tally, minutes, 4, (i) =>
      inFolder(async (own) => {
        const file = path.join(own, 'own.sqlite');
        fs.cpSync(path.join(folder, 'backups'), path.join(own, 'backups'), { recursive: true });
        fs.writeFileSync(file, KINDS[i % KINDS.length]!(Buffer.from(fs.readFileSync(healthy)), random));
        return (await tryDamaged(file, total, tally)).map((fault) => `kind ${i % KINDS.length}: ${fault}`);
      }),
    );
  });
}
