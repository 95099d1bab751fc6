import { memo } from 'react';
import { Pressable, View } from 'react-native';
import { MORE_THAN_USED, verdictOf } from '@/core/output/verdict';
import { SUBJECT_KINDS } from '@/core/kit/subjects';
import type { FarReading } from '@/core/far/readFar';
import type { Stored } from '@/contract/resources';
import type { Output } from '@/contract/schemas/output';
import { neededPixels, type OutputSpec } from '@/core/output/needs';
import type { UnitSystem } from '@/core/quantity/units';
import { Txt } from '@/ui/Txt';
import { Gauge } from '@/ui/gauge/Gauge';
import { farthestDistanceM, nearestDistanceM } from '@/core/far/focusAt';
import type { Quantity } from '@/core/quantity/quantity';
import { showError, showLengthM, showQuantity, showSubjectMm, shownText } from '@/core/quantity/quantityText';
import { openOutputs } from '@/data/sheets';
import { useInHand } from '@/data/inHand';
import type { Kit } from '@/data/situation';
import { useKit } from '@/data/useKit';
import { setupLetters } from '@/core/levers/setupLetters';
import { Key } from '@/ui/controls/Key';
import { OutputKeys } from '@/ui/reading/OutputKeys';
import { VerdictLine } from '@/ui/reading/VerdictLine';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import type { DeskState } from './useFarDesk';
import { MOST_RIVALS, useLevers, type Rival } from './useLevers';
import { VERDICT_WORDS, verdictSentence, zoneNames } from '@/core/output/verdictWords';

interface Props {
  now: DeskState & { reading: FarReading };
  before: DeskState | null;
  outputs: Stored<Output>[];
  units: UnitSystem;
  onOutput: (id: string) => void;
  onWhy: (key: 'pixelsOnSubject' | 'resolvedPixels' | 'countedPixels' | 'neededPixels') => void;
}

/** The reading with its verdict: the number, the sentence, the scale, and what else it would be enough for. */
export function ReadingBlock({ now, before, outputs, units, onOutput, onWhy }: Props) {
  const styles = useStyles();
  const { reading, situation } = now;
  const { output, subject } = situation;
  const pixels = showQuantity(reading.pixelsOnSubject, units);
  const resolved = showQuantity(reading.resolvedPixels, units);
  const withheld = reading.obstacle ?? reading.overflow;
  // Out of focus, or cut off by the frame: its pixels would be good for nothing that could be told.
  if (withheld) {
    return (
      <View style={styles.block}>
        <View style={styles.verdict} role="status">
          <Txt kind="title" tone="needle" testID="withheld">
            ✕ {withheld.message}
          </Txt>
        </View>
        <GoThere reading={reading} system={now.system} units={units} />
      </View>
    );
  }
  return (
    <View style={styles.block}>
      <Numbers
        pixels={pixels.number}
        resolved={resolved.number}
        about={`${subject.assumed ? `on an assumed ${shownText(showSubjectMm(subject.sizeMm, units))}` : 'on the subject'}, ${SUBJECT_KINDS[subject.kind].measure} ${showError(reading.pixelsOnSubject, units)}`}
        resolvedAbout={`resolved ${showError(reading.resolvedPixels, units)}`}
        onWhy={onWhy}
      />
      <VerdictLine
        verdict={reading.verdict}
        words={VERDICT_WORDS[reading.verdict](output.name)}
        sentence={verdictSentence(reading)}
        onWhy={() => onWhy('countedPixels')}
        onOther={openOutputs}
      />
      <Scale reading={reading} output={output} before={before?.reading?.countedPixels.value} />
      <OutputKeys
        outputs={outputs.map((row) => ({ id: row.id, name: row.data.name }))}
        verdicts={verdictsOf(outputs, reading.countedPixels, subject.sizeMm)}
        chosenId={situation.outputRow.id}
        onOutput={onOutput}
      />
    </View>
  );
}

/** The way to the nearest (or farthest) distance at which it focuses. */
function GoThere({ reading, system, units }: { reading: FarReading; system: DeskState['system']; units: UnitSystem }) {
  const setDistanceM = useInHand((state) => state.setDistanceM);
  if (!system || !reading.obstacle) return null;
  const nearest = nearestDistanceM(system);
  const farthest = farthestDistanceM(system);
  const there =
    reading.distanceM.value < nearest
      ? Math.ceil(nearest * 100 - 1e-6) / 100
      : Number.isFinite(farthest)
        ? Math.floor(farthest * 100 + 1e-6) / 100
        : null;
  return there === null || there <= 0 ? null : (
    <Key title={`Go to ${shownText(showLengthM(there, units))}`} onPress={() => setDistanceM(there)} />
  );
}

