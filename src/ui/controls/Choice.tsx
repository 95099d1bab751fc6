import { Pressable, View } from 'react-native';
import { Txt } from '../Txt';
import { RADIUS, TARGET, space } from '../theme/measures';
import { stylesOf } from '../theme/theme';

interface Props<T extends string> {
  label: string;
  options: readonly { value: T; name: string; gloss?: string }[];
  value: T | null;
  onChange: (value: T) => void;
  /** Leaves the label to screen readers. */
  hideLabel?: boolean;
}

/** One of a few: keys in a row that wraps. The chosen one is filled and says so to screen readers. */
export function Choice<T extends string>({ label, options, value, onChange, hideLabel = false }: Props<T>) {
  const styles = useStyles();
  return (
    <View style={styles.field}>
      {hideLabel ? null : (
        <Txt kind="label" tone="soft">
          {label}
        </Txt>
      )}
      <View role="radiogroup" aria-label={label} style={styles.row}>
        {options.map((option) => {
          const chosen = option.value === value;
          return (
            <Pressable
              key={option.value}
              role="radio"
              aria-checked={chosen}
              onPress={() => onChange(option.value)}
              style={[styles.key, chosen && styles.chosen]}
            >
              <Txt kind="small" tone={chosen ? 'onPress' : 'press'}>
                {option.name}
              </Txt>
              {option.gloss ? (
                <Txt kind="fine" tone={chosen ? 'onPress' : 'soft'}>
                  {option.gloss}
                </Txt>
              ) : null}
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  field: { maxWidth: '100%', gap: space.small },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  key: {
    minHeight: TARGET,
    minWidth: TARGET,
    paddingHorizontal: space.large,
    paddingVertical: space.small,
    justifyContent: 'center',
    borderWidth: 1,
    borderColor: palette.press,
    borderRadius: RADIUS,
  },
  chosen: { backgroundColor: palette.press },
}));
