import fs from 'node:fs';
import path from 'node:path';
import {
  anchorsOf,
  documents,
  linksOf,
  ownWordsOf,
  paragraphsOf,
  proseOf,
  root,
  sentencesOf,
  wordsIn,
} from '../../scripts/documents/markdown';
import { BANNED } from './words';

/** What is written by a command: its form is that command's. */
const GENERATED = new Set(['THIRD-PARTY.md', 'docs/benchmarks.md']);
const all = documents();
const written = all.filter(({ name }) => !GENERATED.has(name));
const of = (name: string) => all.find((each) => each.name === name)!;
const words = (text: string) =>
  proseOf(text)
    .split(/\s+/)
    .filter((word) => /[\p{L}\p{N}]/u.test(word)).length;

/** Fails with the first of what should not be there: a difference of long lists takes minutes to draw. */
function none(found: readonly unknown[]): void {
  if (found.length > 0) throw new Error(found.slice(0, 8).map(String).join('\n'));
}

const MOST_WORDS: readonly [RegExp, number][] = [
  [/^README\.md$/, 700],
  [/^docs\/architecture\.md$/, 1800],
  [/^docs\/decisions\//, 300],
];
const MOST_LINES = 6;
const MOST_COLUMNS = 125;
const MOST_IN_A_SENTENCE = 25;

describe('documents', () => {
  it.each(written)('$name keeps its limits', ({ name, text }) => {
    const [, most = Infinity] = MOST_WORDS.find(([pattern]) => pattern.test(name)) ?? [];
    expect(words(text)).toBeLessThanOrEqual(most);
    const paragraphs = paragraphsOf(text);
    none(paragraphs.filter((lines) => lines.length > MOST_LINES));
    const wide = proseOf(text)
      .split('\n')
      .filter((line) => !line.startsWith('|') && line.length > MOST_COLUMNS);
    none(wide);
    none(sentencesOf(text).filter((sentence) => wordsIn(sentence) > MOST_IN_A_SENTENCE));
  });

  it.each(written)('$name speaks the words of the glossary', ({ text }) => {
    const lines = ownWordsOf(text).split('\n');
    none(lines.filter((line) => BANNED.some((word) => word.test(line))));
  });

  it.each(all)('$name links to what exists', ({ name, text }) => {
    const here = path.dirname(name);
    const broken = linksOf(text).filter((target) => {
      if (/^https?:/.test(target)) return false;
      const [file, anchor] = target.split('#');
      const at = file ? path.join(here, file) : name;
      if (!fs.existsSync(path.join(root, at))) return true;
      return Boolean(anchor) && !anchorsOf(fs.readFileSync(path.join(root, at), 'utf8')).includes(anchor!);
    });
    none(broken);
  });

  it.each(written)('$name names files that exist', ({ text }) => {
    const named = [...text.matchAll(/`((?:src|docs|tests|e2e|scripts|bench|torture|public|licences)\/[^`\s*{<…]*)`/g)];
    none(named.map(([, file]) => file!).filter((file) => !fs.existsSync(path.join(root, file))));
    const inSource = [
      ...text.matchAll(/`((?:app|features|ui|data|core|contract|workers|server|demo|cli)\/[^`\s*{<…]*)`/g),
    ];
    none(inSource.map(([, file]) => file!).filter((file) => !fs.existsSync(path.join(root, 'src', file))));
    const inCore = [...text.matchAll(/\(`((?:sensor|chain|optics|far|near|sky|kit|detail)\/[^`\s]*\.ts)`\)/g)];
    none(inCore.map(([, file]) => file!).filter((file) => !fs.existsSync(path.join(root, 'src/core', file))));
  });

  it('are reached from the README, each in at most three steps', () => {
    const reached = new Set(['README.md']);
    for (let step = 0; step < 3; step++)
      for (const name of [...reached])
        for (const target of linksOf(of(name)?.text ?? ''))
          if (!/^https?:/.test(target) && target.split('#')[0]?.endsWith('.md'))
            reached.add(path.normalize(path.join(path.dirname(name), target.split('#')[0]!)));
    none(all.map(({ name }) => name).filter((name) => !reached.has(name)));
  });

  it('show every picture of docs/screenshots, and fewer than twenty', () => {
    const shown = new Set(all.flatMap(({ text }) => linksOf(text)).map((target) => path.basename(target)));
    const pictures = fs.readdirSync(path.join(root, 'docs/screenshots'));
    expect(pictures.length).toBeLessThan(20);
    none(pictures.filter((name) => !shown.has(name)));
  });
});

describe('physics', () => {
  const { text } = of('docs/physics.md');
  const entries = text.split(/^### /m).slice(1);
  it('gives every quantity in the same form', () => {
    const odd = entries.filter((entry) => {
      const [, , meaning, , formula, , text, , ...rest] = entry.split('\n');
      const names = rest.filter((line) => line.startsWith('- **')).map((line) => /^- \*\*(\w+):\*\* ./.exec(line)?.[1]);
      return !(
        meaning &&
        /^\$\$.+\$\$$/.test(formula!) &&
        /^`.+`$/.test(text!) &&
        names.join() === 'Symbols,Source,Limits,File'
      );
    });
    none(odd.map((entry) => entry.split('\n')[0]));
    expect(entries.length).toBeGreaterThan(90);
  });
  it('names every symbol of a formula that has one meaning', () => {
    const GREEK = /\\(alpha|beta|sigma|delta|nu|lambda|theta|omega|varphi|rho|ell|Phi|Delta)\b/g;
    const NAMES: Record<string, string> = {
      alpha: 'α', beta: 'β', sigma: 'σ', delta: 'δ', nu: 'ν', lambda: 'λ', theta: 'θ', omega: 'ω', varphi: 'φ', rho: 'ρ',
      ell: 'ℓ', Phi: 'Φ', Delta: 'Δ',
    }; // prettier-ignore
    const missing = entries.flatMap((entry) => {
      const formula = /\$\$(.+)\$\$/.exec(entry)![1]!;
      const symbols = /\*\*Symbols:\*\*([\s\S]+?)\n- \*\*Source/.exec(entry)![1]!;
      return [...formula.matchAll(GREEK)]
        .map(([, name]) => NAMES[name!]!)
        .filter((symbol) => !symbols.includes(symbol))
        .map((symbol) => `${entry.split('\n')[0]}: ${symbol}`);
    });
    none(missing);
  });
});

describe('glossary', () => {
  const rows = of('docs/glossary.md')
    .text.split('\n')
    .filter((line) => /^\| [^-|]/.test(line))
    .slice(1)
    .map((line) =>
      line
        .split('|')
        .map((cell) => cell.trim())
        .slice(1, -1),
    );
  it('has a meaning in a line and a place for every term, in order, each once', () => {
    expect(rows.filter(([term, meaning, , used]) => !term || !meaning || !/\]\(/.test(used ?? ''))).toEqual([]);
    none(rows.filter(([, meaning]) => meaning!.length > 90));
    const terms = rows.map(([term]) => term!.toLowerCase());
    expect(new Set(terms).size).toBe(terms.length);
    expect(terms).toEqual([...terms].sort((a, b) => a.localeCompare(b, 'en', { ignorePunctuation: true })));
  });
});

describe('third party', () => {
  it('names the versions of the lockfile', () => {
    const lock = (
      JSON.parse(fs.readFileSync(path.join(root, 'package-lock.json'), 'utf8')) as {
        packages: Record<string, { version: string }>;
      }
    ).packages;
    const versions = new Map<string, Set<string>>();
    for (const [folder, { version }] of Object.entries(lock)) {
      const name = folder.split('node_modules/').at(-1)!;
      versions.set(name, (versions.get(name) ?? new Set<string>()).add(version));
    }
    const rows = [...of('THIRD-PARTY.md').text.matchAll(/^\| ([^|]+) \| (\d[^|]*) \| ([^|]+) \|/gm)];
    expect(rows.length).toBeGreaterThan(100);
    none(rows.filter(([, name, version]) => !versions.get(name!)?.has(version!)));
    // Names of licences in use; one that does not permit it would be a new name here.
    const LICENCES =
      /^\(?(?:(?:MIT|ISC|0BSD|BSD-[23]-Clause|Apache-2\.0|BlueOak-1\.0\.0|CC0-1\.0|Zlib|WTFPL|OFL-1\.1)(?: OR | AND )?)+\)?$/;
    const others = rows.filter(([, , , licence]) => !LICENCES.test(licence!)).map(([, name]) => name);
    expect(others).toEqual(['@expo/vector-icons', 'libraw-wasm']);
  });
  it('lays the licences of the raw decoder beside it', () => {
    const folder = path.join(root, 'public/raw');
    expect(fs.readdirSync(folder).sort()).toEqual(
      ['CDDL-1.0.txt', 'IJG.txt', 'ISC.txt', 'LGPL-2.1-only.txt', 'NOTICE.txt', 'libraw.wasm', 'worker.js'].sort(),
    );
    const { version } = JSON.parse(
      fs.readFileSync(path.join(root, 'node_modules/libraw-wasm/package.json'), 'utf8'),
    ) as { version: string };
    expect(fs.readFileSync(path.join(folder, 'NOTICE.txt'), 'utf8')).toContain(`libraw-wasm ${version}`);
  });
});
