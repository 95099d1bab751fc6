/** What the Book is looked through by: one thing kept in it, whatever it is. */
export interface Entry {
  id: string;
  kind: 'reading' | 'group' | 'measurement' | 'outing';
  /** Where it is shown. */
  href?: string | undefined;
  /** By the clocks of the device or the camera: YYYY-MM-DDTHH:MM. */
  at: string;
  subject: string;
  lens?: string | undefined;
  setup?: string | undefined;
  outing?: string | undefined;
  /** What it says, in one line. */
  line: string;
  /** Every word it may be found by, as they are looked for. */
  words: string;
  /** Pixels that count on the subject, and how far it was, m. */
  pixels?: number | undefined;
  distanceM?: number | undefined;
  /** Of pictures that were judged. */
  verdict?: 'kept' | 'soft' | 'small' | 'strokes' | 'noisy' | undefined;
}

export type SeekBy = 'subject' | 'lens' | 'outing' | 'month';

/** Entries of one heading, the newest first. */
export interface Section {
  name: string;
  entries: Entry[];
  judged: number;
  kept: number;
}

const NOWHERE: Record<SeekBy, string> = {
  subject: 'No subject told',
  lens: 'No lens told',
  outing: 'On no outing',
  month: 'No time told',
};

/** Cameras whose clock was never set tell this year: of them no month is told. */
const UNSET = '1970';

const headingOf = ({ subject, lens, outing, at }: Entry, by: SeekBy): string => {
  if (by === 'month') return at.startsWith(UNSET) ? '' : at.slice(0, 7);
  return { subject, lens, outing }[by] ?? '';
};

/** Entries that hold all the words looked for. */
export const found = (entries: readonly Entry[], words: readonly string[]): Entry[] =>
  entries.filter((entry) => words.every((word) => entry.words.includes(word)));

/** Entries under headings: names in their order, months the newest first, what has no heading last. */
export function sections(entries: readonly Entry[], by: SeekBy): Section[] {
  const all = new Map<string, Entry[]>();
  for (const entry of [...entries].sort((a, b) => b.at.localeCompare(a.at) || a.id.localeCompare(b.id))) {
    const heading = headingOf(entry, by);
    const own = all.get(heading);
    if (own) own.push(entry);
    else all.set(heading, [entry]);
  }
  const sign = by === 'month' ? -1 : 1;
  return [...all]
    .sort(([a], [b]) => Number(!a) - Number(!b) || sign * a.localeCompare(b))
    .map(([name, own]) => ({
      name: name || NOWHERE[by],
      entries: own,
      judged: own.filter(({ verdict }) => verdict).length,
      kept: own.filter(({ verdict }) => verdict === 'kept').length,
    }));
}
