import { memo, useCallback, useEffect, useMemo, useRef } from 'react';
import { Pressable, View, useWindowDimensions } from 'react-native';
import { starLimits, starVerdict, starsAt, type StarsReading } from '@/core/sky/readStars';
import { isStarRule } from '@/core/sky/starRules';
import { useInHand, useSky } from '@/data/inHand';
import { quantityText } from '@/core/quantity/quantityText';
import { usePreferences } from '@/data/preferences';
import { starsReadingKept } from '@/data/keptReading';
import { useCalmed } from '@/data/useCalmed';
import { DeskFrame } from '@/ui/DeskFrame';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { useFieldModes } from '@/ui/fieldModes';
import { Txt } from '@/ui/Txt';
import { TimeGauge } from '@/ui/gauge/TimeGauge';
import { OutputKeys } from '@/ui/reading/OutputKeys';
import { VerdictLine } from '@/ui/reading/VerdictLine';
import { TARGET, WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { KeepBar } from '@/features/book/KeepBar';
import { SkyDeskGate } from './SkyDeskGate';
import { StarControls, StarDock } from './StarControls';
import { StarGroups } from './StarGroups';
import { StarLeverList } from './StarLeverList';
import { StarLoupes, StarPicture } from './StarPicture';
import { useLensRecord, useStarWays } from './skyWays';
import { STAR_VERDICT_WORDS, secondsText, starMark, starSentence } from './starWords';
import type { SkyDesk } from './useSkyDesk';
import { AssumedLine } from '../desk/AssumedLine';
import { useIsoInUse } from '../desk/useIsoInUse';
import { useWhy } from '../desk/useWhy';

type Ready = Extract<SkyDesk, { status: 'ready' }>;

/** Stars: how long the shutter may stay open on a camera that stands still. */
export default function StarsDesk() {
  return <SkyDeskGate here="/sky">{(desk) => <Stars desk={desk} />}</SkyDeskGate>;
}

/** All but a pull at the exposure reaches the groups at once. */
const isTap = (from: StarsReading, to: StarsReading): boolean => from.limitS !== to.limitS;

function Stars({ desk }: { desk: Ready }) {
  const styles = useStyles();
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  // With the levers under the thumb the picture leaves the limits room.
  const { oneHand } = useFieldModes();
  const units = usePreferences((state) => state.units);
  const chooseOutput = useInHand((state) => state.chooseOutput);
  const setSky = useSky((state) => state.set);
  const { ask: onWhy, sheetFor } = useWhy((preference, choice) => {
    if (preference !== 'starRule' || !isStarRule(choice)) return false;
    setSky({ rule: choice, exposureS: null });
    return true;
  });
  const { situation, system, kit } = desk;
  const record = useLensRecord(situation, system.markedFocalMm);
  // What a drag of the exposure leaves as it is, worked out once for it.
  const ways = useStarWays(record);
  const limits = useMemo(
    () => starLimits({ system, output: situation.output, ...ways }),
    [system, situation.output, ways],
  );
  const limitsByOutput = useMemo(
    () => kit.outputs.map((row) => starLimits({ system, output: row.data, ...ways })),
    [kit.outputs, system, ways],
  );
  const exposureS = useSky((state) => state.exposureS);
  const reading = useMemo(() => starsAt(limits, exposureS ?? undefined), [limits, exposureS]);
  const calm = useCalmed(reading, 140, isTap);
  const seconds = reading.exposureS.value;
  const outputs = useMemo(() => kit.outputs.map((row) => ({ id: row.id, name: row.data.name })), [kit.outputs]);
  // A star runs as far whatever the picture is for: only how far it may differs, and, with none set, the exposure.
  const verdicts = limitsByOutput
    .map((each) =>
      exposureS === null
        ? starsAt(each, undefined).verdict
        : starVerdict(each, reading.centreDriftPx.value, reading.worstDriftPx.value),
    )
    .map(starMark)
    .join(' ');

  const iso = useIsoInUse(system, situation.output);
  const sheet = sheetFor(system, reading, iso);
  const latest = useRef({ situation, system, reading, ways });
  useEffect(() => {
    latest.current = { situation, system, reading, ways };
  });
  const takeReading = useCallback((takenAt: string, note: string) => {
    const { reading: taken, ways: by, ...rest } = latest.current;
    return starsReadingKept({ ...rest, takenAt, note }, taken, by);
  }, []);
  const chosen = reading.rules.find((rule) => rule.chosen)!;
  const words = STAR_VERDICT_WORDS[reading.verdict];
  return (
    <DeskFrame
      picture={
        <StarPicture
          system={system}
          reading={reading}
          output={situation.output}
          maxHeight={height * (wide ? 0.42 : oneHand ? 0.14 : 0.26)}
          beside={!oneHand}
        />
      }
      reading={
        <View style={styles.block}>
          <Limits
            limit={
              reading.limitS.plusMinus === undefined
                ? secondsText(reading.limitS.value)
                : quantityText(reading.limitS, units)
            }
            school={chosen.name}
            centre={secondsText(reading.centreS.value)}
            onWhy={onWhy}
          />
          <VerdictLine
            verdict={starMark(reading.verdict)}
            words={`${words} at ${secondsText(seconds)}`}
            sentence={starSentence(reading)}
            onWhy={() => onWhy('worstDriftPx')}
          />
          <TimeGauge
            seconds={seconds}
            worstS={reading.worstS.value}
            centreS={reading.centreS.value}
            marks={limits.rules}
            description={`Scale of exposures: points everywhere up to ${secondsText(reading.worstS.value)}, in the centre up to ${secondsText(reading.centreS.value)}; set is ${secondsText(seconds)}.`}
          />
          <OutputKeys outputs={outputs} verdicts={verdicts} chosenId={situation.outputRow.id} onOutput={chooseOutput} />
          <FigureRow>
            <Figure
              label="Run, centre"
              quantity={reading.centreDriftPx}
              units={units}
              name="centreDriftPx"
              onWhy={onWhy}
              testID="centre-run"
            />
            <Figure
              label="Run, worst point"
              quantity={reading.worstDriftPx}
              units={units}
              name="worstDriftPx"
              onWhy={onWhy}
              testID="worst-run"
            />
            <Figure
              label="A star may run"
              quantity={reading.centreTolerancePx}
              units={units}
              name="centreTolerancePx"
              onWhy={onWhy}
              testID="tolerance"
            />
            <Figure
              label="Pixel scale"
              quantity={reading.pixelScaleArcsec}
              units={units}
              name="pixelScaleArcsec"
              onWhy={onWhy}
            />
          </FigureRow>
        </View>
      }
      cautions={
        <>
          <AssumedLine situation={situation} sky />
          <Txt kind="small" tone="caution">
            ⚠ In the dark: mind tide, cliffs, cold, traffic and private land, and tell someone where you are.
          </Txt>
        </>
      }
      keep={<KeepBar reading={takeReading} />}
      more={oneHand ? <StarLoupes system={system} reading={reading} output={situation.output} /> : undefined}
      levers={<StarLeverList desk={desk} ways={ways} onWhy={onWhy} />}
      groups={
        calm ? <StarGroups desk={desk} reading={calm} record={record} open={wide} units={units} onWhy={onWhy} /> : null
      }
      column={<StarControls system={system} reading={reading} />}
      dock={<StarDock system={system} reading={reading} />}
      sheet={sheet}
    />
  );
}

interface LimitsProps {
  limit: string;
  school: string;
  centre: string;
  onWhy: (name: string) => void;
}

/** The two limits, large; a pull at the exposure does not touch them. */
const Limits = memo(function Limits({ limit, school, centre, onWhy }: LimitsProps) {
  const styles = useStyles();
  return (
    <View style={styles.numbers}>
      <Pressable
        role="button"
        onPress={() => onWhy('limitS')}
        style={styles.main}
        aria-label={`Longest exposure: ${limit}, ${school}. Why?`}
        testID="limit"
      >
        <Txt kind="huge" testID="limit-value">
          {limit}
        </Txt>
        <Txt kind="fine" tone="soft">
          longest: {school.toLowerCase()}
        </Txt>
      </Pressable>
      <Pressable
        role="button"
        onPress={() => onWhy('centreS')}
        style={styles.second}
        aria-label={`For the centre: ${centre}. Why?`}
        testID="centre-limit"
      >
        <Txt kind="large">{centre}</Txt>
        <Txt kind="fine" tone="soft">
          for the centre
        </Txt>
      </Pressable>
    </View>
  );
});

const useStyles = stylesOf(() => ({
  block: { gap: space.small },
  numbers: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'flex-end',
    justifyContent: 'space-between',
    gap: space.large,
  },
  main: { flexShrink: 1 },
  second: { alignItems: 'flex-end', minHeight: TARGET, justifyContent: 'flex-end' },
}));
