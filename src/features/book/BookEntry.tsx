import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { usePreferences } from '@/data/preferences';
import { removeRow, replaceRow } from '@/data/rowActions';
import type { Reading } from '@/contract/schemas/reading';
import type { UnitSystem } from '@/core/quantity/units';
import { useKit } from '@/data/useKit';
import { useReading } from '@/data/useReadings';
import { usePartOfScreen } from '@/ui/Beside';
import { Figure } from '@/ui/Figure';
import { ReadingPicture } from '@/ui/finder/ReadingPicture';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { TextField } from '@/ui/controls/TextField';
import { PictureKey } from '@/ui/take/PictureKey';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import type { Quantity } from '@/core/quantity/quantity';
import { quantityText } from '@/core/quantity/quantityText';
import { readAsKept, readAsNow, type Reread } from './readingNow';
import { whenText } from './whenText';
import { comparisonLines } from './comparisonLines';
import type { ComparisonLine } from './kept/keptDesk';
import { entryWords } from './entryWords';
import { readingCard } from './readingCard';
import { StarPicture } from '@/features/sky/StarPicture';
import { useWhy } from '../desk/useWhy';

/** One kept reading: as it was, as it would be now, and its note. */
export function BookEntry({ id }: { id: string }) {
  const styles = useStyles();
  const router = useRouter();
  const units = usePreferences((state) => state.units);
  const { level, beside } = usePartOfScreen();
  const { row, loading, failed, retry } = useReading(id);
  const { kit, loading: kitLoading } = useKit();
  // What was kept was read by the schools of then: here another one cannot be chosen.
  const { ask: setWhy, sheetFor } = useWhy(() => true);
  const [note, setNote] = useState<string | null>(null);
  const drawing = useRef<View>(null);
  const toBook = () => router.replace('/book');

  if (!row) {
    return (
      <View style={styles.centre} role="status">
        <Txt level={level} style={styles.centreText}>
          {loading
            ? 'Opening the Book …'
            : failed
              ? 'The server cannot be reached, so this page cannot be opened. Start it again, then try again.'
              : 'There is no such reading in the Book. It may have been deleted, or the address is mistyped.'}
        </Txt>
        {loading ? null : failed ? (
          <Key title="Try again" onPress={retry} />
        ) : (
          <Key title="To the Book" weight="strong" onPress={toBook} />
        )}
      </View>
    );
  }

  const { data } = row;
  const words = entryWords(data, units);
  const asKept = readAsKept(data);
  const asNow = kitLoading ? null : readAsNow(data, kit);
  return (
    <ScrollView contentContainerStyle={styles.page}>
      <View style={styles.head}>
        {beside ? null : <Key title="To the Book" icon="arrow-back" iconOnly weight="plain" onPress={toBook} />}
        <View style={styles.headWords}>
          <Txt kind="title" level={level}>
            {words.subject} {words.where}
          </Txt>
          <Txt kind="small" tone="soft">
            {whenText(data.takenAt)} · {data.setupName}
          </Txt>
        </View>
      </View>
      <Txt kind="title" tone={words.verdict === 'notEnough' ? 'needle' : 'press'}>
        {words.judgement}
      </Txt>
      <Txt kind="small" tone="soft">
        {[data.input.body.name, ...data.input.chain.map((part) => part.name)].join(' + ')}
      </Txt>
      <Comparison
        data={data}
        asKept={asKept.ok ? asKept.value : null}
        asNow={asNow}
        loading={kitLoading}
        units={units}
        onWhy={setWhy}
      />
      <View ref={drawing}>
        {asKept.ok && asKept.value.desk !== 'stars' && data.desk !== 'stars' ? (
          <ReadingPicture {...asKept.value} subject={data.input.subject} units={units} maxHeight={280} />
        ) : null}
        {asKept.ok && asKept.value.desk === 'stars' ? (
          <StarPicture
            system={asKept.value.system}
            reading={asKept.value.reading}
            output={data.input.output}
            maxHeight={280}
          />
        ) : null}
      </View>
      {data.desk === 'near' ? (
        <Choice
          label="How was it held? Your limit by hand is learned from this."
          value={data.held ?? null}
          options={[
            { value: 'handSharp', name: 'By hand, sharp' },
            { value: 'handBlurred', name: 'By hand, shaken' },
            { value: 'support', name: 'Rail or flash' },
          ]}
          onChange={(held) => replaceRow('readings', row, { ...data, held })}
        />
      ) : null}
      {note === null ? (
        <View style={{ gap: space.small }}>
          {data.note ? <Txt>{data.note}</Txt> : null}
          <View style={styles.keys}>
            <Key title={data.note ? 'Change the note' : 'Add a note'} icon="edit" onPress={() => setNote(data.note)} />
            <PictureKey content={() => readingCard(data, units)} drawing={drawing} />
            <Key
              title="Delete"
              icon="delete-outline"
              weight="plain"
              onPress={() => {
                removeRow('readings', row, `${words.subject}, ${whenText(data.takenAt)}`);
                toBook();
              }}
            />
          </View>
        </View>
      ) : (
        <View style={{ gap: space.small }}>
          <TextField label="Note" value={note} onChange={setNote} multiline />
          <View style={styles.keys}>
            <Key
              title="Save the note"
              weight="strong"
              onPress={() => {
                replaceRow('readings', row, { ...data, note });
                setNote(null);
              }}
            />
            <Key title="Leave it" weight="plain" onPress={() => setNote(null)} />
          </View>
        </View>
      )}
      {sheetFor()}
    </ScrollView>
  );
}

