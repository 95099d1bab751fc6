import { CheckBox } from '@/ui/rne';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { FlatList } from '@/ui/List';
import { PART_WORDS } from '@/core/kit/words';
import { KINDS, PART_KINDS } from '@/core/chain/kinds';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { useKit } from '@/data/useKit';
import { Group } from '@/ui/Group';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { TextField } from '@/ui/controls/TextField';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf, usePalette } from '@/ui/theme/theme';
import { Page } from '@/ui/Page';
import { kitItems, selectItems, type KitFilter, type KitItem, type KitSort } from './kitItems';
import { useKitList } from './kitListState';
import { useGo } from './useGo';

const FILTERS: { value: KitFilter; name: string }[] = [
  { value: 'all', name: 'All' },
  { value: 'bodies', name: 'Bodies' },
  { value: 'optics', name: 'Optics' },
  { value: 'adapters', name: 'Adapters' },
  { value: 'retired', name: 'Retired' },
];
const SORTS: { value: KitSort; name: string }[] = [
  { value: 'name', name: 'Name' },
  { value: 'weight', name: 'Weight' },
  { value: 'price', name: 'Price' },
  { value: 'pitch', name: 'Pixel pitch' },
  { value: 'pupil', name: 'Entrance pupil' },
];
/** Every kind of part, with the list of the kit it is kept in. */
const NEW_PARTS = PART_KINDS.map((kind) => [KINDS[kind].shelf === 'optic' ? 'optics' : 'adapters', kind] as const);
/** More than this cannot be laid side by side on a phone. */
const MOST_COMPARED = 4;

function valueText(item: KitItem, sort: KitSort): string {
  const parts = [
    item.pitchUm === undefined || sort !== 'pitch' ? '' : `${formatFigures(item.pitchUm)}\u202fµm`,
    item.entrancePupilMm === undefined || sort !== 'pupil'
      ? ''
      : `pupil ${formatFigures(item.entrancePupilMm)}\u202fmm`,
    item.weightG === undefined ? '' : `${formatFixed(item.weightG)}\u202fg`,
    item.price === undefined || sort !== 'price' ? '' : formatFixed(item.price),
  ];
  return parts.filter((part) => part !== '').join(' · ');
}

interface Props {
  /** The part whose card is open beside the list. */
  openId?: string | undefined;
  /** Opens a card beside the list; without it a card is a page of its own. */
  onOpen?: (item: KitItem) => void;
}

