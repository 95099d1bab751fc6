import { Link, type Href } from 'expo-router';
import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import { Txt } from '@/ui/Txt';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf, usePalette } from '@/ui/theme/theme';

const PAGES = [
  { href: '/far/beside', name: 'Side by side', gloss: 'set-ups from the same spot, at the same framing, as the same picture' },
  { href: '/far/detail', name: 'Detail, seen', gloss: 'a piece of plumage as each set-up would render it' },
  { href: '/far/plan', name: 'Planner curve', gloss: 'pixels against distance, and from where it is enough' },
  { href: '/far/routes', name: 'Another way to it', gloss: 'every route of the kit to these pixels, and what each gives up' },
  { href: '/far/test', name: 'Fair test', gloss: 'what to hold equal when two set-ups are tested' },
] as const;

/** The pages of the Far desk that take more room than a group. */
export const FarPages = memo(function FarPages() {
  const styles = useStyles();
  const palette = usePalette();
  return (
    <View role="navigation" aria-label="More about far subjects">
      {PAGES.map((page) => (
        <Link key={page.href} href={page.href as Href} asChild>
          <Pressable style={styles.line}>
            <View style={styles.words}>
              <Txt kind="strong" tone="press">
                {page.name}
              </Txt>
              <Txt kind="small" tone="soft">
                {page.gloss}
              </Txt>
            </View>
            <MaterialIcons name="chevron-right" size={22} color={palette.press} />
          </Pressable>
        </Link>
      ))}
    </View>
  );
});

const useStyles = stylesOf((palette) => ({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.medium, minHeight: TARGET + 8, paddingVertical: space.small, borderTopWidth: 1, borderColor: palette.hairline },
  words: { flex: 1 },
}));
