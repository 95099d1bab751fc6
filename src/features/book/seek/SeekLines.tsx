import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { Link, type Href } from 'expo-router';
import { Pressable, View } from 'react-native';
import { formatFixed } from '@/core/quantity/format';
import type { Entry, Section, SeekBy } from '@/core/seek/entry';
import { Txt } from '@/ui/Txt';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf, usePalette } from '@/ui/theme/theme';
import { VERDICTS } from '../log/verdicts';
import { dayWords, monthWords } from './momentWords';

const KIND_WORDS: Record<Entry['kind'], string> = {
  reading: 'Reading',
  group: 'Pictures',
  measurement: 'Measured',
  outing: 'Outing',
};

/** A heading: how many stand under it, and how many of the judged ones were kept. */
export function SectionLine({
  section,
  by,
  open,
  onPress,
}: {
  section: Section;
  by: SeekBy;
  open: boolean;
  onPress: (() => void) | null;
}) {
  const styles = useStyles();
  const palette = usePalette();
  const { name, entries, judged, kept } = section;
  const title = by === 'month' ? monthWords(name) : name;
  const counts = `${formatFixed(entries.length)}${judged ? ` · ${formatFixed(kept)} of ${formatFixed(judged)} kept` : ''}`;
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      disabled={onPress === null}
      onPress={onPress ?? undefined}
      style={styles.section}
      aria-label={`${title}: ${counts}`}
    >
      <Txt kind="strong" style={styles.name}>
        {title}
      </Txt>
      <Txt kind="small" tone="soft">
        {counts}
      </Txt>
      <MaterialIcons name={open ? 'expand-less' : 'expand-more'} size={22} color={palette.press} />
    </Pressable>
  );
}

/** One thing kept in the Book, with the way to it. */
export function EntryLine({ entry }: { entry: Entry }) {
  const styles = useStyles();
  const { kind, at, subject, verdict, line, href } = entry;
  const judged = VERDICTS.find(({ value }) => value === verdict);
  const what = judged ? `${judged.mark} ${judged.name}` : KIND_WORDS[kind];
  const when = dayWords(at);
  const content = (
    <>
      <View style={styles.entryHead}>
        <Txt kind="strong" tone={href ? 'press' : 'ink'} style={styles.name}>
          {subject}
        </Txt>
        <Txt kind="small" tone={verdict && verdict !== 'kept' ? 'needle' : 'soft'}>
          {what}
        </Txt>
      </View>
      <Txt kind="small" tone="soft">
        {[when, line].filter(Boolean).join(' · ')}
      </Txt>
    </>
  );
  return href ? (
    <Link href={href as Href} asChild>
      <Pressable style={styles.entry} aria-label={`${subject}, ${what}, ${when}: ${line}`}>
        {content}
      </Pressable>
    </Link>
  ) : (
    <View style={styles.entry}>{content}</View>
  );
}

const useStyles = stylesOf((palette) => ({
  section: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    minHeight: TARGET,
    borderTopWidth: 1,
    borderColor: palette.ink,
  },
  name: { flex: 1 },
  entry: {
    minHeight: TARGET,
    justifyContent: 'center',
    paddingVertical: space.small,
    paddingLeft: space.medium,
    borderTopWidth: 1,
    borderColor: palette.hairline,
  },
  entryHead: { flexDirection: 'row', alignItems: 'baseline', gap: space.medium },
}));
