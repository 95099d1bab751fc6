import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { Link } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import { Txt } from '@/ui/Txt';
import { NAV_HEIGHT, RAIL_WIDTH, TARGET } from '@/ui/theme/measures';
import { stylesOf, usePalette } from '@/ui/theme/theme';

const PLACES = [
  { href: '/far', name: 'Far', icon: 'filter-hdr' },
  { href: '/near', name: 'Near', icon: 'local-florist' },
  { href: '/sky', name: 'Sky', icon: 'nights-stay' },
  { href: '/bench', name: 'Bench', icon: 'straighten' },
  { href: '/book', name: 'Book', icon: 'menu-book' },
] as const;

/** The places of the application: at the bottom on a phone, a rail at the left on a wide screen. */
export function Places({ path, rail }: { path: string; rail: boolean }) {
  const styles = useStyles();
  const palette = usePalette();
  return (
    <View role="navigation" aria-label="Places" style={rail ? styles.rail : styles.bar}>
      {PLACES.map((place) => {
        const here = path.startsWith(place.href);
        const colour = here ? palette.ink : palette.press;
        return (
          <Link key={place.href} href={place.href} asChild>
            <Pressable
              aria-current={here ? 'page' : undefined}
              style={StyleSheet.flatten([
                rail ? styles.railPlace : styles.place,
                here && (rail ? styles.railHere : styles.here),
              ])}
            >
              <MaterialIcons name={place.icon} size={22} color={colour} />
              <Txt kind="label" tone={here ? 'ink' : 'press'}>
                {place.name}
              </Txt>
            </Pressable>
          </Link>
        );
      })}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  bar: {
    flexDirection: 'row',
    height: NAV_HEIGHT,
    borderTopWidth: 1,
    borderColor: palette.hairline,
    backgroundColor: palette.paper,
  },
  place: {
    flex: 1,
    alignItems: 'center',
    justifyContent: 'center',
    minHeight: TARGET,
    borderTopWidth: 3,
    borderColor: 'transparent',
  },
  here: { borderColor: palette.ink },
  rail: {
    width: RAIL_WIDTH,
    borderRightWidth: 1,
    borderColor: palette.hairline,
    backgroundColor: palette.paper,
    paddingTop: TARGET,
  },
  railPlace: {
    alignItems: 'center',
    justifyContent: 'center',
    height: 68,
    borderLeftWidth: 3,
    borderColor: 'transparent',
  },
  railHere: { borderColor: palette.ink },
}));
