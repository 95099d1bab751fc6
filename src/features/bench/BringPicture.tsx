import { useEffect } from 'react';
import { View } from 'react-native';
import { bringPictures } from '@/data/bench/pictures';
import { DropZone } from '@/ui/DropZone';
import { PageLinks } from '@/ui/PageLinks';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { pickFiles } from '@/ui/files';
import { space } from '@/ui/theme/measures';
import { SimulatedCamera } from './SimulatedCamera';

const ACCEPTED = 'image/*,.dng,.fit,.fits,.fts,.ser,.tif,.tiff';

/** Pictures pasted anywhere on the page come to the bench. */
function usePaste(): void {
  useEffect(() => {
    if (typeof document === 'undefined' || typeof document.addEventListener !== 'function') return;
    const onPaste = (event: ClipboardEvent) => {
      const files = [...(event.clipboardData?.files ?? [])];
      if (files.length) bringPictures(files);
    };
    document.addEventListener('paste', onPaste);
    return () => document.removeEventListener('paste', onPaste);
  }, []);
}

/** How pictures come to the bench: chosen, dropped, pasted, or taken by the simulated camera. */
export function BringPicture({ short = false }: { short?: boolean }) {
  usePaste();
  return (
    <View style={{ gap: space.page }}>
      <DropZone label="Pictures, dropped here" onFiles={bringPictures}>
        <Key
          title={short ? 'Another picture' : 'Choose pictures'}
          icon="photo-library"
          weight={short ? 'outline' : 'strong'}
          onPress={() => void pickFiles(ACCEPTED).then(bringPictures)}
        />
        <Txt kind="small" tone="soft">
          {short
            ? '… or drop or paste it.'
            : '… or drop or paste them here: JPEG, PNG, TIFF, WebP, AVIF, FITS, SER or raw, as they left the camera. They stay on this device.'}
        </Txt>
      </DropZone>
      <SimulatedCamera startsOpen={!short} />
      <PageLinks
        label="More on the bench"
        pages={[{ href: '/bench/charts', name: 'Charts to photograph', gloss: 'a ruler and discs, at true size' }]}
      />
    </View>
  );
}
