import { Pressable, View } from 'react-native';
import { showError, showQuantity } from '@/core/quantity/quantityText';
import type { Found } from '@/core/measure/benchTalk';
import { formatFigures, formatRatio } from '@/core/quantity/format';
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

/** What was measured of what is true: the same number by the same name. */
function measuredOf(found: Found, truth: SimulatedTruth): { told: string; percent: number } | null {
  const pair = (value: number, was: number | undefined) =>
    was === undefined ? null : { told: formatFigures(value, 5), percent: (value / was - 1) * 100 };
  if (found.measure === 'ruler') return pair(found.value.pxPerMm, truth.pxPerMm);
  if (found.measure === 'disc') return pair(found.value.equatorialDiameterPx, truth.diameterPx);
  if (found.measure === 'edge') return pair(found.value.edges[0]?.mtf50?.value ?? 0, truth.halfCyclesPerPx);
  if (found.measure === 'stars') return pair(found.value.centre.lengthPx, truth.centrePx);
  if (found.measure === 'subject') return pair(found.value.longestPx, truth.lengthPx);
  return pair(found.value.lengthPx, truth.lengthPx);
}

/** What is true of a simulated picture, to be opened after one has measured. */
export function TruthShown({ truth, found }: { truth: SimulatedTruth | null; found: Found | null }) {
  if (!truth) return null;
  const measured = found && measuredOf(found, truth);
  return (
    <Group title="What was true" brief="this is a simulated picture">
      <Txt testID="bench-truth">
        {measured
          ? `You measured ${measured.told}; ${truth.words}. That is ${formatFigures(Math.abs(measured.percent), 2)} % off.`
          : found
            ? `You measured something else; ${truth.words}.`
            : `${truth.words.slice(0, 1).toUpperCase()}${truth.words.slice(1)}.`}
      </Txt>
    </Group>
  );
}
