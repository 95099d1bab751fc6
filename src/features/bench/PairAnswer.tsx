import { View } from 'react-native';
import { fieldOfBoth, largerOf, moreOf, pairWords, unfair } from '@/core/measure/means/pairWords';
import type { PairFound } from '@/core/measure/pair/comparePair';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import type { BenchPicture } from '@/data/bench/pictures';
import { FigureList } from '@/ui/FigureRow';
import { Group } from '@/ui/Group';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { KeepKey, foundRow, takenRow } from './KeepMeasurement';
import { SeveralProgress } from './SeveralProgress';
import { TruthShown } from './Told';
import type { Several } from './useSeveral';
import type { TakenWith } from './useTakenWith';

interface Props {
  first: BenchPicture;
  second: BenchPicture;
  pair: Several<PairFound> & { ask: (asked: { ask: 'pair'; files: readonly [Blob, Blob] }) => void };
  /** What the first and the second were taken with. */
  takenFirst: TakenWith;
  taken: TakenWith;
  units: UnitSystem;
  ask: (quantity: Quantity) => void;
}

/** Which of two pictures holds more real detail: asked for, under way, and told. */
export function PairAnswer({ first, second, pair, takenFirst, taken, units, ask }: Props) {
  const { found, share } = pair;
  const start = () => pair.ask({ ask: 'pair', files: [first.file, second.file] });
  return (
    <View style={{ gap: space.medium }}>
      {found ? (
        <Verdict {...{ first, second, found, takenFirst, taken, units, ask }} />
      ) : share === null ? (
        <Key title="Which of the two has more?" icon="compare" weight="strong" onPress={start} testID="ask-pair" />
      ) : null}
      <SeveralProgress several={pair} doing="Comparing" />
    </View>
  );
}

function Verdict({ first, second, found, takenFirst, taken, units, ask }: Omit<Props, 'pair'> & { found: PairFound }) {
  const [more, larger] = [moreOf(found), largerOf(found)];
  const sizeOf = ({ opened, tags }: BenchPicture, { by, setup }: TakenWith) => ({
    tags,
    // A body that is only in hand says nothing of the picture.
    filter: by === 'hand' ? undefined : setup?.body.antiAliasFilter,
    width: opened?.width ?? 1,
    height: opened?.height ?? 1,
  });
  const [sizeA, sizeB] = [sizeOf(first, takenFirst), sizeOf(second, taken)];
  const words = pairWords(found, fieldOfBoth(found.match, sizeA, sizeB));
  const uneven = unfair(sizeA, sizeB, found);
  return (
    <View role="status" style={{ gap: space.medium }} testID="pair-answer">
      <Txt kind="large" tone="needle">
        {words.title}
      </Txt>
      <Txt>{words.sentence}</Txt>
      <FigureList
        figures={[
          { name: 'Detail, second beside first', quantity: more ?? undefined },
          { name: 'Larger on the subject', quantity: larger },
        ]}
        units={units}
        ask={ask}
      />
      <Txt kind="small" tone="soft">
        {`Turned by ${formatFigures(found.rotationDeg, 2)}°; alike by ${formatFixed(100 * Math.max(0, found.correlation))} % where they lie on each other.`}
      </Txt>
      {uneven.map((line) => (
        <Txt key={line} kind="small" tone="caution">{`⚠ ${line}`}</Txt>
      ))}
      {uneven.length === 0 ? (
        <Txt kind="small">By EXIF and by the pixels nothing speaks against a fair comparison.</Txt>
      ) : null}
      <TruthShown truth={second.truth} found={null} />
      <Group title="Band by band" brief="what the second keeps of the first’s detail">
        <Table
          label="Contrast of the second against the first, by fineness"
          facts={{ 'First photo': first.name, 'Second photo': second.name }}
          heads={['Cycles a pixel of the first', 'Second ÷ first', 'Alike']}
          rows={found.bands.frequencies.map((frequency, k) => ({
            key: String(k),
            cells: [
              formatFigures(frequency, 2),
              bandText(found.bands.powerRatio[k]!, found.bands.errors[k]!),
              `${formatFixed(100 * found.bands.coherence[k]!)} %`,
            ],
          }))}
        />
      </Group>
      <KeepKey
        picture={second}
        row={() => ({
          asked: 'pair',
          found: foundRow([
            ...(more ? [{ name: 'Detail of the second beyond the first', quantity: more }] : []),
            { name: 'Larger on the subject', quantity: larger },
          ]),
          byHand: false,
          simulated: first.truth !== null || second.truth !== null,
          pictureName: `${first.name}, ${second.name}`.slice(0, 240),
          ...takenRow(taken),
          note: words.sentence,
        })}
      />
    </View>
  );
}

/** Contrast is the root of power. */
const bandText = (ratio: number | null, error: number): string =>
  ratio === null
    ? 'not to be told'
    : `${formatFigures(Math.sqrt(ratio), 3)} ± ${formatFigures((Math.sqrt(ratio) * error) / 2, 1)}`;
