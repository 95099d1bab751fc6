import { useEffect, useState } from 'react';
import { Image, View } from 'react-native';
import { Sheet } from '../Sheet';
import { Txt } from '../Txt';
import { Key } from '../controls/Key';
import { saveFile } from '../files';
import { space } from '../theme/measures';
import { usePalette } from '../theme/theme';
import { TakeKeys } from './TakeKeys';
import { fileName, pngBlob, svgBlob } from './files';
import { pictureCard, type CardContent, type CardDrawings } from './pictureCard';

interface Props {
  content: CardContent;
  drawings: CardDrawings;
  onClose: () => void;
}

const SHOWN_WIDTH = 320;

/** The picture as it will be, and the ways to take it along. */
export default function TakePicture({ content, drawings, onClose }: Props) {
  const palette = usePalette();
  const [card] = useState(() => pictureCard(content, drawings, palette));
  const [address, setAddress] = useState<string | null>(null);
  const [failed, setFailed] = useState(false);
  const { title } = content;
  useEffect(() => {
    let made: string | null = null;
    let gone = false;
    void svgBlob(card, title, palette.paper).then((blob) => {
      if (gone) return;
      made = URL.createObjectURL(blob);
      setAddress(made);
    });
    return () => {
      gone = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [card, title, palette.paper]);
  const tried = (work: Promise<void>) => {
    setFailed(false);
    work.catch((error: unknown) => {
      // Closing the system's own sheet is no failure.
      if (!(error instanceof DOMException && error.name === 'AbortError')) setFailed(true);
    });
  };
  const png = () => pngBlob(card, title, palette.paper);
  const share = async () => {
    const file = new File([await png()], fileName(title, 'png'), { type: 'image/png' });
    await navigator.share({ files: [file], title });
  };
  return (
    <Sheet
      title="One picture to show"
      onClose={onClose}
      footer={
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
          <Key
            title="PNG"
            icon="download"
            weight="strong"
            onPress={() => tried(png().then((blob) => saveFile(fileName(title, 'png'), blob)))}
          />
          <Key
            title="SVG"
            icon="download"
            onPress={() =>
              tried(svgBlob(card, title, palette.paper).then((blob) => saveFile(fileName(title, 'svg'), blob)))
            }
          />
          {canShareFiles() ? <Key title="Share" icon="share" onPress={() => tried(share())} /> : null}
        </View>
      }
    >
      {failed ? (
        <Txt kind="small" tone="caution" role="status">
          The file could not be made. Try again, or take the other format.
        </Txt>
      ) : null}
      <View style={{ alignItems: 'center', minHeight: (SHOWN_WIDTH * card.heightPx) / card.widthPx }}>
        {address ? (
          <Image
            source={{ uri: address }}
            style={{ width: SHOWN_WIDTH, height: (SHOWN_WIDTH * card.heightPx) / card.widthPx }}
            resizeMode="contain"
            accessibilityLabel={`${title}: picture with drawing and numbers`}
          />
        ) : null}
      </View>
      {[...drawings.frame, ...drawings.scale].map(({ name, drawing }) => (
        <View key={name} style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
          <Txt kind="small" style={{ flexShrink: 1 }}>{`Alone: ${name}`}</Txt>
          <TakeKeys
            what={name}
            kinds={['SVG', 'PNG']}
            onTake={async (kind) => {
              const [make, ending] = kind === 'SVG' ? ([svgBlob, 'svg'] as const) : ([pngBlob, 'png'] as const);
              saveFile(fileName(`${title} ${name}`, ending), await make(drawing, name, palette.paper));
            }}
          />
        </View>
      ))}
    </Sheet>
  );
}

/** Whether this browser hands files on to other applications. */
const canShareFiles = (): boolean =>
  typeof navigator.canShare === 'function' &&
  navigator.canShare({ files: [new File([''], 'a.png', { type: 'image/png' })] });
