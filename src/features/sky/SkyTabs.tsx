import { Link, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Txt } from '@/ui/Txt';
import { useFieldModes } from '@/ui/fieldModes';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

const TABS = [
  { href: '/sky', name: 'Stars' },
  { href: '/sky/planets', name: 'Planets' },
  { href: '/sky/deep', name: 'Deep sky' },
  { href: '/sky/night', name: 'Night' },
] as const;

export type SkyTab = (typeof TABS)[number]['href'];

/** A desk of the sky with the way to the other three: above it, or with one hand below, where the thumb is. */
export function UnderSkyTabs({ here, children }: { here: SkyTab; children: ReactNode }) {
  const { oneHand } = useFieldModes();
  return (
    <View style={{ flex: 1 }}>
      {oneHand ? null : <SkyTabs here={here} />}
      {children}
      {oneHand ? <SkyTabs here={here} /> : null}
    </View>
  );
}

/** The four desks of the sky. */
function SkyTabs({ here }: { here: SkyTab }) {
  const { oneHand } = useFieldModes();
  const styles = useStyles();
  return (
    <View
      role="navigation"
      aria-label="Desks of the sky"
      style={[styles.bar, oneHand ? styles.atBottom : styles.atTop]}
    >
      {TABS.map((tab) => (
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
