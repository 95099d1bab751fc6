import type { OutingWords, PictureWords } from './outingWords';

/** How a card is written: what is put around its parts. */
interface Marks {
  title: (text: string) => string;
  heading: (text: string) => string;
  strong: (text: string) => string;
  fact: (name: string, text: string) => string;
  /** What somebody entered, so that it reads as it was entered. */
  plain: (text: string) => string;
}

const oneLine = (text: string): string => text.replace(/\s*\n\s*/g, ' ');

const MARKDOWN: Marks = {
  title: (text) => `# ${text}`,
  heading: (text) => `## ${text}`,
  strong: (text) => `**${text}**`,
  fact: (name, text) => `- **${name}:** ${text}`,
  plain: (text) => oneLine(text.replace(/[\\`*_{}[\]<>#|~]/g, (sign) => `\\${sign}`)),
};

const TEXT: Marks = {
  title: (text) => text,
  heading: (text) => text.toUpperCase(),
  strong: (text) => text,
  fact: (name, text) => `${name}: ${text}`,
  plain: oneLine,
};

function written(words: OutingWords, { title, heading, strong, fact, plain }: Marks): string {
  const section = (name: string, lines: readonly string[]): string[] =>
    lines.length ? [heading(name), '', ...lines, ''] : [];
  const bullets = (lines: readonly string[]): string[] => lines.map((line) => `- ${plain(line)}`);
  const facts = (lines: readonly { name: string; text: string }[]): string[] =>
    lines.map(({ name, text }) => fact(plain(name), plain(text)));
  const pictureLines = (picture: PictureWords): string[] => [
    heading(plain(picture.title)),
    '',
    plain(picture.under),
    '',
    strong(plain(picture.judgement)),
    '',
    ...(picture.setup.length ? [fact('With', plain(picture.setup.join(' + ')))] : []),
    ...(picture.swap ? [fact('Before it', plain(picture.swap))] : []),
    ...facts(picture.lines),
    ...(picture.missing ? [fact('Missing', plain(picture.missing))] : []),
    ...(picture.note ? [fact('Note', plain(picture.note))] : []),
    ...(picture.closer.length ? ['', 'When it comes closer:', '', ...bullets(picture.closer)] : []),
    '',
  ];
  return [
    title(plain(words.title)),
    '',
    plain(words.when),
    '',
    ...(words.note ? [plain(words.note), ''] : []),
    ...section('Light and dark', facts(words.sky)),
    ...section('Missing', bullets(words.missing)),
    ...words.pictures.flatMap(pictureLines),
    ...section('Bag', [...facts(words.load), ...bullets(words.pack)]),
    ...section('Mind', bullets(words.cautions)),
  ]
    .join('\n')
    .trimEnd()
    .concat('\n');
}

/** The card of an outing as Markdown. */
export const outingMarkdown = (words: OutingWords): string => written(words, MARKDOWN);

/** The same as plain text, for a calendar. */
export const outingText = (words: OutingWords): string => written(words, TEXT);
