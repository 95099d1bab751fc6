import type { ReactNode } from 'react';
import { View } from 'react-native';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

/** Keys under the thumb on a phone. */
export function SkyDock({ children }: { children: ReactNode }) {
  const styles = useStyles();
  return <View style={styles.dock}>{children}</View>;
}

const useStyles = stylesOf((palette) => ({
  dock: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: space.medium,
    paddingHorizontal: space.page,
    paddingVertical: space.medium,
    borderTopWidth: 1,
    borderColor: palette.hairline,
  },
}));
