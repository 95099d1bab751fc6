import { Link, type Href } from 'expo-router';
import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import { Txt } from './Txt';
import { TARGET, space } from './theme/measures';
import { stylesOf, usePalette } from './theme/theme';

interface Props {
  label: string;
  pages: readonly { href: string; name: string; gloss: string }[];
}

/** Links to the pages of a desk that take more room than a group. */
export const PageLinks = memo(function PageLinks({ label, pages }: Props) {
  const styles = useStyles();
  const palette = usePalette();
  return (
    <View role="navigation" aria-label={label}>
      {pages.map((page) => (
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
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    minHeight: TARGET + 8,
    paddingVertical: space.small,
    borderTopWidth: 1,
    borderColor: palette.hairline,
  },
  words: { flex: 1 },
}));
