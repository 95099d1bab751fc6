import path from 'node:path';

/** One thing a program did to a file, as `iolog.c` wrote it down. */
export interface IoStep {
  kind: 'write' | 'truncate' | 'sync' | 'unlink' | 'rename';
  /** On the clock of process.hrtime. */
  atNs: bigint;
  name: string;
  /** Of a write where it begins, of a truncation the new length. */
  offset: number;
  /** What was written; of a renaming the new name. */
  bytes: Buffer;
}

const KINDS = { w: 'write', t: 'truncate', s: 'sync', u: 'unlink', r: 'rename' } as const;

export function readIoLog(log: Buffer): IoStep[] {
  const steps: IoStep[] = [];
  for (let at = 0; at + 33 <= log.length;) {
    const kind = KINDS[String.fromCharCode(log[at]!) as keyof typeof KINDS];
    const [atNs, nameLength, offset, length] = [1, 9, 17, 25].map((place) => log.readBigInt64LE(at + place)) as [
      bigint,
      bigint,
      bigint,
      bigint,
    ];
    const from = at + 33 + Number(nameLength);
    steps.push({
      kind,
      atNs,
      name: log.toString('utf8', at + 33, from),
      offset: Number(offset),
      bytes: log.subarray(from, from + Number(length)),
    });
    at = from + Number(length);
  }
  return steps;
}

/** What a file holds: grown in steps, because a log is written piece by piece. */
class Content {
  private bytes = Buffer.alloc(4096);
  private length = 0;

  apply({ kind, offset, bytes }: IoStep): void {
    const end = kind === 'truncate' ? offset : Math.max(this.length, offset + bytes.length);
    if (end > this.bytes.length) this.bytes = Buffer.concat([this.bytes, Buffer.alloc(end * 2 - this.bytes.length)]);
    if (kind === 'truncate') this.bytes.fill(0, Math.min(end, this.length), Math.max(end, this.length));
    else bytes.copy(this.bytes, offset);
    this.length = end;
  }

  whole(): Buffer {
    return this.bytes.subarray(0, this.length);
  }
}

/** A file as the disk holds it, and what was written to it since it was last synced. */
interface Held {
  durable: Content;
  pending: IoStep[];
}

/**
 * What a disk may hold after a power cut: everything synced before it; of what was not, any part. Names given and taken are
 * sure once their folder was synced, before that in order up to any point.
 *
 * @param steps those before the cut
 */
export function afterPowerCut(steps: IoStep[], random: () => number): Map<string, Buffer> {
  const names = new Map<string, Held>();
  const sure = new Map<string, Held>();
  let unsureNames: IoStep[] = [];
  const moved = new Map<IoStep, Held | undefined>();
  const move = (where: Map<string, Held>, step: IoStep, file: Held | undefined) => {
    where.delete(step.name);
    if (step.kind === 'rename' && file) where.set(step.bytes.toString('utf8'), file);
  };
  for (const step of steps) {
    if (step.kind === 'unlink' || step.kind === 'rename') {
      moved.set(step, names.get(step.name));
      move(names, step, names.get(step.name));
      unsureNames.push(step);
      continue;
    }
    const file = names.get(step.name);
    if (step.kind === 'sync') {
      if (file) {
        for (const each of file.pending) file.durable.apply(each);
        file.pending = [];
      }
      const inFolder = (each: IoStep) => path.dirname(each.name) === step.name;
      for (const each of unsureNames.filter(inFolder)) move(sure, each, moved.get(each));
      unsureNames = unsureNames.filter((each) => !inFolder(each));
      continue;
    }
    const made: Held = file ?? { durable: new Content(), pending: [] };
    if (!file) {
      names.set(step.name, made);
      sure.set(step.name, made);
    }
    made.pending.push(step);
  }
  const upTo = Math.floor(random() * (unsureNames.length + 1));
  for (const each of unsureNames.slice(0, upTo)) move(sure, each, moved.get(each));
  const way = random();
  const arrives = () => (way < 0.3 ? true : way < 0.6 ? false : random() < 0.5);
  return new Map(
    [...sure].map(([name, { durable, pending }]) => {
      for (const each of pending.filter(arrives)) durable.apply(each);
      return [name, durable.whole()];
    }),
  );
}
