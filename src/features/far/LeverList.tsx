import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import type { Lever } from '@/core/far/levers';
import type { Quantity } from '@/core/quantity/quantity';
import { useInHand } from '@/data/inHand';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf, usePalette } from '@/ui/theme/theme';
import { leverText } from './leverText';
import { useLevers } from './useLevers';
import { VERDICT_MARK, VERDICT_WORDS } from '@/core/output/verdictWords';

/** Levers: what could be changed, each with its gain and its price. A tap tries one, a second tap takes it back. */
export const LeverList = memo(function LeverList({ onWhy }: { onWhy: (gain: Quantity) => void }) {
  const styles = useStyles();
  const { levers, pending, situation } = useLevers();
  const trials = useInHand((state) => state.trials);
  const units = useInHand((state) => state.units);
  const adoptTrials = useInHand((state) => state.adoptTrials);
  const trying = Object.keys(trials).length > 0;
  return (
    <View>
      <View style={styles.head}>
        <Txt kind="title" level={2}>
          Levers
        </Txt>
        {trying ? (
          <Key title="Keep what is tried" weight="plain" onPress={adoptTrials} />
        ) : (
          <Txt kind="fine" tone="soft">
            tap to try, tap again to take back
          </Txt>
        )}
      </View>
      {levers.length === 0 && !pending ? <Txt tone="soft">Nothing else to try: add set-ups, converters or crop modes to the kit.</Txt> : null}
      {situation
        ? levers.map((lever) => (
            <LeverRow
              key={lever.id}
              lever={lever}
              text={leverText(lever, situation.subject, situation.distanceM, units)}
              output={situation.output.name}
              on={trials[lever.kind]?.leverId === lever.id}
              onWhy={onWhy}
            />
          ))
        : null}
    </View>
  );
});

interface RowProps {
  lever: Lever;
  text: ReturnType<typeof leverText>;
  output: string;
  on: boolean;
  onWhy: (gain: Quantity) => void;
}

const ICONS = { distance: 'straighten', focal: 'zoom-in', converter: 'add-circle-outline', mode: 'crop', setup: 'photo-camera' } as const;

const LeverRow = memo(function LeverRow({ lever, text, output, on, onWhy }: RowProps) {
  const styles = useStyles();
  const palette = usePalette();
  return (
    <View style={[styles.row, on && styles.on]}>
    <Pressable
      role="switch"
      aria-checked={on}
      onPress={() => useInHand.getState().toggleTrial(lever.kind, { leverId: lever.id, patch: lever.patch })}
      style={styles.press}
      aria-label={`${text.title}: ${text.gain}. ${text.price} ${VERDICT_WORDS[lever.verdictAfter](output)}. ${text.caution}`}
      testID={`lever-${lever.kind}`}
    >
      <MaterialIcons name={on ? 'undo' : ICONS[lever.kind]} size={22} color={palette.press} style={styles.icon} />
      <View style={styles.words}>
        <View style={styles.titleLine}>
          <Txt kind="strong" style={styles.title}>
            {text.title}
          </Txt>
          <Txt kind="small" tone={lever.verdictAfter === 'notEnough' ? 'soft' : 'press'}>
            {VERDICT_MARK[lever.verdictAfter]} {lever.verdictAfter === 'notEnough' ? 'not enough' : lever.verdictAfter === 'enough' ? 'enough' : 'more than used'}
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
    <Key title={`Why: ${text.title}`} icon="help-outline" iconOnly weight="plain" onPress={() => onWhy(lever.gain)} />
    </View>
  );
}, sameRow);

/** A row is drawn again only when a word of it changes, or what pressing it would do. */
function sameRow(a: RowProps, b: RowProps): boolean {
  return (
    a.on === b.on && a.output === b.output && a.lever.verdictAfter === b.lever.verdictAfter &&
    JSON.stringify(a.text) === JSON.stringify(b.text) && JSON.stringify(a.lever.patch) === JSON.stringify(b.lever.patch)
  );
}

const useStyles = stylesOf((palette) => ({
  head: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', minHeight: TARGET + space.medium, gap: space.medium, flexWrap: 'wrap' },
  row: { flexDirection: 'row', alignItems: 'flex-start', borderTopWidth: 1, borderColor: palette.hairline },
  press: { flex: 1, flexDirection: 'row', gap: space.medium, paddingVertical: space.medium, minHeight: TARGET },
  on: { backgroundColor: palette.raised, borderLeftWidth: 3, borderLeftColor: palette.needle, paddingLeft: space.medium },
  icon: { marginTop: 1 },
  words: { flex: 1, gap: 1 },
  titleLine: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: space.medium },
  title: { flexShrink: 1 },
}));
