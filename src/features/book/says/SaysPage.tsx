import { useMemo } from 'react';
import { ScrollView, View } from 'react-native';
import type { LearnedConverter, LearnedDistance } from '@/core/learned/learn';
import { converterText, distanceText, limitsInWords, type LimitWords } from '@/core/learned/learnedWords';
import { chanceAt } from '@/core/learned/limit';
import { NOTHING_LEARNED, converterKey, sayKey, type SayKey } from '@/core/learned/own';
import { formatFixed } from '@/core/quantity/format';
import type { DistancesOf, KeepersOf } from '@/core/seek/statistics';
import { useLearned } from '@/data/own/learned';
import { usePreferences } from '@/data/preferences';
import { usePartOfScreen } from '@/ui/Beside';
import { Guard } from '@/ui/Guard';
import { Txt } from '@/ui/Txt';
import { ChanceChart } from '@/ui/chart/ChanceChart';
import { DistanceChart } from '@/ui/chart/DistanceChart';
import { KeepersChart } from '@/ui/chart/KeepersChart';
import { Key } from '@/ui/controls/Key';
import { CheckBox } from '@/ui/rne';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { UnderBookTabs } from '../BookTabs';

/** What the Book says: what one's own verdicts tell of one's hand, gear and distances, each with what it rests on. */
export default function SaysPage() {
  const styles = useStyles();
  const { level } = usePartOfScreen();
  const units = usePreferences((state) => state.units);
  const { learned: found, judged, failed, retry } = useLearned();
  const learned = found ?? NOTHING_LEARNED;
  const limits = useMemo(() => limitsInWords(learned), [learned]);
  return (
    <UnderBookTabs here="/book/says">
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        <Txt kind="title" level={level}>
          What the Book says
        </Txt>
        <Txt kind="small" tone="soft" role="status">
          {failed
            ? 'The Book could not be read, so nothing is learned anew. See that the server runs, then try again.'
            : judged === null || !found
              ? 'Reading the Book …'
              : judged || limits.length
                ? `Learned from ${formatFixed(judged)} judged groups of pictures, and from what the Bench and the Book tell besides. A group counts once, and groups of one session for less: they share their light and luck. What is switched on counts on the desks and on the card.`
                : 'Nothing judged yet. Bring the pictures of an outing home and give each group its verdict: from five on the Book begins to tell what you hold, like and reach.'}
        </Txt>
        {failed ? <Key title="Try again" onPress={retry} /> : null}
        <View style={styles.limits}>
          {limits.map((words) => (
            <Guard key={words.key} what={words.title} resetKeys={[words]}>
              <OneLimit words={words} />
            </Guard>
          ))}
        </View>
        {learned.distances.length ? (
          <View style={styles.part}>
            <Txt kind="title" level={2}>
              Kept from
            </Txt>
            <DistanceChart rows={learned.distances.map(keptFrom)} units={units} />
            {learned.distances.map((each) => (
              <View key={each.of}>
                <Txt kind="strong">{each.of}</Txt>
                <Txt kind="small">{distanceText(each, units)}</Txt>
                {each.middleM === undefined ? null : (
                  <Counts of={sayKey('distance', each.of)} name={`${each.of} kept from`} />
                )}
              </View>
            ))}
          </View>
        ) : null}
        {learned.converters.length ? (
          <View style={styles.part}>
            <Txt kind="title" level={2}>
              Converters
            </Txt>
            <KeepersChart rows={learned.converters.flatMap(withAndWithout)} />
            {learned.converters.map((each) => (
              <View key={each.lens + each.converter}>
                <Txt kind="strong">{`${each.converter} on ${each.lens}`}</Txt>
                <Txt kind="small">{converterText(each)}</Txt>
                <Counts of={converterKey(each)} name={`${each.converter} on ${each.lens}`} />
              </View>
            ))}
          </View>
        ) : null}
      </ScrollView>
    </UnderBookTabs>
  );
}

/** Distances a subject was kept from, as they are drawn. */
const keptFrom = ({ of, from }: LearnedDistance): DistancesOf => ({
  subject: of,
  distances: from.map((distanceM) => ({ distanceM, standing: 'kept' })),
});

/** What was kept with a converter and without it, one below the other. */
const withAndWithout = ({ lens, converter, ...share }: LearnedConverter): KeepersOf[] => [
  { setup: `${lens} with ${converter}`, share: share.with },
  { setup: `${lens} without`, share: share.without },
];

function OneLimit({ words }: { words: LimitWords }) {
  const styles = useStyles();
  const { title, sentence, cases, limit, axis } = words;
  const { value, low, high, side, from } = limit;
  const known = value !== undefined && low !== undefined && high !== undefined;
  return (
    <View style={styles.limit} role="group" aria-label={title}>
      <Txt kind="strong">{title}</Txt>
      <Txt>{sentence}</Txt>
      <ChanceChart
        cases={from}
        limit={known ? { value, low, high } : undefined}
        chance={known ? (x) => chanceAt(x, limit, side) : undefined}
        axis={axis}
        description={`${title}, each group a dot, kept ones above: ${sentence}`}
      />
      <Txt kind="small" tone="soft">
        {cases}
      </Txt>
      {known ? <Counts of={words.key} name={title} /> : null}
    </View>
  );
}

/** Whether one thing learned counts on the desks. */
function Counts({ of, name }: { of: SayKey; name: string }) {
  const off = usePreferences((state) => state.saysOff);
  const prefer = usePreferences((state) => state.prefer);
  const on = !off.includes(of);
  return (
    <CheckBox
      title="Counts on the desks"
      checked={on}
      onPress={() => prefer({ saysOff: on ? [...off, of] : off.filter((each) => each !== of) })}
      role="checkbox"
      aria-checked={on}
      aria-label={`${name}: counts on the desks`}
    />
  );
}

const useStyles = stylesOf((palette) => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 1180, marginHorizontal: 'auto' },
  limits: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.wide, rowGap: space.page },
  limit: {
    flexGrow: 1,
    flexShrink: 1,
    flexBasis: 420,
    minWidth: 0,
    gap: space.small,
    paddingTop: space.medium,
    borderTopWidth: 1,
    borderColor: palette.hairline,
  },
  part: { gap: space.medium },
}));
