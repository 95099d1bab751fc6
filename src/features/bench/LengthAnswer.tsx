import { useState } from 'react';
import { View } from 'react-native';
import type { LengthFound } from '@/core/measure/measureLength';
import { lengthMeans } from '@/core/measure/means/lengthMeans';
import { formatFigures } from '@/core/quantity/format';
import { given, type Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { useChosen } from '@/data/useChosen';
import { FigureList, type NamedFigure } from '@/ui/FigureRow';
import { Txt } from '@/ui/Txt';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';
import { Told } from './Told';
import { UseRatio } from './UseRatio';
import type { TakenWith } from './useTakenWith';

const KINDS: Record<LengthFound['kinds'][number], string> = {
  edge: 'on an edge',
  tip: 'on a tip',
  byHand: 'where you put it: nothing to snap to',
};

/** Smaller ratios are no end of a lens's focus that anybody would keep. */
const CLOSE_UP = 0.02;

interface Props {
  lengthPx: Quantity;
  kinds?: LengthFound['kinds'] | undefined;
  taken: TakenWith;
  units: UnitSystem;
  ask: (quantity: Quantity) => void;
  /** Leaves the number itself to what stands above. */
  toldAlready?: boolean;
}

/** A length, and what it means with what is known: real size, distance, or the focal length at work. */
export function LengthAnswer({ lengthPx, kinds, taken, units, ask, toldAlready = false }: Props) {
  const chosen = useChosen();
  const subject = taken.kit.subjects.find((row) => row.id === chosen.subjectId)?.data;
  const [sizeMm, setSize] = useState<number | null>(null);
  const [distanceM, setDistance] = useState<number | null>(null);
  const means = lengthMeans({
    lengthPx,
    pitchUm: taken.pitchUm,
    system: taken.system,
    sizeMm: sizeMm === null ? null : given(sizeMm, 'mm', 'Real size'),
    distanceM: distanceM === null ? null : given(distanceM, 'm', 'Distance'),
  });
  const figures: NamedFigure[] = [
    { name: 'On the sensor', quantity: means.onSensorMm },
    { name: 'Real size', quantity: means.realMm },
    { name: 'Distance', quantity: means.distanceM },
    { name: 'Ratio', quantity: means.ratio },
    { name: 'Focal length at work', quantity: means.effectiveFocalMm },
    { name: 'Expected', quantity: means.predictedPx },
    { name: 'Measured against expected', quantity: means.offPercent },
  ];
  return (
    <View style={{ gap: space.page }}>
      {toldAlready ? null : (
        <Told
          label="Length"
          quantity={lengthPx}
          onWhy={() => ask(lengthPx)}
          units={units}
          sentence={kinds ? `First end ${KINDS[kinds[0]]}, second ${KINDS[kinds[1]]}.` : undefined}
        />
      )}
      <FigureList figures={figures} units={units} ask={ask} />
      <Txt kind="small" tone="soft">
        {subject
          ? `Enter what you know; the rest follows. In hand: ${subject.name}, ${formatFigures(subject.sizeMm, 3)} mm at ${formatFigures(subject.distanceM, 3)} m.`
          : 'Enter what you know; the rest follows.'}
      </Txt>
      <NumberField
        label="Its real size, or the millimetres between the handles"
        value={sizeMm}
        unit="mm"
        shownUnit="mm"
        minimum={0.001}
        maximum={1e6}
        optional
        onChange={setSize}
      />
      <NumberField
        label="Its distance"
        value={distanceM}
        unit="m"
        shownUnit="m"
        minimum={0.01}
        maximum={1e5}
        optional
        onChange={setDistance}
      />
      {means.ratio && sizeMm !== null && distanceM === null && means.ratio.value >= CLOSE_UP ? (
        <UseRatio taken={taken} ratio={means.ratio} pixels={lengthPx.value} realMm={sizeMm} />
      ) : null}
    </View>
  );
}
