import { Suspense, lazy, useCallback, useEffect, useRef, useState } from 'react';
import { Pressable, ScrollView, View, useWindowDimensions } from 'react-native';
import { Link, useRouter, type Href } from 'expo-router';
import { neededPixels } from '@/core/output/needs';
import { MORE_THAN_USED, verdictOf } from '@/core/output/verdict';
import { VERDICT_WORDS, verdictSentence, zoneNames } from '@/core/output/verdictWords';
import type { Quantity } from '@/core/quantity/quantity';
import { quantityText, showError, showQuantity } from '@/core/quantity/quantityText';
import { useInHand, type Preferences } from '@/data/inHand';
import { nearReadingKept } from '@/data/keptReading';
import { useSheets } from '@/data/sheets';
import { Figure } from '@/ui/Figure';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { ReadingPicture } from '@/ui/finder/ReadingPicture';
import { Gauge } from '@/ui/gauge/Gauge';
import { OutputKeys } from '@/ui/reading/OutputKeys';
import { VerdictLine } from '@/ui/reading/VerdictLine';
import { TARGET, WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { useCalmed } from '@/data/useCalmed';
import { KeepBar } from '@/features/book/KeepBar';
import { NearColumn, NearDock } from './NearControls';
import { NearGroups, nearQuantities } from './NearGroups';
import { NearLeverList } from './NearLeverList';
import { useNearDesk, type NearDeskState, type NearDeskView } from './useNearDesk';

const WhySheet = lazy(() => import('@/ui/why/WhySheet'));

type Ready = Extract<NearDeskView, { status: 'ready' }>;

/** Near: one set-up on one tiny subject, focused at a ratio. */
export default function NearDesk() {
  const desk = useNearDesk();
  const styles = useStyles();
  const open = useSheets((state) => state.open);
  if (desk.status === 'ready') return <ReadyDesk desk={desk} />;
  const lacksSetup = desk.status === 'missing' && (desk.missing === 'setup' || desk.missing === 'parts');
  const text = {
    loading: 'Reading the kit …',
    failed: 'The server cannot be reached, so there is no kit to read. Start it again, then try again.',
    missing: lacksSetup ? 'No set-up to read. Choose a body and a lens, and the reading starts.' : 'No subject yet. Name what you want to photograph, its size, and what the picture is for.',
  }[desk.status];
  return (
    <View style={styles.centre} role="status">
      <Txt style={styles.centreText}>{text}</Txt>
      {desk.status === 'failed' ? <Key title="Try again" weight="strong" onPress={desk.retry} /> : null}
      {desk.status === 'missing' ? <Key title={lacksSetup ? 'Choose a set-up' : 'Choose a subject'} weight="strong" onPress={() => open(lacksSetup ? 'setup' : 'subject')} /> : null}
    </View>
  );
}

/** Another set-up or subject is a tap: it reaches the groups at once. */
const isTap = (from: NearDeskState, to: NearDeskState): boolean => from.situation.links !== to.situation.links || from.situation.subjectRow !== to.situation.subjectRow || from.situation.outputRow !== to.situation.outputRow || from.situation.setup.modeId !== to.situation.setup.modeId;

function ReadyDesk({ desk }: { desk: Ready }) {
  const styles = useStyles();
  const router = useRouter();
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const units = useInHand((state) => state.units);
  const prefer = useInHand((state) => state.prefer);
  const chooseOutput = useInHand((state) => state.chooseOutput);
  const [asked, setAsked] = useState<string | Quantity | null>(null);
  const { now, kit } = desk;
  const calm = useCalmed(now, 140, isTap);
  const { situation, system, reading, problem } = now;

  const latest = useRef(desk);
  useEffect(() => {
    latest.current = desk;
  }, [desk]);
  const takeReading = useCallback((takenAt: string, note: string) => {
    const { now: taken, ways } = latest.current;
    return taken.system && taken.reading ? nearReadingKept({ situation: taken.situation, system: taken.system, takenAt, note }, taken.reading, ways) : null;
  }, []);

  const why = typeof asked === 'string' ? (system && reading ? nearQuantities(system, reading)[asked] : undefined) : (asked ?? undefined);
  const sheet = why ? (
    <Suspense fallback={null}>
      <WhySheet quantity={why} units={units} onClose={() => setAsked(null)} onSchool={(preference, choice) => prefer({ [preference]: choice } as Partial<Preferences>)} />
    </Suspense>
  ) : null;
  const block =
    system && reading ? (
      <Reading now={now} onWhy={setAsked} outputs={kit.outputs.map((row) => ({ id: row.id, name: row.data.name }))} verdicts={kit.outputs.map((row) => verdictOf(reading.countedPixels.value, neededPixels(row.data, situation.subject.sizeMm))).join(' ')} onOutput={chooseOutput} />
    ) : (
      <View style={{ gap: space.medium }} role="alert">
        <Txt kind="strong" tone="needle">
          ✕ {problem?.message}
        </Txt>
        {system ? <Key title="Measure with a ruler" onPress={() => router.push('/near/measure' as Href)} /> : null}
      </View>
    );
  const picture = system && reading ? <ReadingPicture desk="near" system={system} reading={reading} subject={situation.subject} units={units} maxHeight={wide ? height * 0.5 : height * 0.3} /> : null;
  const keep = reading ? <KeepBar reading={takeReading} /> : null;
  const hints = [...(system?.warnings.filter((warning) => warning.code !== 'ratio.unknown') ?? []), ...(reading?.hints ?? [])];
  const cautions = hints.length ? (
    <View>
      {hints.map((hint) => (
        <Txt key={hint.code} kind="small" tone="caution">
          ⚠ {hint.message}
        </Txt>
      ))}
    </View>
  ) : null;
  const groups = calm?.system && calm.reading ? <NearGroups system={calm.system} reading={calm.reading} units={units} onWhy={setAsked} open={wide} /> : null;
  if (wide) {
    return (
      <View style={styles.columns}>
        <ScrollView style={styles.hand} contentContainerStyle={styles.columnContent}>
          <Txt kind="title" level={2}>
            In hand
          </Txt>
          <NearColumn now={now} />
          {cautions}
          {keep}
          {groups}
        </ScrollView>
        <ScrollView style={styles.middle} contentContainerStyle={styles.columnContent}>
          {picture}
          {block}
        </ScrollView>
        <ScrollView style={styles.right} contentContainerStyle={styles.columnContent}>
          <NearLeverList onWhy={setAsked} />
        </ScrollView>
        {sheet}
      </View>
    );
  }
  return (
    <View style={styles.phone}>
      <ScrollView style={styles.scroll} contentContainerStyle={styles.phoneContent}>
        {picture}
        {block}
        {cautions}
        {keep}
        <NearLeverList onWhy={setAsked} />
        {groups}
      </ScrollView>
      <NearDock now={now} />
      {sheet}
    </View>
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
  const units = useInHand((state) => state.units);
  const { reading, situation } = now;
  if (!reading) return null;
  const { output } = situation;
  const ratio = showQuantity(reading.ratio, units);
  const kind = { measured: 'measured', computed: 'reckoned', given: 'as entered' }[reading.ratio.kind];
  const words = VERDICT_WORDS[reading.verdict](output.name);
  const needed = reading.neededPixels.value;
  return (
    <View style={styles.block}>
      <View style={styles.numbers}>
        <Pressable role="button" onPress={() => onWhy('ratio')} style={styles.main} aria-label={`Reproduction ratio: ${ratio.number}, ${kind}. Why?`} testID="ratio">
          <Txt kind="huge" testID="ratio-value">
            {ratio.number}
          </Txt>
          <Txt kind="fine" tone="soft">
            on the sensor, {kind} {showError(reading.ratio, units)}
          </Txt>
        </Pressable>
        <Pressable role="button" onPress={() => onWhy('fieldWidthMm')} style={styles.second} aria-label={`Field: ${quantityText(reading.fieldWidthMm, units)} wide. Why?`} testID="field">
          <Txt kind="large">{quantityText(reading.fieldWidthMm, units)}</Txt>
          <Txt kind="fine" tone="soft">
            wide, {quantityText(reading.fieldHeightMm, units)} high
          </Txt>
        </Pressable>
      </View>
      {reading.ratio.kind === 'measured' ? null : (
        <Link href={'/near/measure' as Href} style={styles.measure}>
          <Txt kind="small" tone="press">
            Measure it with a ruler
          </Txt>
        </Link>
      )}
      <VerdictLine verdict={reading.verdict} words={words} sentence={verdictSentence(reading)} onWhy={() => onWhy('countedPixels')} />
      <Gauge
        counted={reading.countedPixels.value}
        sampled={reading.pixelsOnSubject.value}
        needed={needed}
        more={needed * MORE_THAN_USED}
        zones={zoneNames(output)}
        marks={[]}
        description={`Scale of pixels: ${words}. ${verdictSentence(reading)}.`}
      />
      <OutputKeys outputs={outputs} verdicts={verdicts} chosenId={situation.outputRow.id} onOutput={onOutput} />
      <View style={styles.row}>
        <Figure label="Framed, as on 36 × 24" quantity={reading.framedMagnification} units={units} name="framedMagnification" onWhy={onWhy} testID="framed" />
        <Figure label="On the screen" quantity={reading.screenMagnification} units={units} name="screenMagnification" onWhy={onWhy} testID="on-screen" />
        <Figure label="Depth of one frame" quantity={reading.depthMm} units={units} name="depthMm" onWhy={onWhy} testID="depth" />
        <Figure label="Pixels on the subject" quantity={reading.pixelsOnSubject} units={units} name="pixelsOnSubject" onWhy={onWhy} testID="near-pixels" />
      </View>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  columns: { flex: 1, flexDirection: 'row' },
  hand: { width: 320, flexGrow: 0, borderRightWidth: 1, borderColor: palette.hairline },
  middle: { flex: 1 },
  right: { width: 348, flexGrow: 0, borderLeftWidth: 1, borderColor: palette.hairline },
  columnContent: { padding: space.page, gap: space.page },
  phone: { flex: 1 },
  scroll: { flex: 1 },
  phoneContent: { padding: space.page, paddingTop: space.medium, gap: space.large },
  centre: { flex: 1, alignItems: 'center', justifyContent: 'center', padding: space.wide, gap: space.page },
  centreText: { textAlign: 'center', maxWidth: 420 },
  block: { gap: space.small },
  numbers: { flexDirection: 'row', alignItems: 'flex-end', justifyContent: 'space-between', gap: space.large },
  main: { flexShrink: 1 },
  second: { alignItems: 'flex-end', minHeight: TARGET, justifyContent: 'flex-end' },
  measure: { display: 'flex', alignItems: 'center', minHeight: TARGET, alignSelf: 'flex-start' },
  row: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.page, rowGap: space.small },
}));
