import { useRouter, type Href } from 'expo-router';
import { View } from 'react-native';
import type { StarsFound } from '@/core/measure/stars/findStars';
import { starMeans } from '@/core/measure/means/starMeans';
import { outputLongSidePx } from '@/core/output/needs';
import { formatFigures } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import { askPicture, setExposure, setStrokesTimes, type BenchPicture } from '@/data/bench/pictures';
import { useSky } from '@/data/inHand';
import { useChosen } from '@/data/useChosen';
import { FigureList, type NamedFigure } from '@/ui/FigureRow';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';
import { pointingFrom } from '../sky/skyWays';
import { exposureOf, starSetupOf } from './starSetup';
import { Told } from './Told';
import type { TakenWith } from './useTakenWith';

const TIMES = ['1', '10', '40'].map((value) => ({ value, name: `× ${value}` }));

interface Props {
  picture: BenchPicture;
  found: StarsFound;
  taken: TakenWith;
  units: UnitSystem;
  ask: (quantity: Quantity) => void;
}

/** Whether the stars ran, how far, and how much of it was the lens. */
export function StarsAnswer({ picture, found, taken, units, ask }: Props) {
  const router = useRouter();
  const sky = useSky();
  const chosen = useChosen();
  const { id, opened } = picture;
  const pointing = pointingFrom(sky);
  const setup = starSetupOf(picture, taken, pointing, sky.projection);
  const output = taken.kit.outputs.find((row) => row.id === chosen.outputId)?.data;
  const asked = picture.question?.measure === 'stars' ? (picture.question.setup ?? null) : null;
  const { width, height } = opened ?? { width: 1, height: 1 };
  const means = starMeans({
    found,
    width,
    height,
    setup: asked,
    outputPx: output ? outputLongSidePx(output) : null,
  });
  const figures: NamedFigure[] = [
    { name: 'Worst corner', quantity: means.corner },
    { name: 'Longest', quantity: means.worst },
    { name: 'Expected in the middle', quantity: means.predicted },
    { name: 'Measured ÷ expected', quantity: means.factor },
    { name: 'Drawn out by the lens', quantity: means.lensWorst },
    { name: 'Width of a star', quantity: means.fwhm },
    { name: `Middle, as ${output?.name ?? 'shown'}`, quantity: means.centreInOutput },
    { name: `Longest, as ${output?.name ?? 'shown'}`, quantity: means.worstInOutput },
  ];
  const stale = JSON.stringify(setup) !== JSON.stringify(asked);
  return (
    <View style={{ gap: space.page }}>
      <Told
        label={found.upperLimit ? 'In the middle stars run at most' : 'In the middle stars run'}
        quantity={means.centre}
        units={units}
        onWhy={() => ask(means.centre)}
        sentence={`By ${found.used} of ${found.stars.length} stars. ${asked ? 'The sky’s part is told from the lens’s by what was expected.' : 'How it was taken is not known: the sky’s part is not told from the lens’s.'}`}
      />
      <FigureList figures={figures} units={units} ask={ask} />
      <Choice
        label="Strokes drawn so many times as long"
        options={TIMES}
        value={String(picture.strokesTimes)}
        onChange={(value) => setStrokesTimes(id, Number(value))}
      />
      <NumberField
        label="Exposed for"
        value={exposureOf(picture)}
        unit="none"
        shownUnit="s"
        minimum={0.01}
        maximum={36_000}
        optional
        onChange={(value) => setExposure(id, value)}
        testID="star-exposure"
      />
      <Txt kind="small" tone="soft">
        {`Where it looked is taken from Stars: declination ${formatFigures(pointing.declinationDeg, 3)}°, turned by ${formatFigures(pointing.rollDeg, 3)}°.`}
      </Txt>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
        {setup && stale ? (
          <Key
            title={asked ? 'Measure again with this' : 'Tell the lens’s part from the sky’s'}
            icon="refresh"
            weight="strong"
            onPress={() => void askPicture(id, { measure: 'stars', setup })}
          />
        ) : null}
        <Key title="Set where it looked" weight="plain" onPress={() => router.push('/sky' as Href)} />
      </View>
    </View>
  );
}
