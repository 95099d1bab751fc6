import { Input } from '@/ui/rne';
import { useId, useRef, useState } from 'react';
import { View } from 'react-native';
import { decimalSign, formatFigures, groupSign } from '@/core/quantity/format';
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

/** Digits a field shows; fewer where its number is converted from another unit. */
const FIGURES = 6;
const CONVERTED_FIGURES = 4;

interface WithTarget {
  target?: unknown;
}

/**
 * Selects all of a field at once. The component's own way does it a moment later, by when the first digit may stand there: it
 * would be replaced by the second.
 */
function selectAll(event?: WithTarget): void {
  (event?.target as { select?: () => void } | undefined)?.select?.();
}

/** What a person typed. */
interface Typed {
  text: string;
  problem: string | null;
  /** The value it was typed against; one set from elsewhere (a drag, a lever) wins over it once the field is left. */
  against: number | null;
  /** Taken with Enter: leaving the field must not take it again. */
  taken: boolean;
}

/**
 * A number typed by a person: comma or point, with or without a unit. What was typed stays until it can be understood;
 * the message says what to do. While the field has the focus its text is the person's: nothing rewrites it.
 */
export function NumberField({
  label,
  value,
  unit,
  shownUnit = '',
  perUnit = 1,
  minimum,
  maximum,
  limits,
  optional = false,
  onChange,
  onProblem,
  error,
  hideLabel = false,
  compact = false,
  testID,
}: Props) {
  const styles = useStyles();
  const id = useId();
  const shown = value === null ? '' : formatPlain(value * perUnit, perUnit === 1 ? FIGURES : CONVERTED_FIGURES);
  const [typed, setTyped] = useState<Typed | null>(null);
  const [focused, setFocused] = useState(false);
  /** Entered by the press that is still on: its click selects what stands in the field, any other sets the caret. */
  const entering = useRef(false);
  const current = typed !== null && (focused || Object.is(typed.against, value)) ? typed : null;

  const refuse = (text: string, message: string) => {
    setTyped({ text, problem: message, against: value, taken: true });
    onProblem?.(message);
  };
  /** Takes what stands in the field; `left` when the focus goes with it, and the value may be written anew. */
  const accept = (text: string, next: number | null, left: boolean) => {
    setTyped(left ? null : { text, problem: null, against: next, taken: true });
    onProblem?.(null);
    if (!Object.is(next, value)) onChange(next);
  };
  const commit = (text: string, left: boolean) => {
    if (text.trim() === '') return optional ? accept(text, null, left) : refuse(text, `${label}: type a number.`);
    // What merely repeats the rounded display must not change the value behind it.
    if (value !== null && text === shown) return accept(text, value, left);
    const group = groupSign();
    const parsed =
      unit === 'none' ? parseDecimal(text, group) : parseLength(text, unit, shownUnit === '' ? unit : shownUnit, group);
    if (!parsed.ok) return refuse(text, parsed.problem.message);
    const own = unit === 'none' ? parsed.value / perUnit : parsed.value;
    if ((minimum !== undefined && own < minimum) || (maximum !== undefined && own > maximum)) {
      const range =
        limits ??
        `from ${formatFigures((minimum ?? 0) * perUnit, 4)} to ${formatFigures((maximum ?? 0) * perUnit, 4)}\u202f${shownUnit}`;
      return refuse(text, `${label} must be ${range}.`);
    }
    accept(text, own, left);
  };
  const leave = () => {
    setFocused(false);
    if (!typed) return;
    if (!typed.taken) commit(typed.text, true);
    else if (!typed.problem) setTyped(null);
  };

  /** The web build passes both on; the component's types do not know them. */
  const pressed = () => {
    entering.current = !focused;
  };
  const clicked = (event?: WithTarget) => {
    if (entering.current) selectAll(event);
    entering.current = false;
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
        value={current?.text ?? shown}
        onChangeText={(text) => {
          setTyped({ text, problem: current?.problem ?? null, against: value, taken: false });
        }}
        onFocus={(event) => {
          setFocused(true);
          selectAll(event);
          // The text of this moment: a value that changes meanwhile is shown when the field is left.
          if (!current) setTyped({ text: shown, problem: null, against: value, taken: true });
        }}
        onBlur={leave}
        onSubmitEditing={() => typed && !typed.taken && commit(typed.text, false)}
        blurOnSubmit={false}
        inputMode="text"
        aria-label={shownUnit ? `${label}, ${shownUnit}` : label}
        aria-invalid={message ? true : undefined}
        aria-describedby={message ? `${id}-error` : undefined}
        containerStyle={styles.container}
        inputContainerStyle={[styles.box, compact && styles.compactBox, message ? styles.wrong : null]}
        inputStyle={[styles.input, compact && styles.compactInput]}
        rightIconContainerStyle={styles.unit}
        renderErrorMessage={false}
        {...({ onMouseDown: pressed, onClick: clicked } as object)}
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

/** Digits without grouping, with the decimal sign that messages are written with: what stands in a field must be readable back. */
function formatPlain(value: number, figures: number): string {
  const text = String(Number(value.toPrecision(figures)));
  return text.includes('e') ? text : text.replace('.', decimalSign());
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
  input: {
    flex: 1,
    minWidth: 0,
    minHeight: TARGET,
    color: palette.ink,
    fontFamily: family.figure,
    fontSize: fontSize.title,
    fontVariant: ['tabular-nums'],
  },
  compactInput: { textAlign: 'right' },
}));
