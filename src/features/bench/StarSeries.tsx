import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { starSeries, timeFor, type Growth } from '@/core/measure/stars/starSeries';
import { FRAME_VERDICT_NAMES, learnTolerance, type FrameVerdict } from '@/core/sky/testSeries';
import { toleranceOf } from '@/core/sky/tolerance';
import { formatFigures } from '@/core/quantity/format';
import { askPicture, type BenchPicture } from '@/data/bench/pictures';
import { useSky } from '@/data/inHand';
import { useNotice } from '@/data/notice';
import { useChosen } from '@/data/useChosen';
import { createRow } from '@/data/rowActions';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { pointingFrom } from '../sky/skyWays';
import { exposureOf, starSetupOf } from './starSetup';
import type { TakenWith } from './useTakenWith';

const VERDICTS = (Object.keys(FRAME_VERDICT_NAMES) as FrameVerdict[]).map((value) => ({
  value,
  name: FRAME_VERDICT_NAMES[value],
}));

interface Props {
  pictures: BenchPicture[];
  taken: TakenWith;
}

/** A series of growing exposure: how far stars ran over time, what the lens does at none, and what one takes for a point. */
export function StarSeries({ pictures, taken }: Props) {
  const sky = useSky();
  const show = useNotice((state) => state.show);
  const [judged, setJudged] = useState<Record<number, FrameVerdict>>({});
  const timed = pictures.filter((picture) => exposureOf(picture) !== null);
  const series = useMemo(() => {
    const measured = pictures.flatMap((picture) => {
      const exposureS = exposureOf(picture);
      return picture.found?.measure === 'stars' && exposureS !== null
        ? [{ exposureS, found: picture.found.value }]
        : [];
    });
    return measured.length >= 3 ? starSeries(measured) : null;
  }, [pictures]);
  const shown = useShown(taken, pictures[0]?.opened ?? null);
  const askAll = () => {
    for (const picture of timed) {
      const setup = starSetupOf(picture, taken, pointingFrom(sky), sky.projection);
      void askPicture(picture.id, { measure: 'stars', ...(setup ? { setup } : {}) });
    }
  };
  const opticId = taken.setupRow?.data.chain.findLast((link) => link.type === 'optic')?.id;
  const frames = series?.ok
    ? series.value.pictures.map(({ exposureS, centrePx, cornerPx }) => ({
        seconds: exposureS,
        centrePx,
        cornerPx,
        centre: judged[exposureS],
        corner: judged[exposureS],
      }))
    : [];
  const learned = learnTolerance(frames);
  const keep = () => {
    if (!opticId || !taken.system) return;
    createRow('starTests', {
      name: `${taken.system.lens.name}, ${frames.length} pictures measured`,
      opticId,
      focalMm: taken.system.markedFocalMm,
      frames: frames.filter(({ centre }) => centre),
      takenAt: new Date().toISOString(),
    });
    sky.set({ toleranceKind: 'own', exposureS: null });
    show({ text: 'Kept: Stars goes by it from now on.' });
  };
  return (
    <View style={{ gap: space.medium }}>
      <Txt kind="strong">How long may stars be exposed?</Txt>
      <Txt kind="small" tone="soft">
        Three and more pictures of the same sky, each exposed longer than the one before.
      </Txt>
      <Key
        title={`Measure the stars in all ${timed.length}`}
        disabled={timed.length < 3}
        why={
          timed.length < pictures.length
            ? 'Not all of them say how long they were exposed.'
            : `There are ${pictures.length} on the bench, three are needed.`
        }
        onPress={askAll}
        testID="ask-series"
      />
      {series && !series.ok ? <Txt tone="caution">{series.problem.message}</Txt> : null}
      {series?.ok ? (
        <>
          <Table
            label="How far stars ran"
            heads={['Exposure', 'Middle, px', 'Corners, px']}
            rows={series.value.pictures.map((each) => ({
              key: String(each.exposureS),
              cells: [
                `${formatFigures(each.exposureS, 3)} s`,
                `${formatFigures(each.centrePx, 3)} ± ${formatFigures(each.centreError, 1)}`,
                `${formatFigures(each.cornerPx, 3)} ± ${formatFigures(each.cornerError, 1)}`,
              ],
            }))}
          />
          <Txt>{growthWords('In the middle', series.value.centre)}</Txt>
          <Txt>{growthWords('In the corners', series.value.corner)}</Txt>
          <Txt testID="series-time">
            {`They run ${formatFigures(sky.tolerancePx, 2)} px at 100 %, what passes for a point under Stars, after ${timeWords(timeFor(series.value.centre, sky.tolerancePx))} in the middle and ${timeWords(timeFor(series.value.corner, sky.tolerancePx))} in the corners.`}
          </Txt>
          {shown ? (
            <Txt testID="series-output">
              {`For ${shown.name} ${formatFigures(shown.px, 2)} px pass: up to ${timeWords(timeFor(series.value.centre, shown.px))} in the middle and ${timeWords(timeFor(series.value.corner, shown.px))} in the corners.`}
            </Txt>
          ) : null}
          {frames.map(({ seconds }) => (
            <Choice
              key={seconds}
              label={`What you see at ${formatFigures(seconds, 3)} s`}
              value={judged[seconds] ?? null}
              options={VERDICTS}
              onChange={(verdict) => setJudged((before) => ({ ...before, [seconds]: verdict }))}
            />
          ))}
          <Key
            title="Keep it as my tolerance with this lens"
            icon="bookmark-add"
            weight="strong"
            disabled={!learned || !opticId}
            why="Call at least one picture fine, shorter than any that is not."
            onPress={keep}
            testID="keep-series"
          />
        </>
      ) : null}
    </View>
  );
}

/** How far stars may run where the whole picture is shown on the output in hand, px at 100 %. */
function useShown({ kit }: TakenWith, size: { width: number; height: number } | null) {
  const count = useSky().tolerancePx;
  const { outputId } = useChosen();
  const output = (kit.outputs.find(({ id }) => id === outputId) ?? kit.outputs[0])?.data;
  if (!output || !size) return null;
  const longSidePx = Math.max(size.width, size.height);
  return { name: output.name, px: toleranceOf({ kind: 'output', count, output, longSidePx }).centre.value };
}

const timeWords = (seconds: number): string =>
  Number.isFinite(seconds)
    ? seconds > 0
      ? `${formatFigures(seconds, 3)} s`
      : 'no time: the lens draws them longer'
    : 'any time';

const growthWords = (where: string, { lensPx, perSecond }: Growth): string =>
  `${where} the sky draws ${formatFigures(perSecond.value, 3)} ± ${formatFigures(perSecond.plusMinus, 1)} px each second; at no time at all the lens leaves ${formatFigures(lensPx.value, 2)} ± ${formatFigures(lensPx.plusMinus, 1)} px.`;