interface ComparisonProps {
  data: Reading;
  /** Worked out again from what was kept, for the reasons of the numbers. */
  asKept: Reread | null;
  asNow: ReturnType<typeof readAsNow>;
  loading: boolean;
  units: UnitSystem;
  onWhy: (quantity: Quantity) => void;
}

/** The same with plain blanks: numbers stand before narrow ones. */
const plain = (text: string): string => text.replace(/\s/g, ' ');

/** Whether today's kit gives what was kept, figure for figure as it is written. */
const isSame =
  (units: UnitSystem) =>
  ({ was, now, beside }: ComparisonLine): boolean =>
    now !== undefined && plain([quantityText(now, units), beside].filter(Boolean).join(' ')) === plain(was);

/** What was kept, line by line beside what the kit of today would give. */
function Comparison({ data, asKept, asNow, loading, units, onWhy }: ComparisonProps) {
  const styles = useStyles();
  const problem = loading
    ? 'Reading the kit …'
    : asNow === null
      ? 'The set-up, the subject or the output is not in the kit any more.'
      : asNow.ok
        ? null
        : asNow.problem.message;
  const lines = comparisonLines(data, asKept, asNow?.ok ? asNow.value : null, units);
  const same = lines.every(isSame(units));
  return (
    <View>
      <View style={styles.pair}>
        <Txt kind="strong" style={styles.half}>
          As it was
        </Txt>
        <Txt kind="strong" style={styles.half}>
          {same ? 'Just the same with the kit of today' : 'As it would be now'}
        </Txt>
      </View>
      {problem ? (
        <Txt kind="small" tone="caution" role="status">
          {problem}
        </Txt>
      ) : null}
      <View style={same ? styles.once : null}>
        {lines.map((line) => (
          <View key={line.label} style={same ? styles.alone : styles.pair}>
            <Pressable
              role="button"
              disabled={!line.wasWhy}
              onPress={() => line.wasWhy && onWhy(line.wasWhy)}
              style={[styles.half, styles.was]}
              aria-label={`As it was, ${line.label}: ${line.was}. Why?`}
            >
              <Txt kind="fine" tone="soft">
                {line.label}
              </Txt>
              <Txt kind="figure">{line.was}</Txt>
            </Pressable>
            {same ? null : (
              <View style={[styles.half, styles.now]}>
                {line.now ? (
                  <Figure
                    label={line.label}
                    quantity={line.now}
                    units={units}
                    name={line.label}
                    onWhy={() => line.now && onWhy(line.now)}
                    {...(line.beside === undefined ? {} : { beside: line.beside })}
                  />
                ) : null}
              </View>
            )}
          </View>
        ))}
      </View>
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  page: { padding: space.page, gap: space.large, width: '100%', maxWidth: 860, marginHorizontal: 'auto' },
  head: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  headWords: { flex: 1 },
  pair: { flexDirection: 'row', gap: space.page },
  once: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.page },
  alone: { flexDirection: 'row', flexGrow: 1, flexBasis: 160 },
  half: { flex: 1 },
  now: { flexDirection: 'row' },
  was: { paddingVertical: space.small, borderBottomWidth: 1, borderColor: palette.hairline },
  keys: { flexDirection: 'row', flexWrap: 'wrap', gap: space.medium },
  centre: { flex: 1, alignItems: 'center', justifyContent: 'center', padding: space.wide, gap: space.page },
  centreText: { textAlign: 'center', maxWidth: 420 },
}));
