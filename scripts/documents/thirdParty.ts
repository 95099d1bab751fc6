/**
 * Writes THIRD-PARTY.md: everything that ships, from the lockfile, the pages' own list of bundled packages (dist/.packages) and
 * what server and command line ask for. `--check` compares instead and ends with 1 where they differ.
 */
import fs from 'node:fs';
import { builtinModules } from 'node:module';
import path from 'node:path';
import { root } from './markdown';

interface Locked {
  version: string;
  license?: string;
  dependencies?: Record<string, string>;
  optionalDependencies?: Record<string, string>;
}

type Where = 'pages' | 'server';

/** A package that ships: where it lies, and in which part. */
export interface Shipped {
  folder: string;
  name: string;
  version: string;
  licence: string;
  copyright: string;
  where: Where[];
}

const inRoot = (...parts: string[]) => path.join(root, ...parts);
const read = (...parts: string[]) => fs.readFileSync(inRoot(...parts), 'utf8');
const lock = (JSON.parse(read('package-lock.json')) as { packages: Record<string, Locked> }).packages;

/** What the service worker holds of its maker's packages: it is written into one file at build. */
const IN_SERVICE_WORKER = ['workbox-core', 'workbox-precaching', 'workbox-routing', 'workbox-strategies'];

/** Parts whose package does not name all its licences, or ships no notice: what their makers say. */
const KNOWN: Record<string, { licence: string; copyright: string }> = {
  'libraw-wasm': {
    licence: 'ISC; holds LibRaw (LGPL-2.1-only OR CDDL-1.0) and the IJG JPEG library (IJG)',
    copyright:
      'LibRaw: Copyright 2008-2025 LibRaw LLC. JPEG library: Copyright (C) 1991-2024, Thomas G. Lane, Guido Vollbeding',
  },
  'wasm-vips': {
    licence: 'MIT; holds libvips, glib, libexif and libheif (LGPL-3.0-only) and others (NOTICE-libvips)',
    copyright: 'Copyright (c) 2020 Kleis Auke Wolthuizen; libvips: John Cupitt and the libvips authors',
  },
  '@expo-google-fonts/barlow': {
    licence: 'MIT AND OFL-1.1',
    copyright: 'Copyright 2017 The Barlow Project Authors (https://github.com/jpt/barlow)',
  },
  '@expo-google-fonts/barlow-semi-condensed': {
    licence: 'MIT AND OFL-1.1',
    copyright: 'Copyright 2017 The Barlow Project Authors (https://github.com/jpt/barlow)',
  },
  '@expo/vector-icons': {
    licence: 'MIT; of its icon sets Material Icons ship (Apache-2.0)',
    copyright: 'Copyright (c) 2015 Joel Arvidsson, 2020 650 Industries; Material Icons: Google LLC',
  },
};

const nameOf = (folder: string) => folder.slice(folder.lastIndexOf('node_modules/') + 'node_modules/'.length);

/** Where a package that another one asks for lies: beside it, or in a folder above. */
function resolved(name: string, from: string): string | null {
  for (let at = from; ; at = at.slice(0, Math.max(0, at.lastIndexOf('/node_modules/')))) {
    const folder = `${at ? `${at}/` : ''}node_modules/${name}`;
    if (lock[folder]) return folder;
    if (at === '') return null;
  }
}

