import { useState } from 'react';
import { View } from 'react-native';
import type { Ask } from '@/core/train/exercise';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { Ruler } from '@/ui/controls/Ruler';
import { space } from '@/ui/theme/measures';
import { amountText } from './guessWords';

type Amount = Extract<Ask, { type: 'amount' }>;

const NAMES: Record<Amount['unit'], string> = { px: 'Pixels', ':1': 'Ratio', 'f/': 'f-number' };

/** A guess is no measurement: two figures. */
const rounded = (value: number): number => Number(value.toPrecision(2));

/** An amount to guess, on the rule. */
export function AmountAsk({ ask, onAnswer }: { ask: Amount; onAnswer: (value: number) => void }) {
  const { low, high, unit } = ask;
  const [value, setValue] = useState(() => rounded(Math.sqrt(low * high)));
  const shown = amountText(ask, value);
  return (
    <View style={{ gap: space.medium }}>
      <Txt kind="large" testID="guess">
        {shown}
      </Txt>
      <Ruler
        label={NAMES[unit]}
        value={value}
        minimum={low}
        maximum={high}
        valueText={shown}
        rounded={rounded}
        onChange={setValue}
      />
      <Key title={`It is ${shown}`} weight="strong" onPress={() => onAnswer(value)} testID="answer" />
    </View>
  );
}
