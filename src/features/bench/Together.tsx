import { useState } from 'react';
import { View } from 'react-native';
import { HELD_NAMES } from '@/core/far/heldLimits';
import type { SeveralFoundOf } from '@/core/measure/severalTalk';
import { given, measured, type Quantity, type Unit } from '@/core/quantity/quantity';
import { dialText } from '@/core/quantity/shutterDial';
import type { UnitSystem } from '@/core/quantity/units';
import type { BenchPicture } from '@/data/bench/pictures';
import { FigureList, type NamedFigure } from '@/ui/FigureRow';
import { Group } from '@/ui/Group';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { KeepKey, foundRow, takenRow } from './KeepMeasurement';
import { EdgeSeries } from './EdgeSeries';
import { StarSeries } from './StarSeries';
import { exposureOf } from './starSetup';
import { TruthShown } from './Told';
import { UseLight } from './UseLight';
import { SeveralProgress } from './SeveralProgress';
import { useSeveral } from './useSeveral';
import type { TakenWith } from './useTakenWith';

interface Props {
  pictures: BenchPicture[];
  taken: TakenWith;
  units: UnitSystem;
  ask: (quantity: Quantity) => void;
}

/** From so many pictures on they tell something together. */
const LIGHT_FRAMES = 4;
const SERIES = 2;
const HELD_FRAMES = 6;

/** What the pictures on the bench tell together: a sensor's noise, a hand's limit, stars over time. */
export function Together({ pictures, taken, units, ask }: Props) {
  if (pictures.length < SERIES) return null;
  return (
    <Group title="All of them together" brief="f-numbers, stars over time, noise, your hand">
      <View style={{ gap: space.page }}>
        <EdgeSeries pictures={pictures} taken={taken} />
        <StarSeries pictures={pictures} taken={taken} />
        <Light pictures={pictures} taken={taken} units={units} ask={ask} />
        <Shake pictures={pictures} taken={taken} units={units} ask={ask} />
      </View>
    </Group>
  );
}

interface Value {
  value: number;
  plusMinus: number;
}

const quantity = (name: string, { value, plusMinus }: Value, unit: Unit, source: string): Quantity =>
  measured(value, unit, () => ({ name, formula: '', inputs: [], source }), plusMinus);

const PHOTON_TRANSFER =
  'photon transfer: how the noise of two even frames grows with their level, that of two dark ones taken off';

const lightFigures = ({ gain, readNoise, fullWell, dynamicRange }: SeveralFoundOf['light']): NamedFigure[] => [
  { name: 'Dynamic range', quantity: quantity('Dynamic range', dynamicRange, 'stops', PHOTON_TRANSFER) },
  { name: 'Electrons a code', quantity: quantity('Electrons a code', gain, '1', PHOTON_TRANSFER) },
  { name: 'Noise of reading', quantity: quantity('Noise of reading', readNoise, 'e⁻', PHOTON_TRANSFER) },
  { name: 'Electrons when full', quantity: quantity('Electrons at the largest code', fullWell, 'e⁻', PHOTON_TRANSFER) },
];

function Light({ pictures, taken, units, ask }: Props) {
  const several = useSeveral<{ ask: 'light'; files: readonly Blob[] }>();
  const enough = pictures.length === LIGHT_FRAMES;
  const { found, share } = several;
  const [first] = pictures as [BenchPicture];
  return (
    <View style={{ gap: space.medium }}>
      <Txt kind="strong">How clean is the sensor?</Txt>
      <Txt kind="small" tone="soft">
        Four raw or 16-bit frames of one ISO: two of an even surface, about half exposed, and two with the cap on.
      </Txt>
      <Key
        title="Measure the light"
        disabled={!enough || share !== null}
        why={share === null ? `There are ${pictures.length} on the bench, four are needed.` : 'It is being measured.'}
        onPress={() => several.ask({ ask: 'light', files: pictures.map(({ file }) => file) })}
        testID="ask-light"
      />
      <SeveralProgress several={several} doing="Measuring" />
      {found ? (
        <View role="status" style={{ gap: space.medium }} testID="light-answer">
          <FigureList figures={lightFigures(found)} units={units} ask={ask} />
          <TruthShown truth={first.truth} found={null} />
          <UseLight taken={taken} found={found} isoTold={first.tags?.iso} />
          <KeepKey
            picture={first}
            row={() => ({
              asked: 'light',
              found: foundRow(
                lightFigures(found).flatMap((each) =>
                  each.quantity ? [{ name: each.name, quantity: each.quantity }] : [],
                ),
              ),
              byHand: false,
              simulated: first.truth !== null,
              pictureName: pictures
                .map(({ name }) => name)
                .join(', ')
                .slice(0, 240),
              ...takenRow(taken),
              note: first.tags?.iso ? `ISO ${first.tags.iso}` : '',
            })}
          />
        </View>
      ) : null}
    </View>
  );
}

