import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { formatFigures } from '@/core/quantity/format';
import type { StarsReading } from '@/core/sky/readStars';
import { useInHand } from '@/data/inHand';
import { useSky } from '@/data/sky';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { Ruler } from '@/ui/controls/Ruler';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { secondsText } from './starWords';

interface Props {
  system: EffectiveSystem;
  reading: StarsReading;
}

const SHORTEST_S = 0.5;
const LONGEST_SET_S = 3600;
/** Whole seconds from ten on, tenths below: what a person sets. */
const settable = (seconds: number): number => (seconds < 10 ? Math.round(seconds * 10) / 10 : seconds < 120 ? Math.round(seconds) : Math.round(seconds / 10) * 10);
const roundedFocal = (focalMm: number): number => (focalMm < 50 ? Math.round(focalMm * 10) / 10 : Math.round(focalMm));

function Exposure({ reading }: Props) {
  const styles = useStyles();
  const exposureS = useSky((state) => state.exposureS);
  const set = useSky((state) => state.set);
  const seconds = Math.min(LONGEST_SET_S, Math.max(SHORTEST_S, reading.exposureS.value));
  return (
    <View style={styles.line}>
      <View style={styles.ruler}>
        <Ruler label="Exposure" value={seconds} minimum={SHORTEST_S} maximum={LONGEST_SET_S} valueText={secondsText(seconds)} rounded={settable} onChange={(value) => set({ exposureS: value })} />
      </View>
      <View style={styles.field}>
        <NumberField compact hideLabel label="Exposure" value={Number(seconds.toPrecision(3))} unit="none" shownUnit="s" minimum={SHORTEST_S} maximum={LONGEST_SET_S} limits="from 0.5 s to an hour" onChange={(value) => value !== null && set({ exposureS: value })} testID="exposure-field" />
      </View>
      {exposureS === null ? null : <Key title="Back to the longest" icon="restart-alt" iconOnly weight="plain" onPress={() => set({ exposureS: null })} />}
    </View>
  );
}

function Focal({ system }: Pick<Props, 'system'>) {
  const styles = useStyles();
  const setFocalMm = useInHand((state) => state.setFocalMm);
  const { focalWideMm, focalTeleMm, name } = system.lens;
  const marked = system.markedFocalMm;
  if (focalTeleMm <= focalWideMm) {
    return (
      <Txt tone="soft">
        {name} has one focal length: {formatFigures(focalWideMm, 4)}
        {'\u202fmm'}.
      </Txt>
    );
  }
  return (
    <View style={styles.line}>
      <View style={styles.ruler}>
        <Ruler label="Focal length" value={marked} minimum={focalWideMm} maximum={focalTeleMm} valueText={`${formatFigures(marked, 4)} mm`} rounded={roundedFocal} onChange={setFocalMm} />
      </View>
      <View style={styles.field}>
        <NumberField compact hideLabel label="Focal length" value={marked} unit="mm" shownUnit="mm" minimum={focalWideMm} maximum={focalTeleMm} onChange={(value) => value !== null && setFocalMm(value)} />
      </View>
    </View>
  );
}

/** Both controls with their names, for a wide screen. */
export function StarControls(props: Props) {
  const styles = useStyles();
  return (
    <View style={styles.column}>
      <Txt kind="label" tone="soft">
        Exposure
      </Txt>
      <Exposure {...props} />
      <Txt kind="label" tone="soft">
        Focal length of the lens
      </Txt>
      <Focal {...props} />
    </View>
  );
}

/** One control at a time, docked above the places where the thumb is. */
export function StarDock(props: Props) {
  const styles = useStyles();
  const [shown, setShown] = useState<'exposure' | 'focal'>('exposure');
  return (
    <View style={styles.dock}>
      <View style={styles.tabs} role="tablist" aria-label="What the rule sets">
        {([['exposure', 'Exposure', secondsText(props.reading.exposureS.value)], ['focal', 'Focal length', `${formatFigures(props.system.markedFocalMm, 4)}\u202fmm`]] as const).map(([each, name, value]) => (
          <Pressable key={each} role="tab" aria-selected={shown === each} aria-label={name} onPress={() => setShown(each)} style={[styles.tab, shown === each && styles.tabOn]}>
            <Txt kind="label" tone={shown === each ? 'ink' : 'press'}>
              {name} {value}
            </Txt>
          </Pressable>
        ))}
      </View>
      {shown === 'exposure' ? <Exposure {...props} /> : <Focal {...props} />}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  line: { flexDirection: 'row', alignItems: 'flex-start', gap: space.medium },
  ruler: { flex: 1, minWidth: 0 },
  field: { width: 104 },
  column: { gap: space.medium },
  dock: { paddingHorizontal: space.page, paddingBottom: space.small, borderTopWidth: 1, borderColor: palette.ink, backgroundColor: palette.paper },
  tabs: { flexDirection: 'row', gap: space.page },
  tab: { minHeight: TARGET - 8, minWidth: TARGET, justifyContent: 'center' },
  tabOn: { borderTopWidth: 3, borderColor: palette.ink },
}));
