import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Measurement } from '@/contract/schemas/measurement';
import type { Found } from '@/core/measure/benchTalk';
import type { BenchPicture } from '@/data/bench/pictures';
import { useNotice } from '@/data/notice';
import { createRow } from '@/data/rowActions';
import { CheckBox } from '@/ui/rne';
import { Key } from '@/ui/controls/Key';
import { thumbnailOf } from '@/ui/picture/thumbnail';
import { space } from '@/ui/theme/measures';
import { numbersOf, type NamedNumber } from './numbersOf';
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

/** Numbers as the Book keeps them. */
export const foundRow = (numbers: NamedNumber[]): Measurement['found'] =>
  numbers.map(({ name, quantity: { value, unit, plusMinus } }) => ({
    name,
    value,
    unit,
    ...(plusMinus === undefined ? {} : { plusMinus }),
  }));

/** With what a picture was taken, as the Book keeps it. */
export const takenRow = ({ setupRow, pitchUm }: TakenWith): Pick<Measurement, 'setupId' | 'setupName' | 'chain'> =>
  setupRow && pitchUm ? { setupId: setupRow.id, setupName: setupRow.data.name, chain: setupRow.data.chain } : {};

/** Keeps what a picture answered in the Book; the picture itself stays where it is, a small copy goes along if wanted. */
export function KeepMeasurement({ picture, found, taken }: Props) {
  const { opened, name, truth } = picture;
  if (!opened) return null;
  return (
    <KeepKey
      picture={picture}
      row={() => ({
        asked: found.measure,
        found: foundRow(numbersOf(found, opened.width, taken)),
        byHand: byHand(picture),
        simulated: truth !== null,
        pictureName: name.slice(0, 240),
        ...takenRow(taken),
        note: '',
      })}
    />
  );
}

interface KeyProps {
  /** Of which the small copy is made. */
  picture: BenchPicture;
  /** What is kept, without the time and the small copy. */
  row: () => Omit<Measurement, 'measuredAt' | 'thumbnail'>;
}

/** The key that keeps something in the Book, with a small copy of a picture if wanted. */
export function KeepKey({ picture: { opened, holder }, row }: KeyProps) {
  const router = useRouter();
  const show = useNotice((state) => state.show);
  const [small, setSmall] = useState(true);
  const keep = async () => {
    const thumbnail = small && opened ? await thumbnailOf((part) => holder.part(part), opened) : null;
    createRow('measurements', {
      ...row(),
      ...(thumbnail ? { thumbnail } : {}),
      measuredAt: new Date().toISOString(),
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