const STABILISER = [
  { value: 'off', name: 'Off' },
  { value: 'on', name: 'On' },
] as const;

function Shake({ pictures, taken, units, ask }: Props) {
  const [stabilised, setStabilised] = useState<'on' | 'off'>('off');
  const several = useSeveral<{ ask: 'shake'; files: readonly Blob[]; exposuresS: readonly number[] }>();
  const { found, share } = several;
  const times = pictures.map(exposureOf);
  const timed = times.every((time) => time !== null);
  const enough = pictures.length >= HELD_FRAMES && timed;
  const [first] = pictures as [BenchPicture];
  const focalMm = first.tags?.focalLengthMm ?? taken.system?.focalMm.value;
  const limit =
    found?.limitS &&
    quantity(
      'Longest time held',
      found.limitS,
      's',
      'four of five frames sharp: a falling curve fitted to the share of sharp ones over the time',
    );
  return (
    <View style={{ gap: space.medium }}>
      <Txt kind="strong">How long do you hold it?</Txt>
      <Txt kind="small" tone="soft">
        Six and more frames of one thing by hand, several at each shutter time, at one focal length.
      </Txt>
      <Choice label="Stabiliser" options={STABILISER} value={stabilised} onChange={setStabilised} />
      <Key
        title="Measure the shake"
        disabled={!enough || share !== null}
        why={
          share !== null
            ? 'It is being measured.'
            : timed
              ? `There are ${pictures.length} on the bench, six are needed.`
              : 'Not all of them say how long they were exposed.'
        }
        onPress={() =>
          several.ask({ ask: 'shake', files: pictures.map(({ file }) => file), exposuresS: times.map(Number) })
        }
        testID="ask-shake"
      />
      <SeveralProgress several={several} doing="Measuring" />
      {found ? (
        <View role="status" style={{ gap: space.medium }} testID="shake-answer">
          {limit ? (
            <FigureList figures={[{ name: 'Four of five are sharp up to', quantity: limit }]} units={units} ask={ask} />
          ) : (
            <Txt>
              {found.beyond === 'longer'
                ? 'All are sharp: you hold it longer than these times.'
                : 'Hardly any is sharp: your limit is shorter than these times.'}
            </Txt>
          )}
          <Table
            label="Sharp frames by shutter time"
            heads={['Time', 'Sharp', 'Of']}
            rows={found.times.map(({ exposureS, frames, sharp }) => ({
              key: String(exposureS),
              cells: [dialText(exposureS), String(sharp), String(frames)],
            }))}
          />
          <TruthShown truth={first.truth} found={null} />
          {limit ? (
            <KeepKey
              picture={first}
              row={() => ({
                asked: 'shake',
                found: foundRow([
                  { name: HELD_NAMES[stabilised === 'on' ? 'stabilised' : 'plain'], quantity: limit },
                  ...(focalMm === undefined
                    ? []
                    : [{ name: 'Focal length', quantity: given(focalMm, 'mm', 'Focal length', 'the series') }]),
                ]),
                byHand: false,
                simulated: first.truth !== null,
                ...takenRow(taken),
                note: '',
              })}
            />
          ) : null}
        </View>
      ) : null}
    </View>
  );
}
