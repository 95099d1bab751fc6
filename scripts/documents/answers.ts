/**
 * Answers shown below runnable commands: a JSON excerpt of what the command prints. Numbers hold to the digits that are
 * written; of a list its first entries are shown; “…” stands for any text from there on.
 */
import { spawnSync } from 'node:child_process';
import { blocksOf, root } from './markdown';

export type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** A command with the answer that is shown for it; null where none is. */
export interface Shown {
  command: string;
  answer: string | null;
}

/** Every block marked “sh run”, each line a command of its own, with the JSON block behind it. */
export function shownIn(text: string): Shown[] {
  const blocks = blocksOf(text);
  return blocks.flatMap(({ info, text: inside }, i) => {
    if (info !== 'sh run') return [];
    const next = blocks[i + 1];
    const commands = inside
      .replace(/\\\n\s*/g, ' ')
      .split('\n')
      .filter((line) => line.trim() !== '');
    return commands.map((command, k) => ({
      command,
      answer: k === commands.length - 1 && next?.info === 'json' ? next.text : null,
    }));
  });
}

/** Runs a command of the documents without npm in between. */
export function runCommand(command: string): { status: number | null; stdout: string; stderr: string } {
  const plain = command.replace(/^npm run -s jauge --/, `"${process.execPath}" scripts/jauge.mjs`);
  return spawnSync('bash', ['-c', plain], { cwd: root, encoding: 'utf8', maxBuffer: 64e6 });
}

/** Half of the last digit a number is written to. */
function tolerance(value: number): number {
  const [mantissa, exponent = '0'] = String(Math.abs(value)).split('e');
  const decimals = mantissa!.split('.')[1]?.length ?? 0;
  const zeros = decimals === 0 ? /0*$/.exec(mantissa!)![0].length : -decimals;
  return 0.5 * 10 ** (Math.max(zeros, -decimals) + Number(exponent)) * (1 + 1e-9);
}

/** Where an excerpt differs from what a command prints; nothing where it holds. */
export function differences(shown: Json, printed: Json | undefined, at = '$'): string[] {
  if (printed === undefined) return [`${at} is not printed`];
  if (typeof shown === 'number')
    return typeof printed === 'number' && Math.abs(printed - shown) <= tolerance(shown)
      ? []
      : [`${at}: ${shown} is shown, ${JSON.stringify(printed)} printed`];
  if (typeof shown === 'string' && shown.endsWith('…'))
    return typeof printed === 'string' && printed.startsWith(shown.slice(0, -1)) ? [] : [`${at}: ${String(printed)}`];
  if (Array.isArray(shown))
    return Array.isArray(printed)
      ? shown.flatMap((each, i) => differences(each, printed[i], `${at}[${i}]`))
      : [`${at} is no list`];
  if (shown !== null && typeof shown === 'object')
    return printed !== null && typeof printed === 'object' && !Array.isArray(printed)
      ? Object.entries(shown).flatMap(([key, each]) => differences(each, printed[key], `${at}.${key}`))
      : [`${at} is no object`];
  return shown === printed ? [] : [`${at}: ${JSON.stringify(shown)} is shown, ${JSON.stringify(printed)} printed`];
}

const FIGURES = 4;
const MOST_TEXT = 70;

/** A value as an excerpt shows it. */
function short(value: Json): Json {
  if (typeof value === 'number') return Number.isInteger(value) ? value : Number(value.toPrecision(FIGURES));
  if (typeof value === 'string' && value.length > MOST_TEXT) return `${value.slice(0, MOST_TEXT)}…`;
  return value;
}

/** The same excerpt of what is printed now: keys that are shown stay, those no longer printed go. */
export function refreshed(shown: Json, printed: Json): Json {
  if (Array.isArray(shown) && Array.isArray(printed))
    return printed.slice(0, shown.length).map((each, i) => refreshed(shown[i]!, each));
  if (shown && typeof shown === 'object' && printed && typeof printed === 'object' && !Array.isArray(printed))
    return Object.fromEntries(
      Object.entries(shown as Record<string, Json>)
        .filter(([key]) => key in printed)
        .map(([key, each]) => [key, refreshed(each, printed[key]!)]),
    );
  return short(printed);
}

/** JSON with the innermost objects and lists on one line each, where they are short. */
export const written = (value: Json): string =>
  JSON.stringify(value, null, 2).replace(/[{[]\n[^{}[\]]*?\n\s*[}\]]/g, (inner) => {
    const one = inner.replace(/\n\s*/g, ' ').replace(/^\[ (.*) \]$/, '[$1]');
    return one.length <= 100 ? one : inner;
  });