/** Everything one can mount: sought, filtered, sorted; ticked to be compared; a tap opens the part's card. */
export default function KitList({ openId, onOpen }: Props) {
  const styles = useStyles();
  const palette = usePalette();
  const go = useGo();
  const { kit, loading, failed, retry } = useKit();
  const { sought, filter, sort, ticked, set } = useKitList();
  const items = useMemo(() => kitItems(kit), [kit]);
  const shown = useMemo(() => selectItems(items, sought, filter, sort), [items, sought, filter, sort]);
  const comparing = items.filter((item) => ticked.includes(item.id));
  const kindOf = comparing[0]?.resource;
  const toggle = (item: KitItem) =>
    set({ ticked: ticked.includes(item.id) ? ticked.filter((id) => id !== item.id) : [...ticked, item.id] });
  const empty = loading
    ? 'Opening the kit …'
    : failed
      ? 'The server cannot be reached, so the kit stays closed. Start it again, then try again.'
      : items.length
        ? 'Nothing of the kit matches. Seek less, or show all.'
        : 'The kit is empty. Add a body or a lens above, or bring them in from a photo’s data.';
  return (
    <Page
      title="Kit"
      up="/far"
      keys={
        <>
          <Key title="Take it along" icon="phone-iphone" iconOnly onPress={() => go('/kit/along')} />
          <Key title="In and out" icon="import-export" onPress={() => go('/kit/bring')} />
        </>
      }
    >
      <FlatList
        data={shown}
        keyExtractor={(item) => item.id}
        contentContainerStyle={styles.list}
        initialNumToRender={24}
        ListHeaderComponent={
          <View style={styles.header}>
            <TextField label="Seek in the kit" value={sought} onChange={(text) => set({ sought: text })} />
            <Choice
              label="Show"
              options={FILTERS}
              value={filter}
              onChange={(value) => set({ filter: value })}
              hideLabel
            />
            <Group title="Sort" brief={SORTS.find((each) => each.value === sort)?.name ?? ''}>
              <Choice
                label="Sort by"
                options={SORTS}
                value={sort}
                onChange={(value) => set({ sort: value })}
                hideLabel
              />
            </Group>
            <Group title="Add a part" brief="bodies, optics, adapters">
              <View style={styles.adds}>
                <Key title="Body" icon="add" onPress={() => go('/kit/bodies/new')} />
                <Key title="From a photo" icon="photo-camera" onPress={() => go('/kit/bring')} />
                {NEW_PARTS.map(([resource, kind]) => (
                  <Key
                    key={kind}
                    title={PART_WORDS[kind].name}
                    icon="add"
                    onPress={() => go(`/kit/${resource}/new?kind=${kind}`)}
                  />
                ))}
              </View>
            </Group>
          </View>
        }
        ListEmptyComponent={
          <View style={styles.empty} role="status">
            <Txt tone="soft">{empty}</Txt>
            {failed ? <Key title="Try again" onPress={retry} /> : null}
          </View>
        }
        renderItem={({ item }) => (
          <View style={styles.line}>
            <Pressable
              role="link"
              aria-label={`Open ${item.name}`}
              aria-current={item.id === openId ? 'page' : undefined}
              onPress={() => (onOpen ? onOpen(item) : go(`/kit/${item.resource}/${item.id}`))}
              style={[styles.press, item.id === openId ? styles.opened : null]}
            >
              <View style={styles.titleLine}>
                <Txt kind="strong" style={styles.name}>
                  {item.name}
                </Txt>
                <Txt kind="small">{valueText(item, sort)}</Txt>
              </View>
              <Txt kind="small" tone="soft">
                {item.kindName} · {item.brief}
              </Txt>
              {item.usedBy.length ? (
                <Txt kind="fine" tone="soft" numberOfLines={1}>
                  in {item.usedBy.map((name) => `“${name}”`).join(', ')}
                </Txt>
              ) : null}
            </Pressable>
            {item.resource === 'adapters' ? (
              <View style={styles.tick} />
            ) : (
              <View style={styles.tick}>
                <CheckBox
                  checked={ticked.includes(item.id)}
                  disabled={
                    kindOf !== undefined &&
                    (kindOf !== item.resource || (comparing.length >= MOST_COMPARED && !ticked.includes(item.id)))
                  }
                  onPress={() => toggle(item)}
                  role="checkbox"
                  aria-checked={ticked.includes(item.id)}
                  aria-label={`Compare ${item.name}`}
                  containerStyle={styles.box}
                  {...(kindOf !== undefined && kindOf !== item.resource ? { uncheckedColor: palette.hairline } : {})}
                />
              </View>
            )}
          </View>
        )}
      />
      {comparing.length ? (
        <View style={styles.bar}>
          <Txt kind="small" style={styles.name}>
            {comparing.length === 1 ? `${comparing[0]?.name}: tick another of its kind` : `${comparing.length} ticked`}
          </Txt>
          <Key
            title="Compare"
            weight="strong"
            disabled={comparing.length < 2}
            onPress={() => go(`/kit/compare?what=${kindOf}&ids=${comparing.map((item) => item.id).join(',')}`)}
          />
          <Key title="None" weight="plain" onPress={() => set({ ticked: [] })} />
        </View>
      ) : null}
    </Page>
  );
}

const useStyles = stylesOf((palette) => ({
  list: { padding: space.page, paddingTop: space.small, width: '100%', maxWidth: 860, marginHorizontal: 'auto' },
  header: { gap: space.small, paddingBottom: space.small },
  adds: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  empty: { paddingVertical: space.wide, gap: space.page },
  line: { flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, borderColor: palette.hairline },
  press: { flex: 1, minHeight: TARGET + 8, paddingVertical: space.small, justifyContent: 'center' },
  opened: { borderLeftWidth: 4, borderColor: palette.press, paddingLeft: space.medium },
  titleLine: { flexDirection: 'row', alignItems: 'baseline', gap: space.medium },
  name: { flex: 1 },
  tick: { width: TARGET + 8, minHeight: TARGET, alignItems: 'flex-end', justifyContent: 'center' },
  box: { padding: 0, margin: 0, marginLeft: 0, marginRight: 0 },
  bar: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    paddingHorizontal: space.page,
    paddingVertical: space.medium,
    borderTopWidth: 1,
    borderColor: palette.hairline,
    backgroundColor: palette.paper,
  },
}));
