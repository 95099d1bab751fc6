import { Children, type ReactNode } from 'react';
import { View } from 'react-native';
import { space } from '../theme/measures';
import { stylesOf } from '../theme/theme';

/** Fields side by side: two on a phone, as many as fit on a wide screen, all in one row equally wide. */
export function FieldRow({ children }: { children: ReactNode }) {
  const styles = useStyles();
  return (
    <View style={styles.row}>
      {Children.map(children, (child) => (child ? <View style={styles.cell}>{child}</View> : null))}
    </View>
  );
}

const useStyles = stylesOf(() => ({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.page, alignItems: 'flex-end' },
  cell: { flexGrow: 1, flexBasis: 140, minWidth: 130 },
}));
