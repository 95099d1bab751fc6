import { useEffect, useMemo, useState } from 'react';
import { Image, View } from 'react-native';
import { grayBmp } from '@/core/formats/grayBmp';
import type { Plate } from '@/core/train/exercise';
import type { Developed } from '@/core/train/photo';
import { photoAspect } from '@/core/train/photoAspect';
import { developAll } from '@/data/eye/developing';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { channelsOf, type Palette } from '@/ui/theme/palette';
import { stylesOf, usePalette } from '@/ui/theme/theme';
import { PlateDrawing } from './PlateDrawing';

type Photo = Extract<Plate, { kind: 'photo' }>;

/** In the colours of the look: by night nothing shines. */
const uriOf = ({ grey, width, height }: Developed, { patchDark, patchLight }: Palette): string =>
  URL.createObjectURL(
    new Blob([grayBmp(grey, width, height, channelsOf(patchDark), channelsOf(patchLight)) as BlobPart], {
      type: 'image/bmp',
    }),
  );

/** The pictures of an exercise: drawings at once, photographs as soon as the worker has taken them. */
export function Plates({ plates }: { plates: readonly Plate[] }) {
  const styles = useStyles();
  const palette = usePalette();
  const photos = useMemo(() => plates.filter((plate): plate is Photo => plate.kind === 'photo'), [plates]);
  const [developed, setDeveloped] = useState<{ of: readonly Photo[]; all: Developed[] } | null>(null);
  const [failed, setFailed] = useState<readonly Photo[] | null>(null);
  useEffect(() => {
    if (!photos.length) return undefined;
    return developAll(
      photos.map(({ order }) => order),
      (all) => setDeveloped({ of: photos, all }),
      () => setFailed(photos),
    );
  }, [photos]);
  const all = developed?.of === photos ? developed.all : null;
  const uris = useMemo(() => all?.map((each) => uriOf(each, palette)) ?? null, [all, palette]);
  useEffect(() => () => uris?.forEach((uri) => URL.revokeObjectURL(uri)), [uris]);
  const drawings = plates.filter((plate): plate is Exclude<Plate, Photo> => plate.kind !== 'photo');
  return (
    <View style={styles.plates}>
      {drawings.map((plate) => (
        <PlateDrawing key={plate.label} plate={plate} />
      ))}
      {photos.map(({ label, order }, i) => {
        // Of the room as of the picture: what lies below must not move away from under a finger.
        const aspect = photoAspect(order);
        return (
          <View
            key={label}
            style={[
              styles.photo,
              photos.length === 1 && styles.alone,
              photos.length === 2 && photos[0]!.order.make !== 'patch' && styles.pair,
            ]}
          >
            {uris?.[i] ? (
              <Image
                role="img"
                source={{ uri: uris[i] }}
                style={{ width: '100%', aspectRatio: aspect }}
                aria-label={`Photograph: ${label}`}
                testID={`plate-${i}`}
              />
            ) : (
              <View style={[styles.waiting, { aspectRatio: aspect }]} role="status">
                <Txt kind="small" tone="soft">
                  {failed === photos ? 'Not taken: a part of Jauge did not arrive. Go to the next one.' : 'Taking …'}
                </Txt>
              </View>
            )}
            <Txt kind="small" tone="soft">
              {label}
            </Txt>
          </View>
        );
      })}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  plates: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  photo: { flexGrow: 1, flexShrink: 1, flexBasis: 100, minWidth: 0, maxWidth: 420, gap: 2 },
  alone: { maxWidth: 640 },
  // Detail is compared as large as it fits: one below the other on a phone.
  pair: { flexBasis: 260 },
  waiting: {
    width: '100%',
    alignItems: 'center',
    justifyContent: 'center',
    borderWidth: 1,
    borderStyle: 'dashed',
    borderColor: palette.inkSoft,
  },
}));
