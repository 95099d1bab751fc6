import { memo, useCallback, useEffect, useRef, type ReactNode } from 'react';
import { Pressable, View, useWindowDimensions } from 'react-native';
import { Link, useRouter, type Href } from 'expo-router';
import type { NearReading } from '@/core/near/readNear';
import { neededPixels, type OutputSpec } from '@/core/output/needs';
import { MORE_THAN_USED, verdictOf } from '@/core/output/verdict';
import { VERDICT_WORDS, verdictSentence, zoneNames } from '@/core/output/verdictWords';
import { quantityText, showError, showQuantity } from '@/core/quantity/quantityText';
import { useInHand } from '@/data/inHand';
import { openOutputs } from '@/data/sheets';
import { usePreferences } from '@/data/preferences';
import { nearReadingKept } from '@/data/keptReading';
import { DeskFrame } from '@/ui/DeskFrame';
import { Figure } from '@/ui/Figure';
import { FigureRow } from '@/ui/FigureRow';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { ReadingPicture } from '@/ui/finder/ReadingPicture';
import { Gauge } from '@/ui/gauge/Gauge';
import { OutputKeys } from '@/ui/reading/OutputKeys';
import { VerdictLine } from '@/ui/reading/VerdictLine';
import { TARGET, WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { useMagnified } from '@/ui/useMagnified';
import { useCalmed } from '@/data/useCalmed';
import { KeepBar } from '@/features/book/KeepBar';
import { NearColumn, NearDock } from './NearControls';
import { NearGroups } from './NearGroups';
import { NearLeverList } from './NearLeverList';
import { NearWaysHost, useNearWays } from './NearWays';
import { useNearDesk, type NearDeskState, type NearDeskView } from './useNearDesk';
import { AssumedLine } from '../desk/AssumedLine';
import { DeskGate } from '../desk/DeskGate';
import { useIsoInUse } from '../desk/useIsoInUse';
import { useWhy } from '../desk/useWhy';

type Ready = Extract<NearDeskView, { status: 'ready' }>;

/** Near: one set-up on one tiny subject, focused at a ratio. */
export default function NearDesk() {
  return (
    <NearWaysHost>
      <Desk />
    </NearWaysHost>
  );
}

function Desk() {
  const desk = useNearDesk();
  return desk.status === 'ready' ? <ReadyDesk desk={desk} /> : <DeskGate desk={desk} />;
}

/** Another set-up or subject is a tap: it reaches the groups at once. */
const isTap = (from: NearDeskState, to: NearDeskState): boolean =>
  from.situation.links !== to.situation.links ||
  from.situation.subjectRow !== to.situation.subjectRow ||
  from.situation.outputRow !== to.situation.outputRow ||
  from.situation.setup.modeId !== to.situation.setup.modeId;

function ReadyDesk({ desk }: { desk: Ready }) {
  const router = useRouter();
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const units = usePreferences((state) => state.units);
  const chooseOutput = useInHand((state) => state.chooseOutput);
  const { ask, sheetFor } = useWhy();
  const ways = useNearWays();
  const { now, kit } = desk;
  const calm = useCalmed(now, 140, isTap);
  const { situation, system, reading, problem } = now;

  const latest = useRef({ now, ways });
  useEffect(() => {
    latest.current = { now, ways };
  }, [now, ways]);
  const takeReading = useCallback((takenAt: string, note: string) => {
    const { now: taken, ways: by } = latest.current;
    return taken.system && taken.reading
      ? nearReadingKept({ situation: taken.situation, system: taken.system, takenAt, note }, taken.reading, by)
      : null;
  }, []);
  const iso = useIsoInUse(system, situation.output);
  const sheet = system && reading ? sheetFor(system, reading, iso, ways) : sheetFor();
  const block =
    system && reading ? (
      <Reading
        now={now}
        onWhy={ask}
        outputs={kit.outputs.map((row) => ({ id: row.id, name: row.data.name }))}
        verdicts={kit.outputs
          .map((row) =>
            verdictOf(
              reading.countedPixels.value,
              neededPixels(row.data, situation.subject.sizeMm),
              reading.countedPixels.plusMinus,
            ),
          )
          .join(' ')}
        onOutput={chooseOutput}
      />
    ) : (
      <View style={{ gap: space.medium }} role="alert">
        <Txt kind="strong" tone="needle">
          ✕ {problem?.message}
        </Txt>
        {system ? <Key title="Measure with a ruler" onPress={() => router.push('/near/measure' as Href)} /> : null}
      </View>
    );
  const picture =
    system && reading ? (
      <ReadingPicture
        desk="near"
        system={system}
        reading={reading}
        subject={situation.subject}
        units={units}
        maxHeight={wide ? height * 0.5 : height * 0.3}
      />
    ) : null;
  const keep = reading && !reading.overflow ? <KeepBar reading={takeReading} /> : null;
  const hints = [
    ...((reading?.warnings ?? system?.warnings)?.filter((warning) => warning.code !== 'ratio.unknown') ?? []),
    ...(reading?.hints ?? []),
  ];
  const cautions = hints.length ? (
    <View>
      {hints.map((hint) => (
        <Txt key={hint.code} kind="small" tone="caution">
          ⚠ {hint.message}
        </Txt>
      ))}
    </View>
  ) : null;
  const groups =
    calm?.system && calm.reading ? (
      <NearGroups
        system={calm.system}
        reading={calm.reading}
        situation={calm.situation}
        units={units}
        onWhy={ask}
        open={wide}
      />
    ) : null;
  return (
    <DeskFrame
      picture={picture}
      reading={block}
      cautions={
        <>
          <AssumedLine situation={situation} />
          {cautions}
        </>
      }
      keep={keep}
      levers={<NearLeverList onWhy={ask} />}
      groups={groups}
      column={<NearColumn now={now} />}
      dock={<NearDock now={now} />}
      sheet={sheet}
    />
  );
}

interface ReadingProps {
  now: NearDeskState;
  outputs: { id: string; name: string }[];
  verdicts: string;
  onOutput: (id: string) => void;
  onWhy: (name: string) => void;
}

/** The ratio large, the two sizes it is mixed up with beside it, and whether the pixels are enough. */
function Reading({ now, outputs, verdicts, onOutput, onWhy }: ReadingProps) {
  const styles = useStyles();
  const units = usePreferences((state) => state.units);
  const { reading, situation } = now;
  if (!reading) return null;
  const { output } = situation;
  return (
    <View style={styles.block}>
      <Numbers
        ratio={showQuantity(reading.ratio, units).number}
        kind={{ measured: 'measured', computed: 'reckoned', given: 'as entered' }[reading.ratio.kind]}
        error={showError(reading.ratio, units)}
        wide={quantityText(reading.fieldWidthMm, units)}
        high={quantityText(reading.fieldHeightMm, units)}
        onWhy={onWhy}
      />
      {reading.ratio.kind === 'measured' ? null : <MeasureLink />}
      {reading.overflow ? (
        <View role="status">
          <Txt kind="title" tone="needle" testID="withheld">
            ✕ {reading.overflow.message}
          </Txt>
        </View>
      ) : (
        <Judged reading={reading} output={output} onWhy={onWhy}>
          <OutputKeys outputs={outputs} verdicts={verdicts} chosenId={situation.outputRow.id} onOutput={onOutput} />
        </Judged>
      )}
      <FigureRow>
        <Figure
          label={'Framed, as on 36\u00a0×\u00a024'}
          quantity={reading.framedMagnification}
          units={units}
          name="framedMagnification"
          onWhy={onWhy}
          testID="framed"
        />
        <Figure
          label="On the screen"
          quantity={reading.screenMagnification}
          units={units}
          name="screenMagnification"
          onWhy={onWhy}
          testID="on-screen"
        />
        <Figure
          label="Depth of one frame"
          quantity={reading.depthMm}
          units={units}
          name="depthMm"
          onWhy={onWhy}
          testID="depth"
        />
        {reading.overflow ? null : (
          <Figure
            label="Pixels on the subject"
            quantity={reading.pixelsOnSubject}
            units={units}
            name="pixelsOnSubject"
            onWhy={onWhy}
            testID="near-pixels"
          />
        )}
      </FigureRow>
    </View>
  );
}

interface NumbersProps {
  ratio: string;
  kind: string;
  error: string;
  wide: string;
  high: string;
  onWhy: (name: string) => void;
}

/** The two numbers, large: the ratio on the sensor, and the field it takes in. */
const Numbers = memo(function Numbers({ ratio, kind, error, wide, high, onWhy }: NumbersProps) {
  const styles = useStyles();
  // As wide as it is, it would break before its “1”.
  const magnified = useMagnified();
  return (
    <View style={styles.numbers}>
      <Pressable
        role="button"
        onPress={() => onWhy('ratio')}
        style={styles.main}
        aria-label={`Reproduction ratio: ${ratio}, ${kind}. Why?`}
        testID="ratio"
      >
        <Txt kind={magnified ? 'large' : 'huge'} testID="ratio-value">
          {ratio}
        </Txt>
        <Txt kind="fine" tone="soft">
          {`on the sensor, ${kind} ${error}`}
        </Txt>
      </Pressable>
      <Pressable
        role="button"
        onPress={() => onWhy('fieldWidthMm')}
        style={styles.second}
        aria-label={`Field: ${wide} wide. Why?`}
        testID="field"
      >
        <Txt kind="large">{wide}</Txt>
        <Txt kind="fine" tone="soft">
          {`wide, ${high} high`}
        </Txt>
      </Pressable>
    </View>
  );
});

const MeasureLink = memo(function MeasureLink() {
  return (
    <Link href={'/near/measure' as Href} style={useStyles().measure}>
      <Txt kind="small" tone="press">
        Measure it with a ruler
      </Txt>
    </Link>
  );
});

interface JudgedProps {
  reading: NearReading;
  output: OutputSpec;
  onWhy: (name: string) => void;
  children: ReactNode;
}

/** What the pixels are good for, in words and on the scale, and the outputs it could be for. */
function Judged({ reading, output, onWhy, children }: JudgedProps) {
  const words = VERDICT_WORDS[reading.verdict](output.name);
  const needed = reading.neededPixels.value;
  return (
    <>
      <VerdictLine
        verdict={reading.verdict}
        words={words}
        sentence={verdictSentence(reading)}
        onWhy={() => onWhy('countedPixels')}
        onOther={openOutputs}
      />
      <Gauge
        counted={reading.countedPixels.value}
        sampled={reading.pixelsOnSubject.value}
        needed={needed}
        more={needed * MORE_THAN_USED}
        zones={zoneNames(output)}
        marks={[]}
        description={`Scale of pixels: ${words}. ${verdictSentence(reading)}.`}
      />
      {children}
    </>
  );
}

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
  measure: { display: 'flex', alignItems: 'center', minHeight: TARGET, alignSelf: 'flex-start' },
}));
