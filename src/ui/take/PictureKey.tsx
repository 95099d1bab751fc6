import { Suspense, useState, type RefObject } from 'react';
import type { View } from 'react-native';
import { Key } from '../controls/Key';
import { elementOf } from '../web';
import { lazyPart } from '../lazyPart';
import { DESK_PICTURE, DESK_READING, drawingsWithin } from './drawing';
import type { CardContent, CardDrawings } from './pictureCard';

const TakePicture = lazyPart(() => import('./TakePicture'));

interface Props {
  /** What the picture says, taken when the key is pressed; null when there is nothing to show. */
  content: () => CardContent | null;
  /** Where the drawing stands that goes into it; without one, the desk's with its scale. */
  drawing?: RefObject<View | null>;
}

/** What is drawn at the moment the key is pressed. */
const drawnNow = (host: RefObject<View | null> | undefined): CardDrawings =>
  host
    ? { frame: drawingsWithin(elementOf(host)), scale: [] }
    : {
        frame: drawingsWithin(document.getElementById(DESK_PICTURE)),
        scale: drawingsWithin(document.getElementById(DESK_READING)),
      };

/** Makes one picture of what is read, to show to others. */
export function PictureKey({ content, drawing }: Props) {
  const [taken, setTaken] = useState<{ content: CardContent; drawings: CardDrawings } | null>(null);
  const take = () => {
    const said = content();
    if (said) setTaken({ content: said, drawings: drawnNow(drawing) });
  };
  return (
    <>
      <Key title="As a picture" icon="image" weight="plain" onPress={take} />
      {taken ? (
        <Suspense fallback={null}>
          <TakePicture {...taken} onClose={() => setTaken(null)} />
        </Suspense>
      ) : null}
    </>
  );
}
