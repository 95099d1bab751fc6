import { memo, useDeferredValue, useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Txt } from '../Txt';
import { TARGET, space } from '../theme/measures';
import { stylesOf } from '../theme/theme';

/** A control of a dock: its tab, and what it is. */
export interface DockedControl {
  name: string;
  /** What is set now, shown on the tab. */
  value?: string;
  control: ReactNode;
}

interface TabsProps {
  names: string;
  values: string;
  shown: number;
  onShow: (at: number) => void;
}

/** The tabs are drawn again only when a word of theirs changes, a moment after the reading. */
const Tabs = memo(function Tabs({ names, values, shown, onShow }: TabsProps) {
  const styles = useStyles();
  const shownValues = values.split('|');
  return (
    <View style={styles.tabs} role="tablist" aria-label="What the rule sets">
      {names.split('|').map((name, i) => (
        <Pressable
          key={name}
          role="tab"
          aria-selected={shown === i}
          aria-label={name}
          onPress={() => onShow(i)}
          style={[styles.tab, shown === i && styles.tabOn]}
        >
          <Txt kind="label" tone={shown === i ? 'ink' : 'press'}>
            {name} {shownValues[i]}
          </Txt>
        </Pressable>
      ))}
    </View>
  );
});

/** One control at a time, docked above the places where the thumb is. */
export function ControlDock({ controls }: { controls: readonly DockedControl[] }) {
  const styles = useStyles();
  const [shown, setShown] = useState(0);
  return (
    <View style={styles.dock}>
      <Tabs
        names={controls.map((each) => each.name).join('|')}
        values={useDeferredValue(controls.map((each) => each.value ?? '').join('|'))}
        shown={shown}
        onShow={setShown}
      />
      {controls[shown]?.control}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  dock: {
    paddingHorizontal: space.page,
    paddingBottom: space.small,
    borderTopWidth: 1,
    borderColor: palette.ink,
    backgroundColor: palette.paper,
  },
  tabs: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.page },
  tab: { minHeight: TARGET - 8, minWidth: TARGET, justifyContent: 'center' },
  tabOn: { borderTopWidth: 3, borderColor: palette.ink },
}));
