import { useRouter, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { usePartOfScreen } from './Beside';
import { Txt } from './Txt';
import { Key } from './controls/Key';
import { TARGET, space } from './theme/measures';
import { stylesOf } from './theme/theme';

interface Props {
  title: string;
  /** Where "Back" leads when there is nothing to go back to. */
  up: string;
  /** Keys at the right of the title. */
  keys?: ReactNode;
  children: ReactNode;
}

/** A page below a place: back, title, keys, and what it is about. */
export function Page({ title, up, keys, children }: Props) {
  const styles = useStyles();
  const router = useRouter();
  const { level, beside } = usePartOfScreen();
  return (
    <View style={styles.page}>
      <View style={[styles.head, beside ? styles.headBeside : null]}>
        {/* What it leads back to stands beside it. */}
        {beside ? null : (
          <Key
            title="Back"
            icon="arrow-back"
            iconOnly
            weight="plain"
            onPress={() => (router.canGoBack() ? router.back() : router.replace(up as Href))}
          />
        )}
        <Txt kind="title" level={level} style={styles.title} numberOfLines={1}>
          {title}
        </Txt>
        {keys}
      </View>
      {children}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  page: { flex: 1 },
  head: {
    minHeight: TARGET + 2 * space.small,
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.small,
    paddingHorizontal: space.small,
    paddingVertical: space.small,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  headBeside: { paddingLeft: space.page },
  title: { flex: 1 },
}));
