import { Link, type Href } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import { Txt } from '@/ui/Txt';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

const TABS = [
  { href: '/sky', name: 'Stars' },
  { href: '/sky/planets', name: 'Planets' },
  { href: '/sky/deep', name: 'Deep sky' },
  { href: '/sky/night', name: 'Night' },
] as const;

export type SkyTab = (typeof TABS)[number]['href'];

/** The four desks of the sky. */
export function SkyTabs({ here }: { here: SkyTab }) {
  const styles = useStyles();
  return (
    <View role="navigation" aria-label="Desks of the sky" style={styles.bar}>
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
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  tab: {
    minHeight: TARGET,
    paddingHorizontal: space.medium,
    justifyContent: 'center',
    borderBottomWidth: 3,
    borderColor: 'transparent',
  },
  here: { borderColor: palette.ink },
}));
