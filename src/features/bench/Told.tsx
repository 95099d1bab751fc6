import { Pressable, View } from 'react-native';
import { showError, showQuantity } from '@/core/quantity/quantityText';
import { formatRatio } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import type { SimulatedTruth } from '@/data/bench/pictures';
import { Txt } from '@/ui/Txt';
import { Group } from '@/ui/Group';
import { space } from '@/ui/theme/measures';

interface Props {
  /** What the number is: "Pixels a millimetre". */
  label: string;
  quantity: Quantity;
  units: UnitSystem;
  /** What it means, in a sentence. */
  sentence?: string | undefined;
  /** Opens its derivation. */
  onWhy: () => void;
}

/** The answer of a picture: one number, large, with its error, and the sentence that follows. */
export function Told({ label, quantity, units, sentence, onWhy }: Props) {
  const ratio = quantity.unit === ':1';
  const { number, unit } = showQuantity(quantity, units);
  return (
    <View role="status" style={{ gap: space.hair }} testID="bench-answer">
      <Txt kind="label" tone="soft">
        {label}
      </Txt>
      <Pressable
        role="button"
        onPress={onWhy}
        aria-label={`${label}: ${ratio ? formatRatio(quantity.value) : `${number} ${unit}`}, ${showError(quantity, units)}. Why?`}
        style={{ flexDirection: 'row', alignItems: 'baseline', flexWrap: 'wrap', columnGap: space.medium }}
      >
        <Txt kind="huge" tone="needle">
          {ratio ? formatRatio(quantity.value) : number}
        </Txt>
        {ratio ? null : <Txt kind="title">{unit}</Txt>}
        <Txt kind="title" tone="soft">
          {showError(quantity, units)}
        </Txt>
      </Pressable>
      {sentence ? <Txt>{sentence}</Txt> : null}
    </View>
  );
}

/** What is true of a simulated picture, to be opened after one has measured. */
export function TruthShown({ truth }: { truth: SimulatedTruth | null }) {
  if (!truth) return null;
  return (
    <Group title="What was true" brief="this is a simulated picture">
      <Txt testID="bench-truth">{`You measured; ${truth.words}.`}</Txt>
    </Group>
  );
}
