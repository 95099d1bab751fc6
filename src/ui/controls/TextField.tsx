import { Input } from '@/ui/rne';
import { useId } from 'react';
import { View } from 'react-native';
import { Txt } from '../Txt';
import { RADIUS, TARGET, family, fontSize, space } from '../theme/measures';
import { stylesOf } from '../theme/theme';

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  error?: string | undefined;
  multiline?: boolean;
  placeholder?: string;
}

/** A line or, with `multiline`, a paragraph of text with its label above. */
export function TextField({ label, value, onChange, error, multiline = false, placeholder }: Props) {
  const styles = useStyles();
  const id = useId();
  return (
    <View style={styles.field}>
      <Txt kind="label" tone="soft">
        {label}
      </Txt>
      <Input
        value={value}
        onChangeText={onChange}
        multiline={multiline}
        numberOfLines={multiline ? 3 : 1}
        {...(placeholder === undefined ? {} : { placeholder })}
        aria-label={label}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        containerStyle={styles.container}
        inputContainerStyle={[styles.box, error ? styles.wrong : null]}
        inputStyle={[styles.input, multiline && styles.tall]}
        renderErrorMessage={false}
      />
      {error ? (
        <Txt kind="fine" tone="needle" nativeID={`${id}-error`} role="alert">
          {error}
        </Txt>
      ) : null}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  field: { gap: space.small },
  container: { paddingHorizontal: 0 },
  box: {
    minHeight: TARGET,
    borderBottomWidth: 1,
    borderColor: palette.inkSoft,
    borderRadius: RADIUS,
    backgroundColor: palette.raised,
    paddingHorizontal: space.medium,
  },
  input: {
    minHeight: TARGET,
    color: palette.ink,
    fontFamily: family.body,
    fontSize: fontSize.body,
  },
  tall: { minHeight: 84, paddingVertical: space.medium, textAlignVertical: 'top' },
  wrong: { borderColor: palette.needle, borderBottomWidth: 2 },
}));
