import { memo, type ReactNode } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import { Txt } from './Txt';
import { Filled, Slot } from './slots';
import { useFieldModes } from './fieldModes';
import { DESK_PICTURE, DESK_READING } from './take/drawing';
import { WIDE_FROM, space } from './theme/measures';
import { stylesOf } from './theme/theme';
import { useMagnified } from './useMagnified';
import { GRID_COLUMN } from './web';

interface Props {
  /** The drawing of what the frame shows. */
  picture: ReactNode;
  /** The number, its scale and its verdict. */
  reading: ReactNode;
  /** What to mind, in words. */
  cautions: ReactNode;
  /** The key that keeps the reading. */
  keep?: ReactNode;
  levers: ReactNode;
  /** What belongs to the reading and takes room: below it on a wide screen, below the levers on a phone. */
  more?: ReactNode;
  groups: ReactNode;
  /** The controls of what is in hand: as a column of a wide screen, and under the thumb on a phone. */
  column: ReactNode;
  dock: ReactNode;
  /** A sheet that lies over the desk. */
  sheet?: ReactNode;
}

/** Of the height of a phone that the levers take where they lie under the thumb. */
const LEVERS_SHARE = 0.24;

/** A desk: one scroll above its controls on a phone; in hand, reading and levers side by side on a wide screen. */
export function DeskFrame({ sheet, ...slots }: Props) {
  return (
    <>
      <Filled slots={{ ...slots }}>
        <Layout />
      </Filled>
      {sheet}
    </>
  );
}

/** The scrolls and boxes of a desk; they stand still while what lies in them changes. */
const Layout = memo(function Layout() {
  const styles = useStyles();
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const { oneHand } = useFieldModes();
  // Magnified, the controls would leave the reading no room: they come below it then, in the same scroll.
  const magnified = useMagnified();
  const dock = magnified ? (
    <View style={styles.edgeToEdge}>
      <Slot name="dock" />
    </View>
  ) : (
    <Slot name="dock" />
  );
  const drawn = (
    <View nativeID={DESK_PICTURE}>
      <Slot name="picture" />
    </View>
  );
  const read = (
    <View nativeID={DESK_READING}>
      <Slot name="reading" />
    </View>
  );
  const levers = <Slot name="levers" />;
  if (wide) {
    return (
      <View style={styles.columns}>
        <ScrollView style={styles.hand} contentContainerStyle={styles.columnContent}>
          <Txt kind="title" level={2}>
            In hand
          </Txt>
          <Slot name="column" />
          <Slot name="cautions" />
          <Slot name="keep" />
          <Slot name="groups" />
        </ScrollView>
        <ScrollView style={styles.middle} contentContainerStyle={styles.columnContent}>
          {drawn}
          {read}
          <Slot name="more" />
        </ScrollView>
        <ScrollView style={styles.right} contentContainerStyle={styles.columnContent}>
          {levers}
        </ScrollView>
      </View>
    );
  }
  return (
    <View style={styles.phone}>
      <ScrollView style={styles.scroll} contentContainerStyle={styles.phoneContent}>
        {drawn}
        {read}
        {magnified ? dock : null}
        <Slot name="cautions" />
        <Slot name="keep" />
        {oneHand ? null : levers}
        <Slot name="more" />
        <Slot name="groups" />
      </ScrollView>
      {oneHand ? (
        <ScrollView style={[styles.near, { height: height * LEVERS_SHARE }]} contentContainerStyle={styles.nearContent}>
          {levers}
        </ScrollView>
      ) : null}
      {magnified ? null : dock}
    </View>
  );
});

/** A desk that cannot be read yet: what to do next, in the middle; it scrolls where a window is lower than its words. */
export function DeskMessage({ text, children }: { text: string; children?: ReactNode }) {
  const styles = useStyles();
  return (
    <ScrollView style={styles.scroll} contentContainerStyle={styles.centre}>
      <View style={styles.message} role="status">
        <Txt style={styles.centreText}>{text}</Txt>
        {children}
      </View>
    </ScrollView>
  );
}

const useStyles = stylesOf((palette) => ({
  columns: { flex: 1, flexDirection: 'row' },
  hand: { width: 320, flexGrow: 0, borderRightWidth: 1, borderColor: palette.hairline },
  middle: { flex: 1 },
  right: { width: 348, flexGrow: 0, borderLeftWidth: 1, borderColor: palette.hairline },
  columnContent: { ...GRID_COLUMN, padding: space.page, gap: space.page },
  phone: { flex: 1 },
  scroll: { flex: 1 },
  edgeToEdge: { marginHorizontal: -space.page },
  near: { flexGrow: 0, borderTopWidth: 1, borderColor: palette.ink },
  nearContent: { ...GRID_COLUMN, paddingHorizontal: space.page, paddingVertical: space.small },
  phoneContent: { ...GRID_COLUMN, padding: space.page, paddingTop: space.medium, gap: space.large },
  centre: { flexGrow: 1, alignItems: 'center', justifyContent: 'center', padding: space.wide },
  message: { alignItems: 'center', gap: space.page },
  centreText: { textAlign: 'center', maxWidth: 420 },
}));
