import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { StarTest } from '@/contract/schemas/starTest';
import { readStars } from '@/core/sky/readStars';
import {
  FRAME_VERDICT_NAMES,
  contradictionsIn,
  learnTolerance,
  seriesExposures,
  type FrameVerdict,
} from '@/core/sky/testSeries';
import { formatFigures } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';
import { saveFile } from '@/ui/files';
import { createRow, removeRow } from '@/data/rowActions';
import { useSky } from '@/data/inHand';
import { useRows } from '@/data/useRows';
import { PageLinks } from '@/ui/PageLinks';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { FieldRow } from '@/ui/controls/FieldRow';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { SkyPage } from '../SkyPage';
import { lensIdOf, lensRecordOf, starWays, useLensRecord } from '../skyWays';
import { runText, secondsText } from '../starWords';
import type { SkyDesk } from '../useSkyDesk';

/** More pictures than this nobody judges. */
const MOST_FRAMES = 40;
const VERDICTS = (Object.keys(FRAME_VERDICT_NAMES) as FrameVerdict[]).map((value) => ({
  value,
  name: FRAME_VERDICT_NAMES[value],
}));

/** A test series: exposures, a checklist, a verdict for each picture, and what is learned from them. */
export default function SeriesPage() {
  return <SkyPage title="Test series">{(desk) => <Series desk={desk} />}</SkyPage>;
}

type Judged = Record<string, { centre?: FrameVerdict; corner?: FrameVerdict }>;

