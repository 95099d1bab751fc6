import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Found } from '@/core/measure/benchTalk';
import type { BenchPicture } from '@/data/bench/pictures';
import { useNotice } from '@/data/notice';
import { createRow } from '@/data/rowActions';
import { CheckBox } from '@/ui/rne';
import { Key } from '@/ui/controls/Key';
import { thumbnailOf } from '@/ui/picture/thumbnail';
import { space } from '@/ui/theme/measures';
import { numbersOf } from './numbersOf';
import type { TakenWith } from './useTakenWith';

interface Props {
  picture: BenchPicture;
  found: Found;
  taken: TakenWith;
}

/** Whether the person put something right: said what a tick is, or moved the ends of what had been found. */
const byHand = ({ question, found }: BenchPicture): boolean =>
  (question?.measure === 'ruler' && (question.tickMm !== undefined || Boolean(question.notAlong?.length))) ||
  found?.measure === 'length';

/** Keeps what a picture answered in the Book; the picture itself stays where it is, a small copy goes along if wanted. */
export function KeepMeasurement({ picture, found, taken }: Props) {
  const router = useRouter();
  const show = useNotice((state) => state.show);
  const [small, setSmall] = useState(true);
  const { opened, holder, name, truth } = picture;
  if (!opened) return null;
  const keep = async () => {
    const thumbnail = small ? await thumbnailOf((part) => holder.part(part), opened) : null;
    const { setupRow } = taken;
    createRow('measurements', {
      asked: found.measure,
      found: numbersOf(found, opened.width, taken).map(({ name: what, quantity }) => ({
        name: what,
        value: quantity.value,
        unit: quantity.unit,
        ...(quantity.plusMinus === undefined ? {} : { plusMinus: quantity.plusMinus }),
      })),
      byHand: byHand(picture),
      simulated: truth !== null,
      pictureName: name.slice(0, 240),
      ...(setupRow && taken.pitchUm
        ? { setupId: setupRow.id, setupName: setupRow.data.name, chain: setupRow.data.chain }
        : {}),
      ...(thumbnail ? { thumbnail } : {}),
      measuredAt: new Date().toISOString(),
      note: '',
    });
    show({ text: 'Kept in the Book.', action: { title: 'Open the Book', run: () => router.push('/book' as Href) } });
  };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.medium }}>
      <Key title="Keep it in the Book" icon="bookmark-add" onPress={() => void keep()} testID="keep" />
      <CheckBox
        title="with a small picture"
        checked={small}
        onPress={() => setSmall(!small)}
        role="checkbox"
        aria-checked={small}
        aria-label="with a small picture"
      />
    </View>
  );
}
