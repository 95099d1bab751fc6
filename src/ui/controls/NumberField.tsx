import { Input } from '@/ui/rne';
import { useId, useState } from 'react';
import { View } from 'react-native';
import { formatFigures } from '@/core/quantity/format';
import { parseDecimal, parseLength, type FieldUnit } from '@/core/quantity/parseNumber';
import { Txt } from '../Txt';
import { RADIUS, TARGET, family, fontSize, space } from '../theme/measures';
import { stylesOf } from '../theme/theme';

interface Props {
  label: string;
  /** The value in the field's own unit, or null when empty. */
  value: number | null;
  /** What is kept: metres, millimetres or a bare number. */
  unit: FieldUnit;
  /** The unit shown beside the field and meant when none is typed: m, ft, mm, in, or any sign for a bare number. */
  shownUnit?: string;
  /** Value in the shown unit for one of the field's own. */
  perUnit?: number;
  minimum?: number;
  maximum?: number;
  /** Words for the limits, for the message: "from 0.5 to 200 mm". */
  limits?: string;
  optional?: boolean;
  onChange: (value: number | null) => void;
  /** Told when what stands in the field cannot be taken, and when it can again; lets a form wait with saving. */
  onProblem?: (problem: string | null) => void;
  /** A message from outside (the server, a rule over several fields). */
  error?: string | undefined;
  /** Leaves the label to screen readers, where the place already says what it is. */
  hideLabel?: boolean;
  compact?: boolean;
  testID?: string;
}

const FIGURES = 6;

interface Typed {
  text: string;
  problem: string | null;
  against: number | null;
  /** The value this field gave last: it may still be on its way back when the next text is typed. */
  given: number | null | undefined;
}

/**
 * A number typed by a person: comma or point, with or without a unit. What was typed stays until it can be understood;
 * the message says what to do.
 */
export function NumberField({ label, value, unit, shownUnit = '', perUnit = 1, minimum, maximum, limits, optional = false, onChange, onProblem, error, hideLabel = false, compact = false, testID }: Props) {
  const styles = useStyles();
  const id = useId();
  const shown = value === null ? '' : formatPlain(value * perUnit);
  // What was typed and the message about it hold for the value they were typed against: a value set from elsewhere (a
  // drag, a lever) wins over both; the field's own value coming back late does not.
  const [typed, setTyped] = useState<Typed | null>(null);
  const [given, setGiven] = useState<number | null | undefined>(undefined);
  const current = typed !== null && (Object.is(typed.against, value) || Object.is(typed.given, value)) ? typed : null;
  const draft = current?.text ?? null;
  const setDraft = (text: string) => setTyped({ text, problem: current?.problem ?? null, against: value, given });
  const refuse = (text: string, message: string) => {
    setTyped({ text, problem: message, against: value, given });
    onProblem?.(message);
  };
  const accept = (next: number | null) => {
    setTyped(null);
    setGiven(next);
    onProblem?.(null);
    onChange(next);
  };

  const commit = (text: string) => {
    if (text.trim() === '') return optional ? accept(null) : refuse(text, `${label}: type a number.`);
    // What merely repeats the rounded display must not change the value behind it.
    if (value !== null && text === shown) {
      onProblem?.(null);
      return setTyped(null);
    }
    const parsed = unit === 'none' ? parseDecimal(text) : parseLength(text, unit, shownUnit === '' ? unit : shownUnit);
    if (!parsed.ok) return refuse(text, parsed.problem.message);
    if ((minimum !== undefined && parsed.value < minimum) || (maximum !== undefined && parsed.value > maximum)) {
      const range = limits ?? `from ${formatFigures((minimum ?? 0) * perUnit, 4)} to ${formatFigures((maximum ?? 0) * perUnit, 4)}\u202f${shownUnit}`;
      return refuse(text, `${label} must be ${range}.`);
    }
    accept(parsed.value);
  };

  const message = current?.problem ?? error;
  return (
    <View style={compact ? undefined : styles.field}>
      {hideLabel ? null : (
        <Txt kind="label" tone="soft" nativeID={`${id}-label`}>
          {label}
        </Txt>
      )}
      <Input
        value={draft ?? shown}
        onChangeText={setDraft}
        onBlur={() => draft !== null && commit(draft)}
        onSubmitEditing={() => draft !== null && commit(draft)}
        inputMode="text"
        aria-label={shownUnit ? `${label}, ${shownUnit}` : label}
        aria-invalid={message ? true : undefined}
        aria-describedby={message ? `${id}-error` : undefined}
        containerStyle={styles.container}
        inputContainerStyle={[styles.box, compact && styles.compactBox, message ? styles.wrong : null]}
        inputStyle={[styles.input, compact && styles.compactInput]}
        rightIconContainerStyle={styles.unit}
        renderErrorMessage={false}
        selectTextOnFocus
        {...(testID === undefined ? {} : { testID })}
        {...(shownUnit
          ? {
              rightIcon: (
                <Txt kind="small" tone="soft" aria-hidden>
                  {shownUnit}
                </Txt>
              ),
            }
          : {})}
      />
      {message ? (
        <Txt kind="fine" tone="needle" nativeID={`${id}-error`} role="alert">
          {message}
        </Txt>
      ) : null}
    </View>
  );
}

/** Digits without grouping: what stands in a field must be readable back whatever the locale groups with. */
function formatPlain(value: number): string {
  return String(Number(value.toPrecision(FIGURES)));
}

const useStyles = stylesOf((palette) => ({
  field: { gap: space.small, flexGrow: 1, minWidth: 130 },
  container: { paddingHorizontal: 0 },
  unit: { paddingLeft: space.small, marginVertical: 0, height: 'auto' },
  box: {
    minHeight: TARGET,
    borderBottomWidth: 1,
    borderColor: palette.inkSoft,
    backgroundColor: palette.raised,
    borderRadius: RADIUS,
    paddingHorizontal: space.medium,
  },
  compactBox: { minWidth: 104 },
  wrong: { borderColor: palette.needle, borderBottomWidth: 2 },
  input: { flex: 1, minWidth: 0, minHeight: TARGET, color: palette.ink, fontFamily: family.figure, fontSize: fontSize.title, fontVariant: ['tabular-nums'] },
  compactInput: { textAlign: 'right' },
}));
