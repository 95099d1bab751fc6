import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import type { Lever } from '@/core/far/levers';
import { useInHand } from '@/data/inHand';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf, usePalette } from '@/ui/theme/theme';
import { leverText } from './leverText';
import type { Situation } from '@/data/situation';
import { VERDICT_MARK, VERDICT_WORDS } from '@/ui/verdictWords';

/** Levers: what could be changed, each with its gain and its price. A tap tries one, a second tap takes it back. */
export const LeverList = memo(function LeverList({ levers, situation, pending }: { levers: Lever[]; situation: Situation; pending: boolean }) {
  const styles = useStyles();
  const trials = useInHand((state) => state.trials);
  const units = useInHand((state) => state.units);
  const toggleTrial = useInHand((state) => state.toggleTrial);
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
      {levers.map((lever) => (
        <LeverRow
          key={lever.id}
          lever={lever}
          text={leverText(lever, situation.subject, lever.kind === 'distance' && trials.distance ? (trials.distance.patch.distanceM ?? 0) - lever.distanceChangeM : situation.distanceM, units)}
          output={situation.output.name}
          on={trials[lever.kind]?.leverId === lever.id}
          onPress={() => toggleTrial(lever.kind, { leverId: lever.id, patch: lever.patch })}
        />
      ))}
    </View>
  );
});

interface RowProps {
  lever: Lever;
  text: ReturnType<typeof leverText>;
  output: string;
  on: boolean;
  onPress: () => void;
}

const ICONS = { distance: 'straighten', focal: 'zoom-in', converter: 'add-circle-outline', mode: 'crop', setup: 'photo-camera' } as const;

function LeverRow({ lever, text, output, on, onPress }: RowProps) {
  const styles = useStyles();
  const palette = usePalette();
  return (
    <Pressable
      role="switch"
      aria-checked={on}
      onPress={onPress}
      style={[styles.row, on && styles.on]}
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
  );
}

const useStyles = stylesOf((palette) => ({
  head: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', minHeight: TARGET + space.medium, gap: space.medium, flexWrap: 'wrap' },
  row: { flexDirection: 'row', gap: space.medium, paddingVertical: space.medium, minHeight: TARGET, borderTopWidth: 1, borderColor: palette.hairline },
  on: { backgroundColor: palette.raised, borderLeftWidth: 3, borderLeftColor: palette.needle, paddingLeft: space.medium },
  icon: { marginTop: 1 },
  words: { flex: 1, gap: 1 },
  titleLine: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: space.medium },
  title: { flexShrink: 1 },
}));
