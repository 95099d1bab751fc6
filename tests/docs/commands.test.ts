import { textOf } from '@/cli/inputs';
import { measureCommand } from '@/cli/measure/measureCommand';
import { MEASURES } from '@/cli/measure/options';
import { DESKS, deskOf } from '@/cli/registry';
import { run } from '@/cli/run';
import { differences, shownIn, type Json, type Shown } from '../../scripts/documents/answers';
import { documents } from '../../scripts/documents/markdown';

const shown = documents().flatMap(({ name, text }) => shownIn(text).map((each) => ({ ...each, name })));

/** The words of a command as a shell splits them: quotes, and a run of numbers in braces. */
function wordsOf(command: string): string[] {
  return [...command.matchAll(/"([^"]*)"|(\S+)/g)].flatMap(([, quoted, plain]) => {
    const braces = plain === undefined ? null : /^(.*)\{(\d+)\.\.(\d+)\}(.*)$/.exec(plain);
    if (!braces) return [quoted ?? plain!];
    const [, before, from, to, after] = braces;
    return Array.from({ length: Number(to) - Number(from) + 1 }, (_, i) => `${before}${Number(from) + i}${after}`);
  });
}

/** What a command of the documents prints, without starting a program for each. */
async function printed({ command }: Shown): Promise<{ code: number; json: Json }> {
  const [name, ...words] = wordsOf(command.replace(/^npm run -s jauge -- /, ''));
  if (name === 'measure') {
    const lines: string[] = [];
    const code = await measureCommand(
      words,
      (line) => lines.push(line),
      () => undefined,
    );
    return { code, json: JSON.parse(lines.at(-1)!) as Json };
  }
  const { stdout, code } = run(deskOf(name!)!, textOf(words[0]!), words[0]!);
  return { code, json: JSON.parse(stdout) as Json };
}

it.each(shown)(
  '$name: $command',
  async (each) => {
    expect(each.command).toMatch(/^npm run -s jauge -- /);
    const { code, json } = await printed(each);
    expect(code).toBe(0);
    if (each.answer !== null) expect(differences(JSON.parse(each.answer) as Json, json)).toEqual([]);
  },
  120_000,
);

it('shows an answer of every reading and every question of the command line', () => {
  const called = shown
    .filter(({ name, answer }) => name === 'docs/command-line.md' && answer !== null)
    .map(({ command }) => /-- (measure \w+|\w+)/.exec(command)![1]);
  const all = [...Object.keys(DESKS), ...MEASURES.map((measure) => `measure ${measure}`)];
  expect(all.filter((each) => !called.includes(each))).toEqual([]);
});

it('sees where an answer differs', () => {
  expect(differences({ a: 1.23, b: ['x…'] }, { a: 1.2349, b: ['xyz', 'more'] })).toEqual([]);
  expect(differences({ a: 1.23 }, { a: 1.24 })).toHaveLength(1);
  expect(differences({ a: 0.0308 }, { a: 0.03075 })).toEqual([]);
  expect(differences({ a: 1200 }, { a: 1260 })).toHaveLength(1);
  expect(differences({ a: 1 }, {})).toHaveLength(1);
  expect(differences(['x'], [])).toHaveLength(1);
});