function Series({ desk }: { desk: Extract<SkyDesk, { status: 'ready' }> }) {
  const styles = useStyles();
  const sky = useSky();
  const { situation, system } = desk;
  const record = useLensRecord(situation, system.markedFocalMm);
  const { rows } = useRows('starTests');
  const [judged, setJudged] = useState<Judged>({});
  const { fromS, toS, stepS } = sky.series;
  const exposures = useMemo(
    () => (toS >= fromS && (toS - fromS) / stepS < MOST_FRAMES ? seriesExposures(fromS, toS, stepS) : []),
    [fromS, toS, stepS],
  );
  const frames = useMemo(() => {
    const ways = starWays(sky, record);
    return exposures.map((seconds) => {
      const reading = readStars({ system, output: situation.output, ...ways, exposureS: seconds });
      return { seconds, centrePx: reading.centreDriftPx.value, cornerPx: reading.worstDriftPx.value };
    });
  }, [exposures, sky, record, system, situation.output]);
  const withVerdicts: StarTest['frames'] = frames.map((frame) => ({ ...frame, ...judged[frame.seconds] }));
  const learned = learnTolerance(withVerdicts);
  const contradictions = contradictionsIn(withVerdicts);
  const opticId = lensIdOf(situation);
  const own = rows.filter((row) => row.data.opticId === opticId && row.data.frames.length > 0);
  const judge = (seconds: number, where: 'centre' | 'corner', verdict: FrameVerdict) =>
    setJudged((before) => ({ ...before, [seconds]: { ...before[seconds], [where]: verdict } }));
  const keep = () => {
    if (!opticId) return;
    createRow('starTests', {
      name: `${system.lens.name}, ${exposures.length} pictures`,
      opticId,
      focalMm: system.markedFocalMm,
      frames: withVerdicts.filter((frame) => frame.centre ?? frame.corner),
      takenAt: new Date().toISOString(),
    });
    setJudged({});
    sky.set({ toleranceKind: 'own', exposureS: null });
  };
  const checklist = [
    `Tripod on firm ground, stabiliser off, ${system.lens.name} focused on a bright star at full magnification, then locked.`,
    `${formatFigures(system.markedFocalMm, 3)}\u202fmm, ${showFNumber(system.fNumber.value)}, the same ISO for all; raw.`,
    'Point where the stars run fastest: about the equator of the sky, or where you will really take the picture.',
    'Two seconds of delay or a remote release; nothing may shake.',
    `One picture each: ${exposures.map((seconds) => secondsText(seconds)).join(', ')}.`,
    'Then look: the centre first, then the corners; at full frame as you show it, and at 100 %.',
  ];
  const card = () =>
    saveFile(
      'star-test.md',
      new Blob(
        [
          `# Star test: ${system.lens.name} on ${system.body.name}\n\n${checklist.map((line) => `- [ ] ${line}`).join('\n')}\n`,
        ],
        { type: 'text/markdown' },
      ),
    );
  return (
    <>
      <FieldRow>
        <NumberField
          label="From"
          value={fromS}
          unit="none"
          shownUnit="s"
          minimum={0.1}
          maximum={3600}
          onChange={(value) => value !== null && sky.set({ series: { ...sky.series, fromS: value } })}
          testID="series-from"
        />
        <NumberField
          label="to"
          value={toS}
          unit="none"
          shownUnit="s"
          minimum={0.1}
          maximum={3600}
          onChange={(value) => value !== null && sky.set({ series: { ...sky.series, toS: value } })}
          testID="series-to"
        />
        <NumberField
          label="by"
          value={stepS}
          unit="none"
          shownUnit="s"
          minimum={0.1}
          maximum={600}
          onChange={(value) => value !== null && sky.set({ series: { ...sky.series, stepS: value } })}
        />
      </FieldRow>
      {exposures.length ? null : (
        <Txt tone="caution" role="status">
          {toS < fromS
            ? 'The longest exposure is shorter than the first. Make it longer.'
            : `That is more than ${MOST_FRAMES} pictures. Take a larger step.`}
        </Txt>
      )}
      <View style={styles.list} role="list" aria-label="Checklist">
        {checklist.map((line) => (
          <Txt key={line} kind="small" role="listitem">
            ▢ {line}
          </Txt>
        ))}
      </View>
      <Key title="Take the checklist along" icon="save-alt" onPress={card} />
      <PageLinks
        label="Measured instead of judged"
        pages={[
          {
            href: '/bench',
            name: 'Measure the pictures on the Bench',
            gloss: 'bring all of them: how far stars ran in each, the lens told from the sky, your time from it',
          },
        ]}
      />
      <Txt kind="title" level={2}>
        What you saw
      </Txt>
      {frames.map((frame) => (
        <View key={frame.seconds} style={styles.frame} testID={`frame-${frame.seconds}`}>
          <Txt kind="strong">
            {secondsText(frame.seconds)}{' '}
            <Txt
              kind="small"
              tone="soft"
            >{`runs ${runText(frame.centrePx)} in the centre, ${runText(frame.cornerPx)} in the corner`}</Txt>
          </Txt>
          <View style={styles.row}>
            <Choice
              label={`Centre at ${secondsText(frame.seconds)}`}
              value={judged[frame.seconds]?.centre ?? null}
              options={VERDICTS}
              onChange={(verdict) => judge(frame.seconds, 'centre', verdict)}
            />
            <Choice
              label={`Corners at ${secondsText(frame.seconds)}`}
              value={judged[frame.seconds]?.corner ?? null}
              options={VERDICTS}
              onChange={(verdict) => judge(frame.seconds, 'corner', verdict)}
            />
          </View>
        </View>
      ))}
      {learned ? (
        <>
          <Txt testID="learned" role="status">
            {`With this lens, by the longest run you called fine, you take up to ${formatFigures(learned.centrePx, 2)}\u202fpx for a point in the centre and ${formatFigures(learned.cornerPx, 2)}\u202fpx in the corners${learned.smallCentrePx !== undefined && learned.smallCentrePx > learned.centrePx ? `; shown small up to ${formatFigures(learned.smallCentrePx, 2)}\u202fpx pass` : ''}.`}
          </Txt>
          <Key title="Keep it and go by it" icon="bookmark-add" weight="strong" onPress={keep} />
        </>
      ) : (
        <Txt tone="soft">
          Call at least one picture fine in the centre and one in the corners, shorter than any that is not; then your
          tolerance is known.
        </Txt>
      )}
      {contradictions.map((each) => (
        <Txt key={`${each.where} ${each.seconds}`} tone="caution" testID="contradiction">
          {`⚠ ${each.where === 'centre' ? 'Centre' : 'Corners'} at ${secondsText(each.seconds)}: called fine at ${runText(each.px)}, though ${runText(each.againstPx)} was not. Look at both again; it is not counted.`}
        </Txt>
      ))}
      {own.length ? (
        <View style={styles.list}>
          <Txt kind="title" level={2}>
            Kept for this lens
          </Txt>
          {own.map((row) => {
            const found = lensRecordOf([row.data], opticId, row.data.focalMm).learned;
            return (
              <View key={row.id} style={styles.kept}>
                <Txt kind="small" style={styles.words}>
                  {`${row.data.takenAt.slice(0, 10)}: ${row.data.name} at ${formatFigures(row.data.focalMm, 3)}\u202fmm${found ? `, ${formatFigures(found.centrePx, 2)}\u202fpx and ${formatFigures(found.cornerPx, 2)}\u202fpx` : ''}`}
                </Txt>
                <Key
                  title={`Delete the test of ${row.data.takenAt.slice(0, 10)}`}
                  icon="delete-outline"
                  iconOnly
                  weight="plain"
                  onPress={() => removeRow('starTests', row, row.data.name)}
                />
              </View>
            );
          })}
        </View>
      ) : null}
    </>
  );
}

const useStyles = stylesOf((palette) => ({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.page },
  list: { gap: space.small },
  frame: { gap: space.small, borderTopWidth: 1, borderColor: palette.hairline, paddingTop: space.medium },
  kept: { flexDirection: 'row', alignItems: 'center', gap: space.medium },
  words: { flex: 1 },
}));
