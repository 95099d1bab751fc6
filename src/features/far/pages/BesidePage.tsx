import { useEffect, useMemo, useRef, useState } from 'react';
import { ScrollView, View, useWindowDimensions } from 'react-native';
import { sideBySide, type Compared, type Stance } from '@/core/far/sideBySide';
import { SUBJECT_KINDS } from '@/core/kit/subjects';
import { formatFigures } from '@/core/quantity/format';
import { quantityText, showFNumber } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { useFarOptions } from '@/data/farOptions';
import { usePreferences } from '@/data/preferences';
import type { Situation } from '@/data/situation';
import { OverlayDrawing } from '@/ui/finder/OverlayDrawing';
import { Group } from '@/ui/Group';
import { Page } from '@/ui/Page';
import { ComparedTable } from '@/ui/ComparedTable';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { PictureKey } from '@/ui/take/PictureKey';
import { WIDE_FROM, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { Chooser } from './Chooser';
import { useDifferences } from './differences';
import { useContenders } from './useContenders';
import { deskFacts } from '../../desk/deskFacts';

const NONE: Compared[] = [];

const STANCES: { value: Stance; name: string; gloss: string }[] = [
  { value: 'sameSpot', name: 'Same spot', gloss: 'nobody walks' },
  { value: 'sameFraming', name: 'Same framing', gloss: 'one walks' },
  { value: 'samePicture', name: 'Same picture', gloss: '… and matches depth' },
];
const BLINK_MS = 900;

/** Two to four set-ups on the subject in hand, held equal in one of three ways. */
export default function BesidePage() {
  const styles = useStyles();
  const { width } = useWindowDimensions();
  const contest = useContenders();
  const units = usePreferences((state) => state.units);
  const { stance, set } = useFarOptions();
  const stanceName = STANCES.find((each) => each.value === stance)?.name ?? '';
  const { situation, contenders } = contest;
  const result = useMemo(
    () => (situation ? sideBySide({ ...situation, contenders, stance, units }) : null),
    [situation, contenders, stance, units],
  );
  const rows = useDifferences(result?.compared ?? NONE, stance, situation);
  const drawing = useRef<View>(null);
  return (
    <Page title="Side by side" up="/far">
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        <Chooser contest={contest} />
        <Choice label="Held equal" options={STANCES} value={stance} onChange={(value) => set({ stance: value })} />
        {result && situation ? (
          <>
            <Txt kind="strong" testID="beside-sentence">
              {result.sentence}
            </Txt>
            <View ref={drawing}>
              <Pictures
                compared={result.compared}
                letterOf={contest.letterOf}
                situation={situation}
                units={units}
                width={Math.min(width - 2 * space.page - (width >= WIDE_FROM ? 84 : 0), 760)}
              />
            </View>
            <PictureKey
              content={() => ({
                title: `${situation.subject.name}: ${stanceName.toLowerCase()}`,
                lines: [result.sentence],
                heads: result.compared.map(({ id, name }) => `${contest.letterOf(id)} ${name}`),
                rows,
              })}
              drawing={drawing}
            />
            <ComparedTable
              label="Differences between the set-ups"
              facts={{ ...deskFacts('far', situation, units), Comparison: stanceName }}
              columns={result.compared.map(({ id, name }) => ({ key: id, letter: contest.letterOf(id), name }))}
              rows={rows}
            />
            {result.left.map((each) => (
              <Txt key={each.name} kind="small" tone="caution">
                ⚠ {each.name} is left out: {each.reason}
              </Txt>
            ))}
            {stance !== 'sameSpot' && result.compared.some((each) => Math.abs(each.walkM) > 0.1) ? (
              <Txt kind="small" tone="caution">
                ⚠ Walking changes the perspective: from nearer, the bill grows and the background shrinks. Keep the
                distance that law and site ask for.
              </Txt>
            ) : null}
            <Schools compared={result.compared} />
          </>
        ) : (
          <Txt tone="soft">{contest.loading ? 'Opening …' : 'Take a set-up and a subject in hand first.'}</Txt>
        )}
      </ScrollView>
    </Page>
  );
}

function Pictures({
  compared,
  letterOf,
  situation,
  width,
  units,
}: {
  compared: Compared[];
  letterOf: (id: string) => string;
  situation: Situation;
  width: number;
  units: UnitSystem;
}) {
  const styles = useStyles();
  const [shown, setShown] = useState<number | null>(null);
  const [blinking, setBlinking] = useState(false);
  useEffect(() => {
    if (!blinking) return;
    const timer = setInterval(() => setShown((now) => ((now ?? -1) + 1) % compared.length), BLINK_MS);
    return () => clearInterval(timer);
  }, [blinking, compared.length]);
  const first = compared[0];
  if (!first) return null;
  const kind = SUBJECT_KINDS[situation.subject.kind];
  return (
    <View style={{ gap: space.small }}>
      <OverlayDrawing
        frames={compared.map((each, i) => ({
          letter: letterOf(each.id),
          widthM: each.reading.fieldWidthM.value,
          heightM: each.reading.fieldHeightM.value,
          opacity: shown === null || shown % compared.length === i ? 1 : 0.12,
        }))}
        kind={situation.subject.kind}
        axis={kind.axis}
        subjectM={situation.subject.sizeMm / 1000}
        width={width}
        maxHeight={300}
        description={`The frames at the subject at one scale: ${compared.map((each) => `${letterOf(each.id)} ${each.name} ${quantityText(each.reading.fieldWidthM, units)} wide`).join(', ')}`}
      />
      <View style={styles.keys}>
        {compared.map((each, i) => (
          <Key
            key={each.id}
            title={`Show ${letterOf(each.id)}`}
            weight={shown === i ? 'strong' : 'outline'}
            onPress={() => {
              setBlinking(false);
              setShown(shown === i ? null : i);
            }}
          />
        ))}
        <Key
          title={blinking ? 'Stop blinking' : 'Blink'}
          weight="plain"
          onPress={() => {
            setBlinking(!blinking);
            if (blinking) setShown(null);
          }}
        />
      </View>
    </View>
  );
}

/** Two old arguments, told from the very numbers above. */
function Schools({ compared }: { compared: Compared[] }) {
  const [a, b] = compared;
  if (!a || !b) return null;
  const crop = formatFigures(b.system.cropFactor.value / a.system.cropFactor.value, 3);
  return (
    <View>
      <Group title="“A crop is more reach” or “only a crop”?" brief="both are right about something">
        <Txt kind="small">
          Reach: {b.name} sees {crop} times tighter than the same lens on {a.name}’s sensor, and puts{' '}
          {formatFigures(b.reading.reachPxPerMrad.value)} pixels on a milliradian against{' '}
          {formatFigures(a.reading.reachPxPerMrad.value)}. Those extra pixels come from the pitch (
          {quantityText(b.system.pitchUm, 'metric')} against {quantityText(a.system.pitchUm, 'metric')}) and the focal
          length, not from the smaller frame.
        </Txt>
        <Txt kind="small">
          Only a crop: with equal pitch and focal length a small sensor takes just the middle of what the large one
          takes; the pixels on the subject are then the same, and the large one can be cropped to it later.
        </Txt>
      </Group>
      <Group title="Does the f-number multiply as well?" brief="for the picture yes, for the exposure no">
        <Txt kind="small">
          For the exposure f/{formatFigures(b.system.fNumber.value, 2)} stays f/
          {formatFigures(b.system.fNumber.value, 2)}: the same shutter time and ISO give the same brightness. For depth,
          blur and total light {b.name} acts like {showFNumber(b.system.equivalentFNumber.value)} on 36 × 24, because
          its opening is {quantityText(b.system.entrancePupilMm, 'metric')} wide at that view; {a.name}’s is{' '}
          {quantityText(a.system.entrancePupilMm, 'metric')}.
        </Txt>
      </Group>
    </View>
  );
}

const useStyles = stylesOf(() => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 960, marginHorizontal: 'auto' },
  keys: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
}));
