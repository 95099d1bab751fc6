import { Link } from 'expo-router';
import { FlatList, Pressable, View } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import { useInHand } from '@/data/inHand';
import { useOutbox } from '@/data/outbox';
import { useRows } from '@/data/useRows';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { whenText } from './whenText';
import { entryWords } from './entryWords';

/** The Book: readings kept, newest first. */
export function BookList() {
  const styles = useStyles();
  const { rows, loading, failed, retry } = useRows('readings');
  const waiting = useOutbox((state) => state.waiting);
  const sorted = [...rows].sort((a, b) => b.data.takenAt.localeCompare(a.data.takenAt));
  const empty = loading ? 'Opening the Book …' : failed ? 'The server cannot be reached, so the Book stays closed. Start it again, then try again.' : 'Nothing kept yet. On a desk, press “Keep this reading”.';
  return (
    <FlatList
      data={sorted}
      keyExtractor={(row) => row.id}
      contentContainerStyle={styles.list}
      ListHeaderComponent={
        <Txt kind="title" level={1}>
          Kept readings
        </Txt>
      }
      ListEmptyComponent={
        <View style={styles.empty} role="status">
          <Txt tone="soft">{empty}</Txt>
          {failed ? <Key title="Try again" onPress={retry} /> : null}
        </View>
      }
      renderItem={({ item }) => <Line row={item} pending={waiting.some((change) => change.id === item.id)} />}
    />
  );
}

function Line({ row, pending }: { row: StoredOf<'readings'>; pending: boolean }) {
  const styles = useStyles();
  const units = useInHand((state) => state.units);
  const { data } = row;
  const words = entryWords(data, units);
  return (
    <Link href={`/book/${row.id}`} asChild>
      <Pressable style={styles.line} aria-label={`${words.subject}, ${whenText(data.takenAt)}: ${words.judgement.slice(2)}`}>
        <View style={styles.when}>
          <Txt kind="small" tone="soft">
            {whenText(data.takenAt)}
          </Txt>
          {pending ? (
            <Txt kind="fine" tone="caution">
              waits to be sent
            </Txt>
          ) : null}
        </View>
        <View style={styles.words}>
          <View style={styles.titleLine}>
            <Txt kind="strong">{words.subject}</Txt>
            <Txt kind="figure">
              {words.figure} <Txt kind="small">{words.unit}</Txt>
            </Txt>
          </View>
          <Txt kind="small" tone={words.verdict === 'notEnough' ? 'needle' : 'press'}>
            {words.judgement}
          </Txt>
          <Txt kind="small" tone="soft">
            {words.line}
          </Txt>
          {data.note ? <Txt kind="small">{data.note}</Txt> : null}
        </View>
      </Pressable>
    </Link>
  );
}

const useStyles = stylesOf((palette) => ({
  list: { padding: space.page, width: '100%', maxWidth: 860, marginHorizontal: 'auto' },
  empty: { paddingVertical: space.wide, gap: space.page },
  line: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.page, paddingVertical: space.large, minHeight: TARGET, borderBottomWidth: 1, borderColor: palette.hairline },
  when: { width: 148 },
  words: { flexGrow: 1, flexBasis: 300, flexShrink: 1, gap: 2 },
  titleLine: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline' },
}));
