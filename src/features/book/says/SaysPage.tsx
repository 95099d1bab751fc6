import { useMemo } from 'react';
import { ScrollView, View } from 'react-native';
import { learn } from '@/core/learned/learn';
import { converterText, distanceText, limitsInWords, type LimitWords } from '@/core/learned/learnedWords';
import { chanceAt } from '@/core/learned/limit';
import { formatFixed } from '@/core/quantity/format';
import { usePreferences } from '@/data/preferences';
import { useRows } from '@/data/useRows';
import { usePartOfScreen } from '@/ui/Beside';
import { Guard } from '@/ui/Guard';
import { Txt } from '@/ui/Txt';
import { ChanceChart } from '@/ui/chart/ChanceChart';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { UnderBookTabs } from '../BookTabs';
import { FactLines } from '../outings/FactLines';

/** What the Book says: what one's own verdicts tell of one's hand, gear and distances, each with what it rests on. */
export default function SaysPage() {
  const styles = useStyles();
  const { level } = usePartOfScreen();
  const units = usePreferences((state) => state.units);
  const { rows, loading, failed, retry } = useRows('pictureGroups');
  const judged = useMemo(() => rows.map(({ data }) => data).filter(({ verdict }) => verdict), [rows]);
  const learned = useMemo(() => learn(judged), [judged]);
  const limits = useMemo(() => limitsInWords(learned), [learned]);
  return (
    <UnderBookTabs here="/book/says">
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        <Txt kind="title" level={level}>
          What the Book says
        </Txt>
        <Txt kind="small" tone="soft" role="status">
          {loading
            ? 'Opening the Book …'
            : failed
              ? 'The server cannot be reached, so the Book stays closed. Start it again, then try again.'
              : judged.length
                ? `Learned from ${formatFixed(judged.length)} judged groups of pictures. A group counts once: what is taken together is no independent trial.`
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
            <FactLines
              label="Kept from"
              lines={learned.distances.map((each) => ({ name: each.of, text: distanceText(each, units) }))}
            />
          </View>
        ) : null}
        {learned.converters.length ? (
          <View style={styles.part}>
            <Txt kind="title" level={2}>
              Converters
            </Txt>
            {learned.converters.map((each) => (
              <View key={each.lens + each.converter}>
                <Txt kind="strong">{`${each.converter} on ${each.lens}`}</Txt>
                <Txt kind="small">{converterText(each)}</Txt>
              </View>
            ))}
          </View>
        ) : null}
      </ScrollView>
    </UnderBookTabs>
  );
}

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
    </View>
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
