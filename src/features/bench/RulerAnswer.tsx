import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Ratio } from '@/contract/schemas/ratio';
import { rulerMeans } from '@/core/measure/means/rulerMeans';
import type { RulerFound } from '@/core/measure/ruler/findRuler';
import { formatFigures, formatRatio } from '@/core/quantity/format';
import type { UnitSystem } from '@/core/quantity/units';
import { askPicture, type BenchPicture } from '@/data/bench/pictures';
import { useNotice } from '@/data/notice';
import { createRow } from '@/data/rowActions';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { Told } from './Told';
import type { TakenWith } from './useTakenWith';

const ENDS = [
  { value: 'closest', name: 'Lens at its closest' },
  { value: 'infinity', name: 'Lens at infinity' },
] as const;

/** What a tick may be, where the person says so. */
const TICKS = [
  { value: '1', name: 'These are mm' },
  { value: '0.5', name: 'These are ½ mm' },
  { value: '1.5875', name: '1⁄16 inch' },
] as const;

interface Props {
  picture: BenchPicture;
  found: RulerFound;
  taken: TakenWith;
  units: UnitSystem;
  ask: (name: string) => void;
}

/** What was found on a ruler, what to say to it, and how to use it. */
export function RulerAnswer({ picture, found, taken, units, ask }: Props) {
  const [at, setAt] = useState<Ratio['at']>('closest');
  const means = rulerMeans(found, picture.opened?.width ?? 1, taken.pitchUm);
  const { ratio, nominal, pxPerMm, fieldWidthMm } = means;
  const sentence = `${found.ticks} ticks of ${found.finestTickMm === 1 ? '1 mm' : `${formatFigures(found.finestTickMm, 3)} mm`}${
    ratio && nominal !== undefined ? `; the round ratio ${formatRatio(nominal)} lies within it` : ''
  }.`;
  const tickMm = picture.question?.measure === 'ruler' ? picture.question.tickMm : undefined;
  const again = (change: { tickMm?: number; notAlong?: number[] }) =>
    void askPicture(picture.id, { measure: 'ruler', ...(tickMm === undefined ? {} : { tickMm }), ...change });
  return (
    <View style={{ gap: space.page }}>
      <Told
        label={ratio ? 'Reproduction ratio, along the ruler' : 'Pixels a millimetre'}
        quantity={ratio ?? pxPerMm}
        units={units}
        sentence={sentence}
        onWhy={() => ask(ratio ? 'ratio' : 'pxPerMm')}
      />
      <FigureRow>
        {ratio ? (
          <Figure label="Pixels a millimetre" quantity={pxPerMm} units={units} onWhy={ask} name="pxPerMm" />
        ) : null}
        <Figure label="Field, width" quantity={fieldWidthMm} units={units} onWhy={ask} name="fieldWidthMm" />
      </FigureRow>
      <Choice
        label="If the ticks were taken for the wrong thing"
        options={TICKS}
        value={(TICKS.find(({ value }) => Number(value) === found.finestTickMm)?.value as '1' | undefined) ?? null}
        onChange={(value) => again({ tickMm: Number(value) })}
      />
      <Key
        title="Look in another direction"
        weight="plain"
        icon="rotate-90-degrees-ccw"
        onPress={() => again({ notAlong: [found.tickNormalDeg] })}
      />
      <Txt kind="small" tone="soft">
        Hold the ruler square to the lens: one that leans by 8° shows 1 % less of itself, which no picture can tell.
      </Txt>
      {ratio ? <UseIt found={found} taken={taken} at={at} setAt={setAt} /> : null}
    </View>
  );
}

/** Puts the measured ratio in the place of the estimate, for the chain of the set-up. */
function UseIt({
  found,
  taken,
  at,
  setAt,
}: {
  found: RulerFound;
  taken: TakenWith;
  at: Ratio['at'];
  setAt: (at: Ratio['at']) => void;
}) {
  const router = useRouter();
  const show = useNotice((state) => state.show);
  const { setupRow, system, pitchUm } = taken;
  if (!setupRow || !system || !pitchUm) return null;
  const ratio = (found.pxPerMm * pitchUm.value) / 1000;
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
      pixels: found.pxPerMm * found.finestTickMm * Math.max(1, found.ticks - 1),
      pitchUm: pitchUm.value,
      realMm: found.finestTickMm * Math.max(1, found.ticks - 1),
      ratio,
      plusMinus: (found.pxPerMmError * pitchUm.value) / 1000,
      measuredAt: new Date().toISOString(),
    });
    show({
      text: `${formatRatio(ratio)} is used for ${setupRow.data.name} from now on.`,
      action: { title: 'Look at it on Near', run: () => router.push('/near' as Href) },
    });
  };
  return (
    <View style={{ gap: space.medium }}>
      <Choice label="Where the lens’s own focus stood" options={ENDS} value={at} onChange={setAt} />
      {estimate ? (
        <Txt kind="small" tone="soft">
          {`By reckoning ${formatRatio(estimate.value)}: ${formatFigures((ratio / estimate.value - 1) * 100, 2)} % off.`}
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