type OnWhy = Props['onWhy'];

interface NumbersProps {
  pixels: string;
  resolved: string;
  about: string;
  resolvedAbout: string;
  onWhy: OnWhy;
}

/** The two counts, large: all pixels on the subject, and those that are resolved. */
const Numbers = memo(function Numbers({ pixels, resolved, about, resolvedAbout, onWhy }: NumbersProps) {
  const styles = useStyles();
  return (
    <View style={styles.numbers}>
      <Pressable
        role="button"
        onPress={() => onWhy('pixelsOnSubject')}
        style={styles.main}
        aria-label={`Pixels on the subject: ${pixels}. Why?`}
        testID="pixels"
      >
        <View style={styles.baseline}>
          <Txt kind="huge" testID="pixels-value">
            {pixels}
          </Txt>
          <Txt kind="title" tone="soft">
            px
          </Txt>
        </View>
        <Txt kind="fine" tone="soft">
          {about}
        </Txt>
      </Pressable>
      <Pressable
        role="button"
        onPress={() => onWhy('resolvedPixels')}
        style={styles.second}
        aria-label={`Resolved pixels: ${resolved}. Why?`}
        testID="resolved"
      >
        <View style={styles.baseline}>
          <Txt kind="large">{resolved}</Txt>
          <Txt kind="small" tone="soft">
            px
          </Txt>
        </View>
        <Txt kind="fine" tone="soft">
          {resolvedAbout}
        </Txt>
      </Pressable>
    </View>
  );
});

/** The verdict of every output, as one word of letters, so that the row of keys is drawn again only when one changes. */
const verdictsOf = (outputs: Stored<Output>[], { value, plusMinus }: Quantity, subjectMm: number): string =>
  outputs.map((row) => verdictOf(value, neededPixels(row.data, subjectMm), plusMinus)).join(' ');

/** The scale with the other set-ups on it. */
function Scale({ reading, output, before }: { reading: FarReading; output: OutputSpec; before: number | undefined }) {
  const { rivals, pending } = useLevers();
  const { kit } = useKit();
  const needed = reading.neededPixels.value;
  const words = VERDICT_WORDS[reading.verdict](output.name);
  return (
    <>
      <Gauge
        counted={reading.countedPixels.value}
        sampled={reading.pixelsOnSubject.value}
        needed={needed}
        more={needed * MORE_THAN_USED}
        zones={zoneNames(output)}
        marks={rivals.map((rival) => ({ letter: rival.letter, value: rival.counted }))}
        before={before}
        description={`Scale of pixels: ${words}. ${verdictSentence(reading)}. ${rivals.map((rival) => `${rival.letter}, ${rival.name}: ${Math.round(rival.counted)} px`).join('; ')}`}
      />
      <RivalNames names={namesOf(pending ? likely(kit.setups) : rivals)} pending={pending} />
    </>
  );
}

const namesOf = (rivals: readonly Pick<Rival, 'letter' | 'name'>[]): string =>
  rivals.map(({ letter, name }) => `${letter}\u00a0${name}`).join('   ');

/** The set-ups that will be on the scale, before they were reckoned. */
function likely(setups: Kit['setups']): Pick<Rival, 'letter' | 'name'>[] {
  const letterOf = setupLetters(setups);
  return setups.slice(1, 1 + MOST_RIVALS).map(({ id, data }) => ({ letter: letterOf(id), name: data.name }));
}

/** What the letters on the scale stand for. While they are reckoned their room is kept, so that no key moves under a finger. */
const RivalNames = memo(function RivalNames({ names, pending }: { names: string; pending: boolean }) {
  const styles = useStyles();
  return names === '' ? null : (
    <Txt kind="fine" tone="soft" style={pending && styles.kept} aria-hidden={pending}>
      {names}
    </Txt>
  );
});

const useStyles = stylesOf(() => ({
  block: { gap: space.small },
  kept: { opacity: 0 },
  numbers: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'flex-end',
    justifyContent: 'space-between',
    gap: space.large,
  },
  main: { flexShrink: 1 },
  second: { alignItems: 'flex-end', minHeight: TARGET, justifyContent: 'flex-end' },
  baseline: { flexDirection: 'row', alignItems: 'baseline', gap: space.small },
  verdict: {
    minHeight: TARGET,
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'baseline',
    columnGap: space.medium,
    paddingTop: space.medium,
  },
}));
