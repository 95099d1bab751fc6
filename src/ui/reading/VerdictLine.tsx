import { memo } from 'react';
import { Pressable, View } from 'react-native';
import type { Verdict } from '@/core/output/verdict';
import { VERDICT_MARK } from '@/core/output/verdictWords';
import { Txt } from '../Txt';
import { Key } from '../controls/Key';
import { TARGET, space } from '../theme/measures';
import { stylesOf } from '../theme/theme';

interface Props {
  verdict: Verdict;
  words: string;
  sentence: string;
  onWhy: () => void;
  /** Opens what pictures are for: to add one of one's own. */
  onOther?: () => void;
}

/** The judgement in words; drawn again only when they change. */
export const VerdictLine = memo(
  function VerdictLine({ verdict, words, sentence, onWhy, onOther }: Props) {
    const styles = useStyles();
    return (
      <View style={styles.line}>
        <Pressable
          role="button"
          onPress={onWhy}
          style={styles.verdict}
          aria-label={`${words}: ${sentence}. Why?`}
          testID="verdict"
        >
          <Txt kind="title" tone={verdict === 'notEnough' ? 'needle' : 'press'}>
            {VERDICT_MARK[verdict]} {words}
          </Txt>
          <Txt kind="small" tone="soft">
            {sentence}
          </Txt>
        </Pressable>
        {onOther ? (
          <Key title="What else the picture could be for" icon="edit" iconOnly weight="plain" onPress={onOther} />
        ) : null}
      </View>
    );
  },
  (a, b) => a.verdict === b.verdict && a.words === b.words && a.sentence === b.sentence,
);

const useStyles = stylesOf(() => ({
  line: { flexDirection: 'row', alignItems: 'flex-end' },
  verdict: {
    flex: 1,
    minHeight: TARGET,
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'baseline',
    columnGap: space.medium,
    paddingTop: space.medium,
  },
}));
