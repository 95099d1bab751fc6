import { Link, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Txt } from './Txt';
import { useFieldModes } from './fieldModes';
import { TARGET, space } from './theme/measures';
import { stylesOf } from './theme/theme';

interface Props {
  /** What the tabs are, for screen readers. */
  label: string;
  tabs: readonly { href: string; name: string }[];
  here: string;
  children: ReactNode;
}

/** A page of a place with the way to its others: above it, or with one hand below, where the thumb is. */
export function UnderTabs({ children, ...tabs }: Props) {
  const { oneHand } = useFieldModes();
  return (
    <View style={{ flex: 1 }}>
      {oneHand ? null : <Tabs {...tabs} />}
      {children}
      {oneHand ? <Tabs {...tabs} /> : null}
    </View>
  );
}

function Tabs({ label, tabs, here }: Omit<Props, 'children'>) {
  const { oneHand } = useFieldModes();
  const styles = useStyles();
  return (
    <View role="navigation" aria-label={label} style={[styles.bar, oneHand ? styles.atBottom : styles.atTop]}>
      {tabs.map((tab) => (
        <Link key={tab.href} href={tab.href as Href} asChild>
          <Pressable
            aria-current={tab.href === here ? 'page' : undefined}
            style={StyleSheet.flatten([styles.tab, tab.href === here && styles.here])}
          >
            <Txt kind="strong" tone={tab.href === here ? 'ink' : 'press'}>
              {tab.name}
            </Txt>
          </Pressable>
        </Link>
      ))}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  bar: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    paddingHorizontal: space.medium,
    borderColor: palette.hairline,
  },
  atTop: { borderBottomWidth: 1 },
  atBottom: { borderTopWidth: 1 },
  tab: {
    minHeight: TARGET,
    paddingHorizontal: space.medium,
    justifyContent: 'center',
    borderBottomWidth: 3,
    borderColor: 'transparent',
  },
  here: { borderColor: palette.ink },
}));
