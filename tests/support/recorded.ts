import fs from 'node:fs';
import { isQuantity } from './recompute';

/** A reading with every number at hand to be compared: objects by name, lists in order, quantities as one line. */
export type Plain = string | number | boolean | null | Plain[] | { [key: string]: Plain };

/** Digits written down. Two builds of the same formula may differ in the last bits. */
const DIGITS = 10;
const digits = (value: number): number => (Number.isFinite(value) ? Number(value.toPrecision(DIGITS)) : value);
const text = (value: number): string => String(digits(value));

/** A quantity as one line: value ± error, unit, kind, and what it was worked out from. */
function quantityLine(value: Parameters<typeof isQuantity>[0]): string | null {
  if (!isQuantity(value)) return null;
  const { unit, kind, plusMinus, note, why } = value;
  const error = plusMinus === undefined ? '' : ` ± ${text(plusMinus)}`;
  const inputs = why.inputs
    .map(({ symbol, quantity }) => `${symbol} = ${text(quantity.value)} ${quantity.unit}`)
    .join(', ');
  const schools = (why.schools ?? [])
    .map((school) => `${school.choice}${school.chosen ? '*' : ''} = ${text(school.value)}`)
    .join(', ');
  const from = [why.formula, inputs, schools].filter(Boolean).join(' | ');
  return `${text(value.value)}${error} ${unit} (${kind}${note ? `, ${note}` : ''})${from ? ` ← ${from}` : ''}`;
}

/** What a reading holds, ready to be kept and compared. */
export function plainOf(value: unknown): Plain {
  const line = quantityLine(value);
  if (line !== null) return line;
  if (typeof value === 'number') return Number.isFinite(value) ? digits(value) : String(value);
  if (Array.isArray(value)) return value.map(plainOf);
  if (ArrayBuffer.isView(value)) return [...(value as unknown as Iterable<number>)].map(plainOf);
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(
      Object.entries(value)
        .filter(([, each]) => each !== undefined && typeof each !== 'function')
        .map(([key, each]) => [key, plainOf(each)]),
    );
  return value as Plain;
}

const NUMBER = /-?\d+(?:\.\d+)?(?:e[+-]?\d+)?/g;
/** Far above what the last bits of two builds do, far below any digit shown. */
const close = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-8 * Math.max(Math.abs(a), Math.abs(b)) + 1e-12;

function sameText(now: string, then: string): boolean {
  if (now === then) return true;
  if (now.replace(NUMBER, '#') !== then.replace(NUMBER, '#')) return false;
  const [a, b] = [now.match(NUMBER) ?? [], then.match(NUMBER) ?? []];
  return a.every((each, i) => close(Number(each), Number(b[i])));
}

/** Every place at which two readings differ, with both values. */
export function differences(now: Plain | undefined, then: Plain | undefined, at = ''): string[] {
  if (typeof now === 'string' && typeof then === 'string')
    return sameText(now, then) ? [] : [`${at}: ${now}, was ${then}`];
  if (typeof now === 'number' && typeof then === 'number')
    return close(now, then) ? [] : [`${at}: ${now}, was ${then}`];
  if (typeof now !== 'object' || typeof then !== 'object' || now === null || then === null)
    return now === then ? [] : [`${at}: ${JSON.stringify(now)}, was ${JSON.stringify(then)}`];
  const keys = [...new Set([...Object.keys(now), ...Object.keys(then)])];
  return keys.flatMap((key) =>
    differences((now as Record<string, Plain>)[key], (then as Record<string, Plain>)[key], at ? `${at}.${key}` : key),
  );
}

/**
 * What a file of `src/cli/recorded` holds for a case. With JAUGE_RECORD=1 the file is written anew from what is read now:
 * do that only for a change of numbers that is meant, and read its diff line by line.
 */
export class Records {
  private readonly kept: Record<string, Plain>;
  private readonly writes = process.env.JAUGE_RECORD === '1';

  constructor(private readonly file: string) {
    this.kept =
      !this.writes && fs.existsSync(file) ? (JSON.parse(fs.readFileSync(file, 'utf8')) as Record<string, Plain>) : {};
  }

  /** Differences of a reading from what was kept under its name; a case nobody kept is one. */
  compare(name: string, read: unknown): string[] {
    const now = plainOf(read);
    if (this.writes) {
      this.kept[name] = now;
      return [];
    }
    return name in this.kept
      ? differences(now, this.kept[name])
      : [`${name}: nothing was kept; JAUGE_RECORD=1 keeps it`];
  }

  /** Names that were kept and are read no more. */
  left(names: readonly string[]): string[] {
    if (this.writes)
      fs.writeFileSync(
        this.file,
        `{\n${Object.entries(this.kept)
          .map(([name, kept]) => `${JSON.stringify(name)}: ${JSON.stringify(kept)}`)
          .join(',\n')}\n}\n`,
      );
    return Object.keys(this.kept).filter((name) => !names.includes(name));
  }
}
