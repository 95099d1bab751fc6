import { Link, type Href } from 'expo-router';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import { dayText } from '@/data/localTime';
import { useRows } from '@/data/useRows';
import { usePartOfScreen } from '@/ui/Beside';
import { Guard } from '@/ui/Guard';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { useNewOuting } from './useNewOuting';

/** Outings, the next one first, those that are over below. */
export function OutingList({ openId }: { openId?: string | undefined }) {
  const styles = useStyles();
  const { level } = usePartOfScreen();
  const { rows, loading, failed, retry } = useRows('outings');
  const make = useNewOuting();
  const sorted = [...rows].sort((a, b) => b.data.day.localeCompare(a.data.day));
  return (
    <ScrollView contentContainerStyle={styles.list}>
      <View style={styles.head}>
        <Txt kind="title" level={level}>
          Outings
        </Txt>
        <Key title="New outing" icon="add" weight="strong" onPress={make} />
      </View>
      {sorted.length === 0 ? (
        <View role="status" style={styles.empty}>
          <Txt tone="soft">
            {loading
              ? 'Opening the Book …'
              : failed
                ? 'The server cannot be reached, so the outings stay closed. Start it again, then try again.'
                : 'No outing yet. Make one: a day, a place, the pictures you hope for, and your bag. Jauge says what takes which, what is missing, and writes the card for your pocket.'}
          </Txt>
          {failed ? <Key title="Try again" onPress={retry} /> : null}
        </View>
      ) : (
        <View role="list" aria-label="Outings">
          {sorted.map((row) => (
            <Guard key={row.id} what="This outing" resetKeys={[row]}>
              <Line row={row} open={row.id === openId} />
            </Guard>
          ))}
        </View>
      )}
    </ScrollView>
  );
}

function Line({ row, open }: { row: StoredOf<'outings'>; open: boolean }) {
  const styles = useStyles();
  const { name, day, span, place, wants } = row.data;
  const when = `${span === 'night' ? 'Night of ' : ''}${dayText(day)}`;
  return (
    <View role="listitem">
      <Link href={`/book/outings/${row.id}` as Href} asChild>
        <Pressable
          style={StyleSheet.flatten([styles.line, open ? styles.opened : null])}
          aria-current={open ? 'page' : undefined}
        >
          <Txt kind="strong">{name}</Txt>
          <Txt kind="small">{`${when} · ${place.name}`}</Txt>
          <Txt kind="small" tone="soft">
            {wants.length ? wants.map((want) => want.name).join(' · ') : 'no picture yet'}
          </Txt>
        </Pressable>
      </Link>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  list: { padding: space.page, gap: space.medium, width: '100%', maxWidth: 860, marginHorizontal: 'auto' },
  head: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    justifyContent: 'space-between',
    alignItems: 'center',
    gap: space.medium,
  },
  empty: { paddingVertical: space.wide, gap: space.page },
  line: {
    minHeight: TARGET,
    paddingVertical: space.large,
    gap: 2,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  opened: { borderLeftWidth: 4, borderLeftColor: palette.press, paddingLeft: space.medium },
}));
