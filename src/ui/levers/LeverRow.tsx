import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import type { Verdict } from '@/core/output/verdict';
import { VERDICT_MARK, VERDICT_WORDS } from '@/core/output/verdictWords';
import { Txt } from '../Txt';
import { Key, type IconName } from '../controls/Key';
import { TARGET, space } from '../theme/measures';
import { stylesOf, usePalette } from '../theme/theme';

/** A lever in words: what to do, what it gains, what it costs, and a caution where there is one. */
export interface LeverText {
  title: string;
  gain: string;
  price: string;
  caution: string;
  /** What stands in the place of the verdict where a lever is judged by something else than pixels. */
  mark?: string;
}

export type LeverVerdict = Verdict | 'outOfFocus' | 'doesNotFit';

const SHORT: Record<LeverVerdict, string> = {
  notEnough: `${VERDICT_MARK.notEnough} not enough`,
  borderline: `${VERDICT_MARK.borderline} borderline`,
  enough: `${VERDICT_MARK.enough} enough`,
  more: `${VERDICT_MARK.more} more than used`,
  outOfFocus: '✕ out of focus',
  doesNotFit: '✕ does not fit',
};

const spoken = (verdict: LeverVerdict, output: string): string =>
  verdict === 'outOfFocus'
    ? 'Does not focus there'
    : verdict === 'doesNotFit'
      ? 'Does not fit into the frame'
      : VERDICT_WORDS[verdict](output);

interface Props {
  icon: IconName;
  text: LeverText;
  /** What its pixels are good for; or why that cannot be told. */
  verdict: LeverVerdict;
  /** What the picture is for, by name. */
  output: string;
  on: boolean;
  /** What pressing would do, as a word: the row is drawn again when it changes. */
  pressing: string;
  onPress: () => void;
  onWhy: () => void;
  testID: string;
}

/** One lever: a tap tries it, a second tap takes it back. */
export const LeverRow = memo(function LeverRow({ icon, text, verdict, output, on, onPress, onWhy, testID }: Props) {
  const styles = useStyles();
  const palette = usePalette();
  return (
    <View style={[styles.row, on && styles.on]}>
      <Pressable
        role="switch"
        aria-checked={on}
        onPress={onPress}
        style={styles.press}
        aria-label={`${text.title}: ${text.gain}. ${text.price} ${text.mark ?? spoken(verdict, output)}. ${text.caution}`}
        testID={testID}
      >
        <MaterialIcons name={on ? 'undo' : icon} size={22} color={palette.press} style={styles.icon} />
        <View style={styles.words}>
          <View style={styles.titleLine}>
            <Txt kind="strong" style={styles.title}>
              {text.title}
            </Txt>
            <Txt kind="small" tone={verdict === 'enough' || verdict === 'more' ? 'press' : 'soft'} style={styles.mark}>
              {text.mark ?? SHORT[verdict]}
            </Txt>
          </View>
          <Txt kind="small">{text.gain}</Txt>
          {text.price ? (
            <Txt kind="small" tone="soft">
              {text.price}
            </Txt>
          ) : null}
          {text.caution ? (
            <Txt kind="small" tone="caution">
              ⚠ {text.caution}
            </Txt>
          ) : null}
        </View>
      </Pressable>
      <Key title={`Why: ${text.title}`} icon="help-outline" iconOnly weight="plain" onPress={onWhy} />
    </View>
  );
}, sameRow);

/** A row is drawn again only when a word of it changes, or what pressing it would do. */
function sameRow(a: Props, b: Props): boolean {
  return (
    a.on === b.on &&
    a.output === b.output &&
    a.verdict === b.verdict &&
    a.pressing === b.pressing &&
    JSON.stringify(a.text) === JSON.stringify(b.text)
  );
}

const useStyles = stylesOf((palette) => ({
  row: { flexDirection: 'row', alignItems: 'flex-start', borderTopWidth: 1, borderColor: palette.hairline },
  press: { flex: 1, flexDirection: 'row', gap: space.medium, paddingVertical: space.medium, minHeight: TARGET },
  on: {
    backgroundColor: palette.raised,
    borderLeftWidth: 3,
    borderLeftColor: palette.needle,
    paddingLeft: space.medium,
  },
  icon: { marginTop: 1 },
  words: { flex: 1, gap: 1 },
  titleLine: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    justifyContent: 'space-between',
    alignItems: 'baseline',
    columnGap: space.medium,
  },
  title: { flexShrink: 1 },
  mark: { flexShrink: 1 },
}));
