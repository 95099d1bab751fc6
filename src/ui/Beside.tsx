import { createContext, useContext, type ReactNode } from 'react';
import { View, useWindowDimensions } from 'react-native';
import { RAIL_WIDTH, WIDE_FROM } from './theme/measures';
import { stylesOf } from './theme/theme';

interface Part {
  /** Level of the heading of a page that stands in it: a screen has one of the first level. */
  level: 1 | 2;
  /** Whether the page stands beside another one. */
  beside: boolean;
}

const ALONE: Part = { level: 1, beside: false };
const PartOfScreen = createContext<Part>(ALONE);

/** What a page is on this screen: the whole of it, or one of two beside each other. */
export const usePartOfScreen = (): Part => useContext(PartOfScreen);

const LIST_WIDTH = 420;

/** Width that is left for a page, px, beside the rail and, where there is one, a list. */
export function usePageWidth(): number {
  const { width } = useWindowDimensions();
  const { beside } = usePartOfScreen();
  return width - (width >= WIDE_FROM ? RAIL_WIDTH : 0) - (beside ? LIST_WIDTH : 0);
}

interface Props {
  list: ReactNode;
  /** What is open of the list. */
  open: ReactNode;
  /** Which of the two the address names: it heads the screen, and stands alone where there is no room for both. */
  main: 'list' | 'open';
}

/** A list and what is open of it, beside each other on a wide screen; on a phone the one the address names. */
export function Beside({ list, open, main }: Props) {
  const styles = useStyles();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  if (!wide) return main === 'list' ? list : open;
  return (
    <View style={styles.row}>
      <View style={styles.list}>
        <PartOfScreen.Provider value={{ level: main === 'list' ? 1 : 2, beside: true }}>{list}</PartOfScreen.Provider>
      </View>
      <View style={styles.open}>
        <PartOfScreen.Provider value={{ level: main === 'open' ? 1 : 2, beside: true }}>{open}</PartOfScreen.Provider>
      </View>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  row: { flex: 1, flexDirection: 'row' },
  list: { width: LIST_WIDTH, borderRightWidth: 1, borderColor: palette.hairline },
  open: { flex: 1 },
}));
