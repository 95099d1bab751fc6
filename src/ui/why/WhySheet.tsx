import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { Sheet } from '../Sheet';
import { Txt } from '../Txt';
import { quantityText, showError } from '@/core/quantity/quantityText';
import { RADIUS, TARGET, space } from '../theme/measures';
import { stylesOf, usePalette } from '../theme/theme';

interface Props {
  quantity: Quantity;
  units: UnitSystem;
  onClose: () => void;
  /** Changes a school everywhere. */
  onSchool: (preference: string, choice: string) => void;
}

const KIND_WORDS: Record<Quantity['kind'], string> = { given: 'Given', computed: 'Computed', measured: 'Measured' };

/** A school without an error of its own is known as well as the number itself: it is written to as many figures. */
const relativeError = ({ value, plusMinus }: Quantity, other: number) =>
  plusMinus === undefined || value === 0 ? undefined : Math.abs((plusMinus / value) * other);

/** Follows the path of symbols from a quantity into the ones it was worked out from. */
function follow(root: Quantity, path: string[]): Quantity {
  let quantity = root;
  for (const symbol of path) {
    const next = quantity.why.inputs.find((each) => each.symbol === symbol);
    if (!next) break;
    quantity = next.quantity;
  }
  return quantity;
}

/** Why a number is what it is: formula, the person's own values in it, source, what is neglected, and the other schools. */
export default function WhySheet({ quantity: root, units, onClose, onSchool }: Props) {
  const styles = useStyles();
  const palette = usePalette();
  const [path, setPath] = useState<string[]>([]);
  const quantity = follow(root, path);
  const { why } = quantity;
  const error = showError(quantity, units);
  const named = { unit: quantity.unit };
  return (
    <Sheet title={why.name} onClose={onClose} onBack={path.length ? () => setPath(path.slice(0, -1)) : undefined}>
      <View style={styles.result}>
        <Txt kind="large" testID="why-value">
          {quantityText(quantity, units)}
        </Txt>
        <Txt tone="soft">
          {quantity.note === 'assumed' ? 'Assumed' : KIND_WORDS[quantity.kind]}
          {error ? `, an estimate: ${error}` : ''}
        </Txt>
      </View>
      {why.formula ? (
        <View style={styles.formula}>
          <Txt kind="title">{why.formula}</Txt>
        </View>
      ) : null}
      {why.inputs.length ? (
        <View>
          {why.inputs.map((each, i) => {
            const deeper = each.quantity.why.inputs.length > 0;
            const content = (
              <>
                <Txt kind="title" style={styles.symbol}>
                  {each.symbol}
                </Txt>
                <Txt kind="small" style={styles.name}>
                  {each.name}
                </Txt>
                <Txt kind="figure">{quantityText(each.quantity, units)}</Txt>
                <MaterialIcons
                  name={deeper ? 'chevron-right' : 'edit'}
                  size={20}
                  color={deeper ? palette.press : 'transparent'}
                />
              </>
            );
            return deeper ? (
              <Pressable
                key={i}
                role="button"
                onPress={() => setPath([...path, each.symbol])}
                style={styles.input}
                aria-label={`${each.name}: ${quantityText(each.quantity, units)}. Why?`}
              >
                {content}
              </Pressable>
            ) : (
              <View key={i} style={styles.input}>
                {content}
              </View>
            );
          })}
        </View>
      ) : null}
      {why.schools ? (
        <View style={styles.schools} role="radiogroup" aria-label="Ways to reckon it">
          <Txt kind="label" tone="soft">
            Ways to reckon it; the choice counts everywhere
          </Txt>
          {why.schools.map((school) => (
            <Pressable
              key={school.choice}
              role="radio"
              aria-checked={school.chosen}
              onPress={() => onSchool(school.preference, school.choice)}
              style={[styles.school, school.chosen && styles.chosen]}
            >
              <MaterialIcons
                name={school.chosen ? 'radio-button-checked' : 'radio-button-unchecked'}
                size={20}
                color={palette.press}
              />
              <Txt style={styles.name}>{school.name}</Txt>
              <Txt kind="figure">
                {quantityText(
                  {
                    ...named,
                    value: school.value,
                    plusMinus: school.plusMinus ?? relativeError(quantity, school.value),
                  },
                  units,
                )}
              </Txt>
            </Pressable>
          ))}
        </View>
      ) : null}
      <Txt>
        <Txt kind="strong">Source: </Txt>
        {why.source}.
      </Txt>
      {why.neglects ? (
        <Txt>
          <Txt kind="strong">Not counted: </Txt>
          {why.neglects}
        </Txt>
      ) : null}
    </Sheet>
  );
}

const useStyles = stylesOf((palette) => ({
  result: { flexDirection: 'row', alignItems: 'baseline', flexWrap: 'wrap', gap: space.large },
  formula: { borderLeftWidth: 3, borderColor: palette.needle, paddingLeft: space.large, paddingVertical: space.small },
  input: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    minHeight: TARGET,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  symbol: { minWidth: 44 },
  name: { flex: 1 },
  schools: { gap: space.small },
  school: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.medium,
    minHeight: TARGET,
    paddingHorizontal: space.medium,
    borderRadius: RADIUS,
    borderWidth: 1,
    borderColor: palette.hairline,
  },
  chosen: { borderColor: palette.press, backgroundColor: palette.raised },
}));
