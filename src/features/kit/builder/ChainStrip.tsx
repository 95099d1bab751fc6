import {
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  closestCenter,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  SortableContext,
  horizontalListSortingStrategy,
  sortableKeyboardCoordinates,
  useSortable,
} from '@dnd-kit/sortable';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Txt } from '@/ui/Txt';
import { RADIUS, TARGET, space } from '@/ui/theme/measures';
import { refOf, webStyle } from '@/ui/web';
import { stylesOf } from '@/ui/theme/theme';
import { kitKindOf } from '../kinds';
import type { ChainItem } from './chainEdit';
import { PartGlyph } from './PartGlyph';

const STRIP_ID = 'chain';
const TRAY = 'tray:';
const END_WIDTH = 44;
const GLYPH_HEIGHT = 64;
/** A finger must rest this long before a part comes along; a swipe scrolls the page. */
const TOUCH_DELAY_MS = 180;

/** What the drag and drop package wants on an element; React Native's types do not know it, its web build passes it on. */
type DomProps = Record<string, unknown>;

interface Props {
  items: ChainItem[];
  bodyName: string;
  selected: string | null;
  onSelect: (key: string) => void;
  onMove: (from: number, to: number) => void;
  onRemove: (index: number) => void;
  /** A part was dragged from the tray onto a place of the chain. */
  onInsert: (trayId: string, index: number) => void;
  /** The tray, whose parts can be dragged in. */
  children: ReactNode;
}

const tileLabel = ({ part }: ChainItem): string => (part ? kitKindOf(part).tile(part) : 'gone');
const nameOf = (item: ChainItem | undefined): string => item?.part?.name ?? 'part that is gone';

/**
 * The chain as a drawing, from the subject to the sensor. Parts are moved by dragging, or with the keyboard: Space lifts,
 * the arrows move, Space puts down, Delete takes out.
 */
export function ChainStrip({ items, bodyName, selected, onSelect, onMove, onRemove, onInsert, children }: Props) {
  const styles = useStyles();
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: TOUCH_DELAY_MS, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const indexOf = (key: unknown) => items.findIndex((item) => item.key === key);
  const placeText = (key: unknown) => `place ${indexOf(key) + 1} of ${items.length}`;
  const ended = ({ active, over }: DragEndEvent) => {
    if (!over) return;
    const to = over.id === STRIP_ID ? items.length : indexOf(over.id);
    const id = String(active.id);
    if (id.startsWith(TRAY)) return onInsert(id.slice(TRAY.length), Math.max(0, to));
    const from = indexOf(active.id);
    if (over.id !== STRIP_ID && from !== to) onMove(from, to);
  };
  const said = (id: unknown) => nameOf(items[indexOf(id)]);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={ended}
      accessibility={{
        screenReaderInstructions: {
          draggable:
            'Press Space to lift this part, the left and right arrows to move it, Space to put it down, Escape to leave it where it was. Delete takes it out.',
        },
        announcements: {
          onDragStart: ({ active }) => `Lifted ${said(active.id)}, ${placeText(active.id)}.`,
          onDragOver: ({ active, over }) =>
            over ? `${said(active.id)} is over ${placeText(over.id)}.` : `${said(active.id)} is outside the chain.`,
          onDragEnd: ({ active, over }) =>
            over ? `Put down ${said(active.id)}, ${placeText(over.id)}.` : `${said(active.id)} stays where it was.`,
          onDragCancel: ({ active }) => `${said(active.id)} stays where it was.`,
        },
      }}
    >
      <SortableContext items={items.map((item) => item.key)} strategy={horizontalListSortingStrategy}>
        <Drop style={styles.strip}>
          <View style={styles.end} aria-hidden>
            <PartGlyph kind="subject" width={END_WIDTH} height={GLYPH_HEIGHT - 8} />
          </View>
          <View
            style={styles.middle}
            role={items.length ? 'list' : 'group'}
            aria-label="Optics chain, from the subject to the sensor"
          >
            {items.map((item, i) => (
              <Tile
                key={item.key}
                item={item}
                place={`${i + 1} of ${items.length}`}
                selected={item.key === selected}
                onSelect={() => onSelect(item.key)}
                onRemove={() => onRemove(i)}
              />
            ))}
            {items.length === 0 ? (
              <Txt kind="small" tone="soft" style={styles.hint}>
                Drag a part here, or tap one below
              </Txt>
            ) : null}
          </View>
          <View style={styles.end} role="img" aria-label={`Body: ${bodyName}`}>
            <PartGlyph kind="body" width={END_WIDTH} height={GLYPH_HEIGHT - 8} />
          </View>
        </Drop>
      </SortableContext>
      {children}
    </DndContext>
  );
}

