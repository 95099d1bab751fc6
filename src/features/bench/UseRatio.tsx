import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Ratio } from '@/contract/schemas/ratio';
import { formatFigures, formatRatio } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { EMPTY_HAND } from '@/data/hand';
import { useHands } from '@/data/inHand';
import { useNotice } from '@/data/notice';
import { createRow } from '@/data/rowActions';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';
import { DOUBTED_SHARE, chainAsSet, chainInHand, settingsOf, stateWords, systemAsSet } from './measuredState';
import type { TakenWith } from './useTakenWith';

const ENDS = [
  { value: 'closest', name: 'Lens at its closest' },
  { value: 'infinity', name: 'Lens at infinity' },
] as const;
/** A difference smaller than this says nothing. */
const AGREES = 0.001;
const END_WORDS = { closest: 'lens at its closest', infinity: 'lens at infinity' } as const;

interface Props {
  taken: TakenWith;
  ratio: Quantity;
  /** What it was measured by: so many pixels of the picture on so many millimetres of the scale. */
  pixels: number;
  realMm: number;
}

/** Puts a measured ratio in the place of the estimate, for the chain of the set-up in the state it was measured in. */
export function UseRatio({ taken, ratio, pixels, realMm }: Props) {
  const [at, setAt] = useState<Ratio['at']>('closest');
  const [said, setSaid] = useState<Record<number, number | null>>({});
  const [sure, setSure] = useState(false);
  const router = useRouter();
  const show = useNotice((state) => state.show);
  const hand = useHands((state) => state.hands.near ?? EMPTY_HAND);
  const { setupRow, system, pitchUm, kit } = taken;
  if (!setupRow || !system || !pitchUm) return null;
  const inHand = chainInHand(setupRow, hand);
  const settings = settingsOf(inHand, kit);
  const chain = chainAsSet(inHand, settings, said);
  const isSet = settings.every(({ index, value }) => (said[index] ?? value) !== null);
  const asSet = systemAsSet(setupRow, chain, kit, system);
  const estimate = at === 'closest' ? asSet?.ratioAtClosest : asSet?.ratioAtInfinity;
  const off = estimate ? ratio.value / estimate.value - 1 : 0;
  const doubted = Math.abs(off) > DOUBTED_SHARE;
  const zoom = system.lens.focalTeleMm > system.lens.focalWideMm;
  const state = [stateWords(settings, said, zoom ? system.markedFocalMm : null), END_WORDS[at]]
    .filter(Boolean)
    .join(', ');
  const save = () => {
    if (doubted && !sure) return setSure(true);
    createRow('ratios', {
      name: system.chain
        .map((part) => part.name)
        .join(' + ')
        .slice(0, 240),
      chain,
      ...(zoom ? { focalMm: system.markedFocalMm } : {}),
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
      text: `${formatRatio(ratio.value)} is used for ${setupRow.data.name}, ${state}, from now on.`,
      action: { title: 'Look at it on Near', run: () => router.push('/near' as Href) },
    });
  };
  return (
    <View style={{ gap: space.medium }}>
      <Choice
        label="Where the lens’s own focus stood"
        options={ENDS}
        value={at}
        onChange={(end) => {
          // Another state is doubted anew.
          setSure(false);
          setAt(end);
        }}
      />
      {settings.map(({ index, kind, name, least, most, value }) => (
        <NumberField
          key={index}
          label={kind === 'extension' ? `Extension of ${name}` : `Magnification of ${name}`}
          value={said[index] ?? value}
          unit={kind === 'extension' ? 'mm' : 'none'}
          shownUnit={kind === 'extension' ? 'mm' : '×'}
          minimum={least}
          maximum={most}
          limits={`from ${formatFigures(least)} to ${formatFigures(most)}`}
          onChange={(next) => {
            setSure(false);
            setSaid({ ...said, [index]: next });
          }}
        />
      ))}
      {estimate ? (
        <Txt kind="small" tone={doubted ? 'caution' : 'soft'} role={doubted ? 'alert' : undefined}>
          {`${doubted ? '⚠ ' : ''}By reckoning ${formatRatio(estimate.value)}: ${Math.abs(off) < AGREES ? 'the same' : `${formatFigures(off * 100, 2)} % off`}.${doubted ? ' Check the set-up, its settings and the unit of the ruler before you use it.' : ''}`}
        </Txt>
      ) : null}
      {isSet ? (
        <Key
          title={`${sure ? 'Use it all the same' : 'Use this ratio'} for ${setupRow.data.name}: ${state}`}
          icon="check"
          weight="strong"
          onPress={save}
          testID="use-ratio"
        />
      ) : (
        <Txt kind="small" tone="soft">
          The ratio holds for one setting only. Enter what was set.
        </Txt>
      )}
    </View>
  );
}
