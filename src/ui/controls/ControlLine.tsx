import { memo, type ReactNode } from 'react';
import { View } from 'react-native';
import { Txt } from '../Txt';
import { Filled, Slot } from '../slots';
import { space } from '../theme/measures';
import { stylesOf } from '../theme/theme';
import { useMagnified } from '../useMagnified';

interface Props {
  ruler: ReactNode;
  field: ReactNode;
  /** Keys beside the field. */
  keys?: ReactNode;
  /** With a label, as on a wide screen, the field stands beside it and the rule below both; magnified, too. */
  label?: string | undefined;
}

/** One thing that is set by pulling a rule or by typing beside it. */
export function ControlLine({ label, ...slots }: Props) {
  return (
    <Filled slots={{ ...slots }}>
      <Line label={label} />
    </Filled>
  );
}

const Line = memo(function Line({ label }: { label: string | undefined }) {
  const styles = useStyles();
  const magnified = useMagnified();
  if (label !== undefined || magnified) {
    return (
      <View style={styles.stack}>
        <View style={styles.labelLine}>
          {label === undefined ? null : (
            <Txt kind="label" tone="soft" style={styles.ruler}>
              {label}
            </Txt>
          )}
          <Slot name="keys" />
          <View style={styles.field}>
            <Slot name="field" />
          </View>
        </View>
        <Slot name="ruler" />
      </View>
    );
  }
  return (
    <View style={styles.line}>
      <View style={styles.ruler}>
        <Slot name="ruler" />
      </View>
      <View style={styles.field}>
        <Slot name="field" />
      </View>
      <Slot name="keys" />
    </View>
  );
});

const useStyles = stylesOf(() => ({
  stack: { gap: space.small },
  labelLine: { flexDirection: 'row', alignItems: 'center', gap: space.medium },
  line: { flexDirection: 'row', alignItems: 'flex-start', gap: space.medium },
  ruler: { flex: 1, minWidth: 0 },
  field: { width: 112 },
}));