function Drop({ style, children }: { style: object; children: ReactNode }) {
  const { setNodeRef } = useDroppable({ id: STRIP_ID });
  return (
    <View ref={refOf(setNodeRef)} style={style}>
      {children}
    </View>
  );
}

function Tile({
  item,
  place,
  selected,
  onSelect,
  onRemove,
}: {
  item: ChainItem;
  place: string;
  selected: boolean;
  onSelect: () => void;
  onRemove: () => void;
}) {
  const styles = useStyles();
  const { setNodeRef, attributes, listeners, transform, isDragging } = useSortable({ id: item.key });
  const kind = item.part?.kind ?? 'mountAdapter';
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Delete' || event.key === 'Backspace') return onRemove();
    (listeners?.onKeyDown as ((event: KeyboardEvent) => void) | undefined)?.(event);
  };
  const dom: DomProps = {
    ...attributes,
    ...listeners,
    onKeyDown,
    onClick: onSelect,
    'aria-label': `${nameOf(item)}, ${place}`,
    'aria-pressed': undefined,
  };
  return (
    <View role="listitem" style={styles.place}>
      <View
        ref={refOf(setNodeRef)}
        {...dom}
        style={[
          styles.tile,
          selected && styles.selected,
          isDragging && styles.lifted,
          transform ? { transform: [{ translateX: transform.x }, { translateY: transform.y }] } : null,
        ]}
        testID={`tile-${item.part?.kind ?? 'gone'}`}
      >
        <PartGlyph kind={kind} width={48} height={GLYPH_HEIGHT - 8} />
        <Txt kind="fine" numberOfLines={1} style={styles.label}>
          {tileLabel(item)}
        </Txt>
      </View>
    </View>
  );
}

interface TrayPartProps {
  id: string;
  name: string;
  brief: string;
  onAdd: () => void;
}

/** A part of the kit beside the chain: a tap adds it where it belongs, a drag puts it where one wants it. */
export function TrayPart({ id, name, brief, onAdd }: TrayPartProps) {
  const styles = useStyles();
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: `${TRAY}${id}` });
  // The keyboard adds with a press and moves in the chain; lifting from here would take its keys away.
  const { onKeyDown: _onKeyDown, ...pointer } = (listeners ?? {}) as DomProps;
  return (
    <View
      ref={refOf(setNodeRef)}
      {...pointer}
      style={[
        styles.trayPart,
        isDragging && styles.lifted,
        transform ? { transform: [{ translateX: transform.x }, { translateY: transform.y }] } : null,
      ]}
    >
      <Pressable role="button" aria-label={`Add ${name}`} onPress={onAdd} style={styles.trayPress}>
        <Txt kind="small" tone="press">
          + {name}
        </Txt>
        <Txt kind="fine" tone="soft" numberOfLines={1}>
          {brief}
        </Txt>
      </Pressable>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  strip: {
    flexDirection: 'row',
    alignItems: 'flex-start',
    borderTopWidth: 1,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
    backgroundColor: palette.raised,
    paddingVertical: space.medium,
    minHeight: 104,
  },
  end: { width: END_WIDTH, alignItems: 'center', paddingTop: space.small + 1 },
  middle: { flex: 1, flexDirection: 'row', justifyContent: 'center', minWidth: 0 },
  hint: { alignSelf: 'center', textAlign: 'center' },
  place: { flexShrink: 1, flexGrow: 0, flexBasis: 84, minWidth: 0 },
  tile: {
    alignItems: 'center',
    minHeight: TARGET,
    paddingVertical: space.small,
    borderRadius: RADIUS,
    borderWidth: 1,
    borderColor: 'transparent',
    ...webStyle({ cursor: 'grab', touchAction: 'manipulation' }),
    userSelect: 'none',
  },
  selected: { borderColor: palette.press },
  lifted: { zIndex: 10, opacity: 0.85, backgroundColor: palette.raised, borderColor: palette.ink },
  label: { maxWidth: '100%', paddingHorizontal: 2 },
  trayPart: {
    borderWidth: 1,
    borderColor: palette.press,
    borderRadius: RADIUS,
    backgroundColor: palette.paper,
    maxWidth: '100%',
    ...webStyle({ cursor: 'grab', touchAction: 'manipulation' }),
    userSelect: 'none',
  },
  trayPress: {
    minHeight: TARGET,
    paddingHorizontal: space.large,
    paddingVertical: space.small,
    justifyContent: 'center',
  },
}));
