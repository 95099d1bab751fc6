import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Ratio } from '@/contract/schemas/ratio';
import { formatFigures, formatRatio } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { useNotice } from '@/data/notice';
import { createRow } from '@/data/rowActions';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import type { TakenWith } from './useTakenWith';

const ENDS = [
  { value: 'closest', name: 'Lens at its closest' },
  { value: 'infinity', name: 'Lens at infinity' },
] as const;

interface Props {
  taken: TakenWith;
  ratio: Quantity;
  /** What it was measured by: so many pixels of the picture on so many millimetres of the scale. */
  pixels: number;
  realMm: number;
}

/** Puts a measured ratio in the place of the estimate, for the chain of the set-up. */
export function UseRatio({ taken, ratio, pixels, realMm }: Props) {
  const [at, setAt] = useState<Ratio['at']>('closest');
  const router = useRouter();
  const show = useNotice((state) => state.show);
  const { setupRow, system, pitchUm } = taken;
  if (!setupRow || !system || !pitchUm) return null;
  const estimate = at === 'closest' ? system.ratioAtClosest : system.ratioAtInfinity;
  const save = () => {
    createRow('ratios', {
      name: system.chain
        .map((part) => part.name)
        .join(' + ')
        .slice(0, 240),
      chain: setupRow.data.chain,
      ...(system.lens.focalTeleMm > system.lens.focalWideMm ? { focalMm: system.markedFocalMm } : {}),
      at,
      method: 'marks',
      pixels,
      pitchUm: pitchUm.value,
      realMm,
      ratio: ratio.value,
      plusMinus: ratio.plusMinus ?? 0,
      measuredAt: new Date().toISOString(),
    });
    show({
      text: `${formatRatio(ratio.value)} is used for ${setupRow.data.name} from now on.`,
      action: { title: 'Look at it on Near', run: () => router.push('/near' as Href) },
    });
  };
  return (
    <View style={{ gap: space.medium }}>
      <Choice label="Where the lens’s own focus stood" options={ENDS} value={at} onChange={setAt} />
      {estimate ? (
        <Txt kind="small" tone="soft">
          {`By reckoning ${formatRatio(estimate.value)}: ${formatFigures((ratio.value / estimate.value - 1) * 100, 2)} % off.`}
        </Txt>
      ) : null}
      <Key
        title={`Use this ratio for ${setupRow.data.name}`}
        icon="check"
        weight="strong"
        onPress={save}
        testID="use-ratio"
      />
    </View>
  );
}
