import { memo, useDeferredValue } from 'react';
import { Pressable, View } from 'react-native';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { Txt } from './Txt';
import { noteWords, showError, showQuantity } from '@/core/quantity/quantityText';
import { TARGET, space } from './theme/measures';
import { stylesOf } from './theme/theme';

interface Props {
  label: string;
  quantity: Quantity;
  units: UnitSystem;
  /** Opens the derivation of this number; told by its name, so that one function serves all figures of a desk. */
  onWhy: (name: string) => void;
  name: string;
  /** A second value that belongs to the first ("f/5.6" beside the focal length). */
  beside?: string;
  testID?: string;
}

/**
 * A number with its name; pressing it tells why it is what it is. It follows a drag a moment later, so that the reading
 * need not wait for it.
 */
export function Figure({ quantity, ...rest }: Props) {
  return <Steady {...rest} quantity={useDeferredValue(quantity)} />;
}

const Steady = memo(function Steady({ label, quantity, units, onWhy, name, beside, testID }: Props) {
  const styles = useStyles();
  const { number, unit } = showQuantity(quantity, units);
  const error = showError(quantity, units);
  const note = noteWords(quantity);
  return (
    <Pressable
      role="button"
      onPress={() => onWhy(name)}
      style={styles.figure}
      aria-label={`${label}: ${note ? `${note} ` : ''}${number} ${unit}${beside ? `, ${beside}` : ''}${error ? `, ${error}` : ''}. Why?`}
      {...(testID ? { testID } : {})}
    >
      <Txt kind="fine" tone="soft">
        {label}
      </Txt>
      <View style={styles.line}>
        {note ? (
          <Txt kind="fine" tone="soft">
            {note}
          </Txt>
        ) : null}
        <Txt kind="figure">{number}</Txt>
        {unit ? <Txt kind="small">{unit}</Txt> : null}
        {beside ? <Txt kind="figure">{beside}</Txt> : null}
        {error ? (
          <Txt kind="fine" tone="soft">
            {error}
          </Txt>
        ) : null}
      </View>
    </Pressable>
  );
}, sameFigure);

/** A figure whose digits did not change need not be drawn again. */
function sameFigure(a: Props, b: Props): boolean {
  return (
    a.label === b.label &&
    a.units === b.units &&
    a.beside === b.beside &&
    a.onWhy === b.onWhy &&
    a.name === b.name &&
    a.quantity.value === b.quantity.value &&
    a.quantity.plusMinus === b.quantity.plusMinus &&
    a.quantity.note === b.quantity.note &&
    a.quantity.unit === b.quantity.unit
  );
}

const useStyles = stylesOf((palette) => ({
  figure: {
    minHeight: TARGET,
    flexGrow: 1,
    flexBasis: 104,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
    paddingVertical: space.small,
  },
  line: { flexDirection: 'row', alignItems: 'baseline', flexWrap: 'wrap', columnGap: space.small },
}));
