/** Reads Markdown as far as the checks of the documents need it: blocks, paragraphs, links, words. */
import fs from 'node:fs';
import path from 'node:path';

export const root = path.resolve(__dirname, '../..');

/** A document: its path from the root, and its text. */
export interface Document {
  name: string;
  text: string;
}

const below = (folder: string): string[] =>
  fs.readdirSync(path.join(root, folder), { withFileTypes: true }).flatMap((entry) => {
    const name = `${folder}/${entry.name}`;
    return entry.isDirectory() ? below(name) : entry.name.endsWith('.md') ? [name] : [];
  });

/** Every document of the project, those at the root first. */
export const documents = (): Document[] =>
  [...fs.readdirSync(root).filter((name) => name.endsWith('.md')), ...below('docs')].map((name) => ({
    name,
    text: fs.readFileSync(path.join(root, name), 'utf8'),
  }));

/** A fenced block: what stands behind its fence, and its text. */
export interface Block {
  info: string;
  text: string;
}

const FENCE = /^```([^\n]*)\n([\s\S]*?)^```$/gm;

export const blocksOf = (text: string): Block[] =>
  [...text.matchAll(FENCE)].map(([, info, inside]) => ({ info: info!.trim(), text: inside! }));

/** The prose of a document: without fenced blocks, comments, formulas and HTML. */
export const proseOf = (text: string): string =>
  text
    .replace(FENCE, '')
    .replace(/<!--[\s\S]*?-->/g, '')
    .replace(/\$\$[\s\S]*?\$\$/g, '')
    .replace(/<[^>]+>/g, '');

/** Paragraphs and single list entries of the prose, each as its lines. Tables and headings are none. */
export function paragraphsOf(text: string): string[][] {
  const found: string[][] = [];
  let current: string[] = [];
  const end = () => {
    if (current.length) found.push(current);
    current = [];
  };
  for (const line of proseOf(text).split('\n')) {
    if (line.trim() === '' || /^(#|\|)/.test(line)) end();
    else if (/^\s*([-*]|\d+\.) /.test(line)) {
      end();
      current = [line];
    } else current.push(line);
  }
  end();
  return found;
}

/** The prose without what is quoted, code, or a link's target: what must speak the project's own language. */
export const ownWordsOf = (text: string): string =>
  proseOf(text)
    .replace(/`[^`]*`/g, '…')
    .replace(/“[^”]*”/g, '…')
    .replace(/\]\([^)]*\)/g, ']');

/** Sentences of the prose; a colon or semicolon ends one too, as in the limit on their length. */
export const sentencesOf = (text: string): string[] =>
  [
    ...paragraphsOf(text).map((lines) => lines.join(' ')),
    ...proseOf(text)
      .split('\n')
      .filter((line) => line.startsWith('|'))
      .flatMap((row) => row.split('|')),
  ].flatMap((paragraph) => paragraph.split(/[.:;!?](?:\s|$)/));

export const wordsIn = (sentence: string): number =>
  sentence
    .replace(/`[^`]*`/g, 'code')
    .replace(/\]\([^)]*\)/g, ']')
    .split(/\s+/)
    .filter((word) => /[\p{L}\p{N}]/u.test(word)).length;

/** The address of a heading, as Markdown viewers make it. */
export const anchorOf = (heading: string): string =>
  heading
    .toLowerCase()
    .replace(/[`*_]/g, '')
    .replace(/\[([^\]]*)\]\([^)]*\)/g, '$1')
    .replace(/[^\p{L}\p{N}\- ]/gu, '')
    .trim()
    .replace(/ /g, '-');

export const anchorsOf = (text: string): string[] =>
  [...text.replace(FENCE, '').matchAll(/^#{1,6} (.*)$/gm)].map(([, heading]) => anchorOf(heading!));

/** Targets of links and pictures. */
export const linksOf = (text: string): string[] => [
  ...[...text.replace(FENCE, '').matchAll(/\]\(([^)\s]+)\)/g)].map(([, target]) => target!),
  ...[...text.matchAll(/<(?:img|a)[^>]*(?:src|href)="([^"]+)"/g)].map(([, target]) => target!),
];
