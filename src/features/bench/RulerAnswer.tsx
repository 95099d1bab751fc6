import { View } from 'react-native';
import { rulerMeans } from '@/core/measure/means/rulerMeans';
import type { RulerFound } from '@/core/measure/ruler/findRuler';
import { formatFigures, formatRatio } from '@/core/quantity/format';
import type { UnitSystem } from '@/core/quantity/units';
import { askPicture, type BenchPicture } from '@/data/bench/pictures';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { Told } from './Told';
import { UseRatio } from './UseRatio';
import type { TakenWith } from './useTakenWith';

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
  const betweenMm = found.finestTickMm * Math.max(1, found.ticks - 1);
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
      {ratio ? <UseRatio taken={taken} ratio={ratio} pixels={found.pxPerMm * betweenMm} realMm={betweenMm} /> : null}
    </View>
  );
}