/** Packages a bundled program asks for, with all that those need. */
function ofProgram(file: string): string[] {
  const asked = [...read(file).matchAll(/require\("((?:@[^/"]+\/)?[^/"]+)[^"]*"\)/g)].map(([, name]) => name!);
  const found = new Set<string>();
  const visit = (name: string, from: string) => {
    const folder = resolved(name, from);
    if (!folder || found.has(folder)) return;
    found.add(folder);
    const { dependencies, optionalDependencies } = lock[folder]!;
    for (const each of Object.keys({ ...dependencies, ...optionalDependencies })) visit(each, folder);
  };
  for (const name of asked) if (!builtinModules.includes(name) && !name.startsWith('node:')) visit(name, '');
  return [...found];
}

/** The first line of a package's notice that names its holders. */
function copyrightOf(folder: string): string {
  const at = inRoot(folder);
  if (!fs.existsSync(at)) return '';
  const file = fs.readdirSync(at).find((name) => /^(licen[cs]e|copying|notice)(\.|$)/i.test(name));
  const line = file && /^.*copyright (?:\(c\)|©|\d).*$/im.exec(fs.readFileSync(path.join(at, file), 'utf8'))?.[0];
  if (line) return line.replace(/^[\s*/#]+|\s+$/g, '');
  const { author } = JSON.parse(fs.readFileSync(path.join(at, 'package.json'), 'utf8')) as {
    author?: string | { name: string };
  };
  return typeof author === 'string' ? author : (author?.name ?? '');
}

function licenceOf(folder: string): string {
  const { license } = JSON.parse(read(folder, 'package.json')) as { license?: string | { type: string } };
  return (typeof license === 'object' ? license.type : license) ?? 'not named';
}

/** Everything that ships, by name. Needs the pages and programs as built. */
export function shipped(): Shipped[] {
  const where = new Map<string, Set<Where>>();
  const note = (folders: string[], part: Where) => {
    for (const folder of folders) where.set(folder, (where.get(folder) ?? new Set<Where>()).add(part));
  };
  const bundled = [...new Set(read('dist', '.packages').trim().split('\n'))];
  note([...bundled, ...IN_SERVICE_WORKER.map((name) => `node_modules/${name}`), 'node_modules/libraw-wasm'], 'pages');
  note([...ofProgram('build/server.cjs'), ...ofProgram('build/cli/main.cjs')], 'server');
  return [...where]
    .filter(([folder]) => fs.existsSync(inRoot(folder)))
    .map(([folder, parts]) => {
      const name = nameOf(folder);
      return {
        folder,
        name,
        version: lock[folder]!.version,
        licence: KNOWN[name]?.licence ?? licenceOf(folder),
        copyright: KNOWN[name]?.copyright ?? copyrightOf(folder),
        where: [...parts].sort(),
      };
    })
    .sort((a, b) => a.name.localeCompare(b.name, 'en') || a.version.localeCompare(b.version, 'en'));
}

const cell = (text: string) => text.replace(/\|/g, '\\|').replace(/[<>]/g, '');

/** The document: the table, then every licence's text once. */
export function thirdPartyText(packages: readonly Shipped[]): string {
  const rows = packages.map(
    ({ name, version, licence, copyright, where }) =>
      `| ${name} | ${version} | ${cell(licence)} | ${where.join(', ')} | ${cell(copyright)} |`,
  );
  const texts = fs
    .readdirSync(inRoot('licences'))
    .filter((name) => name.endsWith('.txt'))
    .sort();
  return `# Third party

Everything that ships with Jauge besides its own code, which is under the [MIT licence](LICENSE). Written by
\`npm run third-party\` from the lockfile and the build; a test compares it. “pages” is what a browser gets, “server” what the
server and the command line need. Data: names and places of objects and towns are our own list of published facts.

LibRaw is used under the LGPL 2.1, in WebAssembly and unchanged; its files and notices lie in \`public/raw\`. Its source is
published by its maker, and the page loads it from files of its own, so that it can be replaced. The same holds of libvips,
under the LGPL 3, in \`public/pictures\`.

| package | version | licence | in | copyright |
| --- | --- | --- | --- | --- |
${rows.join('\n')}

${texts.map((file) => `## ${path.basename(file, '.txt')}\n\n\`\`\`\n${read('licences', file).trimEnd()}\n\`\`\`\n`).join('\n')}`;
}

if (process.argv[1] && path.resolve(process.argv[1]) === path.resolve(__filename)) {
  const text = thirdPartyText(shipped());
  const file = inRoot('THIRD-PARTY.md');
  if (!process.argv.includes('--check')) fs.writeFileSync(file, text);
  else if (!fs.existsSync(file) || fs.readFileSync(file, 'utf8') !== text) {
    console.error('THIRD-PARTY.md does not match what ships. Run `npm run third-party` and read its diff.');
    process.exit(1);
  }
}
