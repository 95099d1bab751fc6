import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Txt } from '../Txt';
import { space } from '../theme/measures';
import { stylesOf } from '../theme/theme';

interface Props {
  ruler: ReactNode;
  field: ReactNode;
  /** Keys beside the field. */
  keys?: ReactNode;
  /** With a label, as on a wide screen, the field stands beside it and the rule below both. */
  label?: string | undefined;
}

/** One thing that is set by pulling a rule or by typing beside it. */
export function ControlLine({ ruler, field, keys, label }: Props) {
  const styles = useStyles();
  if (label !== undefined) {
    return (
      <View style={styles.stack}>
        <View style={styles.labelLine}>
          <Txt kind="label" tone="soft" style={styles.ruler}>
            {label}
          </Txt>
          {keys}
          <View style={styles.field}>{field}</View>
        </View>
        {ruler}
      </View>
    );
  }
  return (
    <View style={styles.line}>
      <View style={styles.ruler}>{ruler}</View>
      <View style={styles.field}>{field}</View>
      {keys}
    </View>
  );
}

const useStyles = stylesOf(() => ({
  stack: { gap: space.small },
  labelLine: { flexDirection: 'row', alignItems: 'center', gap: space.medium },
  line: { flexDirection: 'row', alignItems: 'flex-start', gap: space.medium },
  ruler: { flex: 1, minWidth: 0 },
  field: { width: 112 },
}));
