import { View } from 'react-native';
import type { SubjectFound } from '@/core/measure/findSubject';
import { neededPixels, outputLongSidePx } from '@/core/output/needs';
import { cropFor, smallestCrop, type Crop } from '@/core/measure/means/cropAround';
import { verdictOf } from '@/core/output/verdict';
import { VERDICT_MARK, VERDICT_WORDS } from '@/core/output/verdictWords';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import type { UnitSystem } from '@/core/quantity/units';
import type { BenchPicture } from '@/data/bench/pictures';
import { useChosen } from '@/data/useChosen';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { LengthAnswer } from './LengthAnswer';
import { lengthQuantity } from './lengthQuantity';
import { Told } from './Told';
import type { TakenWith } from './useTakenWith';

interface Props {
  picture: BenchPicture;
  found: SubjectFound;
  taken: TakenWith;
  units: UnitSystem;
  ask: (quantity: Quantity) => void;
}

const fits = ({ widthPx, heightPx }: Crop, opened: BenchPicture['opened']): boolean =>
  !opened || (widthPx <= opened.width && heightPx <= opened.height);

/** Where a subject ends, how many pixels that is, and what they are enough for. */
export function SubjectAnswer({ picture, found, taken, units, ask }: Props) {
  const chosen = useChosen();
  const { opened } = picture;
  const subject = taken.kit.subjects.find((row) => row.id === chosen.subjectId)?.data;
  const aspect = opened ? opened.width / opened.height : 1.5;
  const share = opened ? ((found.box[2] - found.box[0]) / opened.width) * 100 : 0;
  const lengthPx = lengthQuantity(found.longestPx, found.plusMinus);
  const crop = smallestCrop(found.box, aspect);
  const sizeOf = ({ widthPx, heightPx }: Crop) =>
    `${formatFixed(widthPx)}\u00a0×\u00a0${formatFixed(heightPx)}\u00a0px`;
  return (
    <View style={{ gap: space.page }}>
      <Told label="Length of the subject" quantity={lengthPx} units={units} onWhy={() => ask(lengthPx)} />
      <Txt>{`It fills ${formatFigures(share, 2)} % of the width. The smallest crop around it is ${sizeOf(crop)}.`}</Txt>
      <View role="list" aria-label="What it is enough for">
        {taken.kit.outputs.map((row) => {
          const needed = neededPixels(row.data, subject?.sizeMm ?? 100);
          const long = outputLongSidePx(row.data);
          const verdict = verdictOf(found.longestPx, needed, lengthPx.plusMinus);
          const own = cropFor(row.data, found, aspect);
          return (
            <View key={row.id} role="listitem" style={{ paddingVertical: space.small }}>
              <Txt kind="strong">{`${VERDICT_MARK[verdict]} ${VERDICT_WORDS[verdict](row.data.name)}`}</Txt>
              <Txt kind="small" tone="soft">
                {`needs ${formatFigures(needed, 3)} px on the subject${long === null ? '' : `, ${formatFixed(long)} px on its long side`}; its crop here is ${sizeOf(own)}${fits(own, opened) ? '' : ', more than the picture holds'}`}
              </Txt>
            </View>
          );
        })}
      </View>
      <LengthAnswer lengthPx={lengthPx} taken={taken} units={units} ask={ask} toldAlready />
    </View>
  );
}
