import { useEffect, useMemo, useState } from 'react';
import { Image, ScrollView, View, useWindowDimensions } from 'react-native';
import { PATCH_SIZE, patchSideMm, type PatchSystem } from '@/core/detail/patch';
import { textureOf } from '@/core/detail/textures/texture';
import { grayBmp } from '@/core/formats/grayBmp';
import { readFar } from '@/core/far/readFar';
import { foldSystem } from '@/core/optics/foldSystem';
import { formatFigures, formatFixed } from '@/core/quantity/format';
import { showSubjectMm, shownText } from '@/core/quantity/quantityText';
import { usePreferences } from '@/data/preferences';
import { renderPatches } from '@/data/patches';
import { Page } from '@/ui/Page';
import { Txt } from '@/ui/Txt';
import { TakeImage } from '@/ui/take/TakeImage';
import { RAIL_WIDTH, WIDE_FROM, space } from '@/ui/theme/measures';
import { channelsOf } from '@/ui/theme/palette';
import { stylesOf, usePalette } from '@/ui/theme/theme';
import { Chooser } from './Chooser';
import { useContenders } from './useContenders';

interface Seen {
  id: string;
  name: string;
  system: PatchSystem;
  pixels: number;
  resolved: number;
  share: number;
}

/** The same piece of the subject as each set-up would render it, at the same size. */
export default function DetailPage() {
  const styles = useStyles();
  const palette = usePalette();
  const { width } = useWindowDimensions();
  const contest = useContenders();
  const units = usePreferences((state) => state.units);
  const { situation, contenders } = contest;
  const seen = useMemo(() => {
    if (!situation) return [];
    return contenders.flatMap((each): Seen[] => {
      const folded = foldSystem(each.setup, situation.convention);
      if (!folded.ok) return [];
      const read = readFar({ ...situation, system: folded.value });
      if (!read.ok || read.value.obstacle) return [];
      const { value: system } = folded;
      const { ratio, workingFNumber, pixelsOnSubject, resolvedPixels, resolvedShare } = read.value;
      return [
        {
          id: each.id,
          name: each.name,
          system: {
            pixelMm: system.pitchUm.value / 1000 / ratio.value,
            ratio: ratio.value,
            parts: {
              pitchUm: system.pitchUm.value,
              workingFNumber: workingFNumber.value,
              lens50LpPerMm: system.lens50LpPerMm.value,
              antiAliasPx: system.antiAliasPx,
            },
          },
          pixels: pixelsOnSubject.value,
          resolved: resolvedPixels.value,
          share: resolvedShare.value,
        },
      ];
    });
  }, [situation, contenders]);
  const [failed, setFailed] = useState<Seen[] | null>(null);
  const [rendered, setRendered] = useState<{ for: Seen[]; patches: Float64Array[] } | null>(null);
  useEffect(() => {
    if (!seen.length || !situation) return;
    return renderPatches(
      seen.map((each) => each.system),
      { kind: situation.subject.kind, sizeMm: situation.subject.sizeMm },
      (patches) => setRendered({ for: seen, patches }),
      () => setFailed(seen),
    );
  }, [seen, situation]);
  const ready = rendered?.for === seen ? rendered.patches : null;
  const uris = useMemo(
    () =>
      ready?.map((patch) =>
        URL.createObjectURL(
          new Blob(
            [
              grayBmp(
                patch,
                PATCH_SIZE,
                PATCH_SIZE,
                channelsOf(palette.patchDark),
                channelsOf(palette.patchLight),
              ) as BlobPart,
            ],
            { type: 'image/bmp' },
          ),
        ),
      ),
    [ready, palette],
  );
  useEffect(() => () => uris?.forEach((uri) => URL.revokeObjectURL(uri)), [uris]);
  // In one row as large as they fit, where there is the width for it.
  const wide = width >= WIDE_FROM;
  const beside = wide ? Math.max(2, seen.length) : 2;
  const column = Math.floor(
    Math.min((width - 2 * space.page - (beside - 1) * space.medium - (wide ? RAIL_WIDTH : 0)) / beside, 420),
  );
  return (
    <Page title="Detail, seen" up="/far">
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        {situation ? (
          <Txt kind="small" tone="soft">
            {seen.length
              ? `A piece of ${textureOf(situation.subject.kind).name} ${shownText(showSubjectMm(patchSideMm(seen.map((each) => each.system)), units, 2))} across, drawn by Jauge, as each set-up would render it from here: blurred by its lens, its opening, its filter and its pixels, then enlarged to the same size.`
              : ''}
          </Txt>
        ) : (
          <Txt tone="soft">{contest.loading ? 'Opening …' : 'Take a set-up and a subject in hand first.'}</Txt>
        )}
        <View style={styles.grid}>
          {seen.map((each, i) => (
            <View key={each.id} style={{ width: column, gap: space.small }}>
              {uris?.[i] ? (
                <Image
                  role="img"
                  source={{ uri: uris[i] }}
                  style={{ width: column, height: column }}
                  aria-label={`The subject as ${each.name} renders it: ${formatFixed(each.share)} per cent of its pixels resolved`}
                  testID={`patch-${contest.letterOf(each.id)}`}
                />
              ) : (
                <View style={[styles.waiting, { width: column, height: column }]} role="status">
                  <Txt kind="small" tone="soft">
                    {failed === seen
                      ? 'Not rendered: a part of Jauge did not arrive. Start the server again and reopen this page.'
                      : 'Rendering …'}
                  </Txt>
                </View>
              )}
              <View style={styles.titleLine}>
                <Txt kind="strong" style={styles.name}>
                  {contest.letterOf(each.id)} {each.name}
                </Txt>
                {uris?.[i] ? (
                  <TakeImage title={`${each.name} renders ${situation?.subject.name}`} uri={uris[i]} />
                ) : null}
              </View>
              <Txt kind="small" tone="soft">
                {formatFixed(each.pixels)} px, {formatFixed(each.resolved)} resolved (
                {`${formatFixed(each.share)}\u00a0%`}); a pixel is {`${formatFigures(each.system.pixelMm, 2)}\u202fmm`}{' '}
                there
              </Txt>
            </View>
          ))}
        </View>
        <Chooser contest={contest} />
        <Txt kind="small" tone="soft">
          Not in it: shake, haze, focus error, noise and sharpening.
        </Txt>
      </ScrollView>
    </Page>
  );
}

const useStyles = stylesOf((palette) => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 1760, marginHorizontal: 'auto' },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: space.medium },
  titleLine: { flexDirection: 'row', alignItems: 'center', gap: space.medium },
  name: { flex: 1 },
  waiting: { alignItems: 'center', justifyContent: 'center', borderWidth: 1, borderColor: palette.hairline },
}));
