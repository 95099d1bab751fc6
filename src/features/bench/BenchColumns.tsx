import type { ReactNode } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

/** A picture and what it tells: below each other on a phone, beside each other on a wide screen. */
export function BenchColumns({ shown, side }: { shown: ReactNode; side: ReactNode }) {
  const styles = useStyles();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  if (!wide)
    return (
      <ScrollView contentContainerStyle={styles.page}>
        {shown}
        {side}
      </ScrollView>
    );
  return (
    <View style={styles.columns}>
      <ScrollView style={styles.left} contentContainerStyle={styles.page}>
        {shown}
      </ScrollView>
      <ScrollView style={styles.right} contentContainerStyle={styles.page}>
        {side}
      </ScrollView>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  page: { padding: space.page, gap: space.large },
  columns: { flex: 1, flexDirection: 'row' },
  left: { flexGrow: 3, flexBasis: 0, borderRightWidth: 1, borderColor: palette.hairline },
  right: { flexGrow: 2, flexBasis: 0 },
}));
