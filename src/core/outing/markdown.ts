import type { OutingWords, PictureWords } from './outingWords';

/** Text as it stands in Markdown, letter for letter. */
const plain = (text: string): string =>
  text.replace(/[\\`*_{}[\]<>#|~]/g, (sign) => `\\${sign}`).replace(/\s*\n\s*/g, ' ');

const section = (title: string, lines: readonly string[]): string[] =>
  lines.length ? [`## ${title}`, '', ...lines, ''] : [];

const bullets = (lines: readonly string[]): string[] => lines.map((line) => `- ${plain(line)}`);

const facts = (lines: readonly { name: string; text: string }[]): string[] =>
  lines.map(({ name, text }) => `- **${plain(name)}:** ${plain(text)}`);

function pictureLines({ title, under, judgement, setup, swap, lines, closer, missing, note }: PictureWords): string[] {
  return [
    `## ${plain(title)}`,
    '',
    plain(under),
    '',
    `**${plain(judgement)}**`,
    '',
    ...(setup.length ? [`- **With:** ${plain(setup.join(' + '))}`] : []),
    ...(swap ? [`- **Before it:** ${plain(swap)}`] : []),
    ...facts(lines),
    ...(missing ? [`- **Missing:** ${plain(missing)}`] : []),
    ...(note ? [`- **Note:** ${plain(note)}`] : []),
    ...(closer.length ? ['', 'When it comes closer:', '', ...bullets(closer)] : []),
    '',
  ];
}

/** The card of an outing as Markdown. */
export function outingMarkdown(words: OutingWords): string {
  const { title, when, sky, load, pack, missing, pictures, cautions, note } = words;
  return [
    `# ${plain(title)}`,
    '',
    plain(when),
    '',
    ...(note ? [plain(note), ''] : []),
    ...section('Light and dark', facts(sky)),
    ...section('Missing', bullets(missing)),
    ...pictures.flatMap(pictureLines),
    ...section('Bag', [...facts(load), ...bullets(pack)]),
    ...section('Mind', bullets(cautions)),
  ]
    .join('\n')
    .trimEnd()
    .concat('\n');
}
