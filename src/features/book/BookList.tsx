import { Link } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { FlatList } from '@/ui/List';
import type { ReadingsSought } from '@/contract/readingsSought';
import type { StoredOf } from '@/contract/resources';
import { formatFixed } from '@/core/quantity/format';
import { usePreferences } from '@/data/preferences';
import { useOutbox } from '@/data/outbox';
import { useReadings } from '@/data/useReadings';
import { useRested } from '@/data/useRested';
import { usePartOfScreen } from '@/ui/Beside';
import { Guard } from '@/ui/Guard';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { TextField } from '@/ui/controls/TextField';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { MeasuredList } from './MeasuredList';
import { whenText } from './whenText';
import { entryWords } from './entryWords';

const SORTS: { value: ReadingsSought['sort']; name: string }[] = [
  { value: 'newest', name: 'Newest' },
  { value: 'oldest', name: 'Oldest' },
  { value: 'subject', name: 'Subject' },
  { value: 'most', name: 'Highest number' },
];
/** Up to so many there is nothing to look for. */
const FEW = 8;
/** What is typed is looked for once the hand rests, ms. */
const REST_MS = 250;

/** The Book: readings kept, newest first, looked up and put in order by the server. */
export function BookList({ openId }: { openId?: string | undefined }) {
  const { level } = usePartOfScreen();
  const styles = useStyles();
  const [typed, setTyped] = useState('');
  const [sort, setSort] = useState<ReadingsSought['sort']>('newest');
  const search = useRested(typed.trim(), REST_MS);
  const sought = useMemo((): ReadingsSought => ({ sort, ...(search ? { search } : {}) }), [search, sort]);
  const { rows, total, loading, failed, retry, more } = useReadings(sought);
  const waiting = useOutbox((state) => state.waiting);
  const empty = loading
    ? 'Opening the Book …'
    : failed
      ? 'The server cannot be reached, so the Book stays closed. Start it again, then try again.'
      : search
        ? `No reading has all the words “${search}”.`
        : 'Nothing kept yet. On a desk, press “Keep this reading”.';
  // A few are seen at a glance.
  const many = total > FEW || typed !== '' || sort !== 'newest';
  return (
    <FlatList
      data={rows}
      keyExtractor={(row) => row.id}
      contentContainerStyle={styles.list}
      keyboardShouldPersistTaps="handled"
      initialNumToRender={12}
      onEndReached={more}
      onEndReachedThreshold={1}
      ListHeaderComponent={
        <View style={styles.head}>
          <View style={styles.titleLine}>
            <Txt kind="title" level={level}>
              Kept readings
            </Txt>
            {many ? (
              <Txt kind="small" tone="soft" role="status">
                {search ? `${formatFixed(total)} found` : `${formatFixed(total)} in all`}
              </Txt>
            ) : null}
          </View>
          {many ? (
            <>
              <TextField
                label="Look for"
                value={typed}
                onChange={setTyped}
                placeholder="Subject, set-up, output or note"
              />
              <Choice label="In order of" hideLabel options={SORTS} value={sort} onChange={setSort} />
            </>
          ) : null}
        </View>
      }
      ListFooterComponent={<MeasuredList />}
      ListEmptyComponent={
        <View style={styles.empty} role="status">
          <Txt tone="soft">{empty}</Txt>
          {failed ? <Key title="Try again" onPress={retry} /> : null}
        </View>
      }
      renderItem={({ item }) => (
        <Guard what="This reading" resetKeys={[item]}>
          <Line row={item} open={item.id === openId} pending={waiting.some((change) => change.id === item.id)} />
        </Guard>
      )}
    />
  );
}

function Line({ row, pending, open }: { row: StoredOf<'readings'>; pending: boolean; open: boolean }) {
  const styles = useStyles();
  const units = usePreferences((state) => state.units);
  const { data } = row;
  const words = entryWords(data, units);
  return (
    <Link href={`/book/${row.id}`} asChild>
      <Pressable
        style={StyleSheet.flatten([styles.line, open ? styles.opened : null])}
        aria-current={open ? 'page' : undefined}
        aria-label={`${words.subject}, ${whenText(data.takenAt)}: ${words.judgement.slice(2)}`}
      >
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
  head: { gap: space.medium, paddingBottom: space.medium },
  empty: { paddingVertical: space.wide, gap: space.page },
  line: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    columnGap: space.page,
    paddingVertical: space.large,
    minHeight: TARGET,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  opened: { borderLeftWidth: 4, borderLeftColor: palette.press, paddingLeft: space.medium },
  when: { width: 148 },
  words: { flexGrow: 1, flexBasis: 300, flexShrink: 1, gap: 2 },
  titleLine: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline' },
}));
