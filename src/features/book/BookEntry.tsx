import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { formatChange, formatFixed } from '@/core/quantity/format';
import { useInHand } from '@/data/inHand';
import { removeRow, replaceRow } from '@/data/rowActions';
import { useKit } from '@/data/useKit';
import { useRows } from '@/data/useRows';
import { Figure } from '@/ui/Figure';
import { ReadingPicture } from '@/ui/finder/ReadingPicture';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TextField } from '@/ui/controls/TextField';
import { showFNumber, showLengthM, shownText } from '@/ui/quantityText';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { VERDICT_MARK, VERDICT_WORDS } from '@/ui/verdictWords';
import WhySheet from '@/ui/why/WhySheet';
import type { Quantity } from '@/core/quantity/quantity';
import { readAsKept, readAsNow, type Reread } from './readingNow';
import { whenText } from './whenText';

/** One kept reading: as it was, as it would be now, and its note. */
export function BookEntry({ id }: { id: string }) {
  const styles = useStyles();
  const router = useRouter();
  const units = useInHand((state) => state.units);
  const { rows, loading, failed, retry } = useRows('readings');
  const { kit, loading: kitLoading } = useKit();
  const [why, setWhy] = useState<Quantity | null>(null);
  const [note, setNote] = useState<string | null>(null);
  const row = rows.find((each) => each.id === id);
  const toBook = () => router.replace('/book');

  if (!row) {
    return (
      <View style={styles.centre} role="status">
        <Txt style={styles.centreText}>
          {loading ? 'Opening the Book …' : failed ? 'The server cannot be reached, so this page cannot be opened. Start it again, then try again.' : 'There is no such reading in the Book. It may have been deleted, or the address is mistyped.'}
        </Txt>
        {loading ? null : failed ? <Key title="Try again" onPress={retry} /> : <Key title="To the Book" weight="strong" onPress={toBook} />}
      </View>
    );
  }

  const { data } = row;
  const { input, result } = data;
  const asKept = readAsKept(data);
  const asNow = kitLoading ? null : readAsNow(data, kit);
  return (
    <ScrollView contentContainerStyle={styles.page}>
      <View style={styles.head}>
        <Key title="To the Book" icon="arrow-back" iconOnly weight="plain" onPress={toBook} />
        <View style={styles.headWords}>
          <Txt kind="title" level={1}>
            {input.subject.name} at {shownText(showLengthM(input.distanceM, units))}
          </Txt>
          <Txt kind="small" tone="soft">
            {whenText(data.takenAt)} · {data.setupName}
          </Txt>
        </View>
      </View>
      <Txt kind="title" tone={result.verdict === 'notEnough' ? 'needle' : 'press'}>
        {VERDICT_MARK[result.verdict]} {VERDICT_WORDS[result.verdict](input.output.name)}
      </Txt>
      <Txt kind="small" tone="soft">
        {[input.body.name, ...input.chain.map((part) => part.name)].join(' + ')}
      </Txt>
      <View style={styles.columns}>
        <View style={styles.column}>
          <Txt kind="strong">As it was</Txt>
          <Was label="Pixels on the subject" text={`${formatFixed(result.pixelsOnSubject)} px`} />
          <Was label="Resolved" text={`${formatFixed(result.resolvedPixels)} px of ${formatFixed(result.neededPixels)} needed`} />
          <Was label="Share of the frame" text={`${formatFixed(result.shareOfFramePercent)} %`} />
          <Was label="Looks like, on 36 × 24" text={`${formatFixed(result.equivalentFocalMm)} mm ${showFNumber(result.equivalentFNumber)}`} />
        </View>
        <View style={styles.column}>
          <Txt kind="strong">As it would be now</Txt>
          <Now asNow={asNow} was={result.pixelsOnSubject} units={units} onWhy={setWhy} loading={kitLoading} />
        </View>
      </View>
      {asKept.ok ? <ReadingPicture system={asKept.value.system} reading={asKept.value.reading} subject={input.subject} units={units} maxHeight={280} /> : null}
      {note === null ? (
        <View style={{ gap: space.small }}>
          {data.note ? <Txt>{data.note}</Txt> : null}
          <View style={styles.keys}>
            <Key title={data.note ? 'Change the note' : 'Add a note'} icon="edit" onPress={() => setNote(data.note)} />
            <Key
              title="Delete"
              icon="delete-outline"
              weight="plain"
              onPress={() => {
                removeRow('readings', row, `${input.subject.name}, ${whenText(data.takenAt)}`);
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
      {why ? <WhySheet quantity={why} units={units} onClose={() => setWhy(null)} onSchool={() => setWhy(null)} /> : null}
    </ScrollView>
  );
}

function Was({ label, text }: { label: string; text: string }) {
  return (
    <View style={{ paddingVertical: space.small }}>
      <Txt kind="fine" tone="soft">
        {label}
      </Txt>
      <Txt kind="figure">{text}</Txt>
    </View>
  );
}

function Now({ asNow, was, units, onWhy, loading }: { asNow: ReturnType<typeof readAsNow>; was: number; units: 'metric' | 'imperial'; onWhy: (quantity: Quantity) => void; loading: boolean }) {
  if (loading) return <Txt tone="soft">Reading the kit …</Txt>;
  if (!asNow) return <Txt tone="soft">The set-up, the subject or the output is not in the kit any more.</Txt>;
  if (!asNow.ok) return <Txt tone="needle">{asNow.problem.message}</Txt>;
  const { reading, system }: Reread = asNow.value;
  const change = reading.pixelsOnSubject.value / was;
  return (
    <View>
      <Figure label="Pixels on the subject" quantity={reading.pixelsOnSubject} units={units} onWhy={() => onWhy(reading.pixelsOnSubject)} {...(Math.abs(change - 1) < 0.005 ? {} : { beside: formatChange(change) })} />
      <Figure label="Resolved" quantity={reading.resolvedPixels} units={units} onWhy={() => onWhy(reading.resolvedPixels)} />
      <Figure label="Share of the frame" quantity={reading.shareOfFrame} units={units} onWhy={() => onWhy(reading.shareOfFrame)} />
      <Figure label="Looks like, on 36 × 24" quantity={system.equivalentFocalMm} beside={showFNumber(system.equivalentFNumber.value)} units={units} onWhy={() => onWhy(system.equivalentFocalMm)} />
    </View>
  );
}

const useStyles = stylesOf(() => ({
  page: { padding: space.page, gap: space.large, width: '100%', maxWidth: 860, marginHorizontal: 'auto' },
  head: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  headWords: { flex: 1 },
  columns: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.wide, rowGap: space.large },
  column: { flexGrow: 1, flexBasis: 160 },
  keys: { flexDirection: 'row', flexWrap: 'wrap', gap: space.medium },
  centre: { flex: 1, alignItems: 'center', justifyContent: 'center', padding: space.wide, gap: space.page },
  centreText: { textAlign: 'center', maxWidth: 420 },
}));
