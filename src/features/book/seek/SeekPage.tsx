import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { wordsOf } from '@/contract/readingWords';
import { formatFixed } from '@/core/quantity/format';
import { found as foundIn, sections, type SeekBy } from '@/core/seek/entry';
import { useBook } from '@/data/seek/useBook';
import { useRested } from '@/data/useRested';
import { usePartOfScreen } from '@/ui/Beside';
import { FlatList } from '@/ui/List';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { TextField } from '@/ui/controls/TextField';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { UnderBookTabs } from '../BookTabs';
import { EntryLine, SectionLine } from './SeekLines';
import { Statistics } from './Statistics';
import { TakeFound } from './TakeFound';
import { listed } from './listed';

const BY: readonly { value: SeekBy; name: string }[] = [
  { value: 'subject', name: 'Subject' },
  { value: 'lens', name: 'Lens' },
  { value: 'outing', name: 'Outing' },
  { value: 'month', name: 'Month' },
];
const SHOWN = [
  { value: 'list', name: 'List' },
  { value: 'charts', name: 'Charts' },
] as const;
/** What is typed is looked for once the hand rests, ms. */
const REST_MS = 250;

/** The whole Book by subject, lens, outing or month, looked up by any word, as a list or as charts. */
export default function SeekPage() {
  const styles = useStyles();
  const { level } = usePartOfScreen();
  const book = useBook();
  const [typed, setTyped] = useState('');
  const [by, setBy] = useState<SeekBy>('subject');
  const [shown, setShown] = useState<'list' | 'charts'>('list');
  const [opened, setOpened] = useState<ReadonlySet<string>>(() => new Set());
  const search = useRested(typed.trim(), REST_MS);
  const entries = useMemo(() => foundIn(book.entries, wordsOf(search)), [book.entries, search]);
  const all = useMemo(() => sections(entries, by), [entries, by]);
  const items = useMemo(
    () => (shown === 'list' ? listed(all, search ? null : opened) : []),
    [shown, all, opened, search],
  );
  const toggle = (name: string) =>
    setOpened((before) => {
      const after = new Set(before);
      if (!after.delete(name)) after.add(name);
      return after;
    });
  const { loading, failed, retry } = book;
  const empty = loading
    ? 'Opening the Book …'
    : failed
      ? 'The server cannot be reached, so the Book stays closed. Start it again, then try again.'
      : search
        ? `Nothing in the Book has all the words “${search}”.`
        : 'Nothing in the Book yet. Keep a reading on a desk, plan an outing, or bring pictures home.';
  return (
    <UnderBookTabs here="/book/seek">
      <FlatList
        data={items}
        keyExtractor={({ key }) => key}
        contentContainerStyle={styles.list}
        keyboardShouldPersistTaps="handled"
        initialNumToRender={16}
        ListHeaderComponent={
          <View style={styles.head}>
            <View style={styles.titleLine}>
              <Txt kind="title" level={level}>
                Seek and see
              </Txt>
              <Txt kind="small" tone="soft" role="status">
                {loading ? '' : `${formatFixed(entries.length)} ${search ? 'found' : 'in all'}`}
              </Txt>
            </View>
            <TextField
              label="Look for"
              value={typed}
              onChange={setTyped}
              placeholder="Any word: subject, gear, outing, verdict, note"
            />
            <Choice label="Shown as" hideLabel options={SHOWN} value={shown} onChange={setShown} />
            {shown === 'list' ? <Choice label="By" hideLabel options={BY} value={by} onChange={setBy} /> : null}
            <TakeFound rows={book.rows} entries={entries} />
            {shown === 'charts' && entries.length ? <Statistics entries={entries} /> : null}
          </View>
        }
        ListEmptyComponent={
          entries.length ? null : (
            <View style={styles.empty} role="status">
              <Txt tone="soft">{empty}</Txt>
              {failed ? <Key title="Try again" onPress={retry} /> : null}
            </View>
          )
        }
        renderItem={({ item }) =>
          'section' in item ? (
            <SectionLine
              section={item.section}
              by={by}
              open={item.open}
              onPress={search ? null : () => toggle(item.section.name)}
            />
          ) : (
            <EntryLine entry={item.entry} />
          )
        }
      />
    </UnderBookTabs>
  );
}

const useStyles = stylesOf(() => ({
  list: { padding: space.page, width: '100%', maxWidth: 900, marginHorizontal: 'auto' },
  head: { gap: space.medium, paddingBottom: space.medium },
  titleLine: { flexDirection: 'row', alignItems: 'baseline', justifyContent: 'space-between', gap: space.medium },
  empty: { gap: space.medium, paddingVertical: space.large },
}));
