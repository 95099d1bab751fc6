import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { engraved } from '@/core/near/apertureCurve';
import { apertureRange, ratioRange } from '@/core/near/nearState';
import { formatFigures, formatRatio } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';
import { useInHand } from '@/data/inHand';
import { Txt } from '@/ui/Txt';
import { NumberField } from '@/ui/controls/NumberField';
import { Ruler } from '@/ui/controls/Ruler';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import type { NearDeskState } from './useNearDesk';

const threeFigures = (value: number): number => Number(value.toPrecision(3));
/** Ends that differ by less are one setting. */
const APART = 1.005;

function RatioControl({ now }: { now: NearDeskState }) {
  const styles = useStyles();
  const setNearRatio = useInHand((state) => state.setNearRatio);
  const range = now.system && ratioRange(now.system);
  const reading = now.reading;
  if (!range || !reading) return <Txt tone="soft">No ratio yet.</Txt>;
  const ratio = reading.ratio.value;
  if (range.highest < range.lowest * APART) return <Txt tone="soft">This chain draws at one ratio: {formatRatio(ratio)}.</Txt>;
  return (
    <View style={styles.line}>
      <View style={styles.ruler}>
        <Ruler label="Reproduction ratio" value={ratio} minimum={range.lowest} maximum={range.highest} valueText={formatRatio(ratio)} rounded={threeFigures} onChange={setNearRatio} />
      </View>
      <View style={styles.field}>
        <NumberField compact hideLabel label="Reproduction ratio" value={threeFigures(ratio)} unit="none" shownUnit=": 1" minimum={range.lowest * 0.9999} maximum={range.highest * 1.0001} limits={`from ${formatRatio(range.lowest)} to ${formatRatio(range.highest)} with this chain; tubes and close-up lenses are among the levers`} onChange={(value) => value !== null && setNearRatio(value)} testID="ratio-field" />
      </View>
    </View>
  );
}

function ApertureControl({ now }: { now: NearDeskState }) {
  const styles = useStyles();
  const setNearFNumber = useInHand((state) => state.setNearFNumber);
  if (!now.system || !now.reading) return <Txt tone="soft">No aperture yet.</Txt>;
  const { widest, smallest } = apertureRange(now.system);
  const fNumber = now.reading.setFNumber.value;
  if (smallest < widest * APART) return <Txt tone="soft">These optics have one aperture.</Txt>;
  return (
    <View style={styles.line}>
      <View style={styles.ruler}>
        <Ruler label="f-number" value={fNumber} minimum={widest} maximum={smallest} valueText={showFNumber(fNumber)} rounded={engraved} onChange={setNearFNumber} />
      </View>
      <View style={styles.field}>
        <NumberField compact hideLabel label="f-number" value={fNumber} unit="none" minimum={widest * 0.9999} maximum={smallest} limits={`from ${showFNumber(widest)} to ${showFNumber(smallest)}`} onChange={(value) => value !== null && setNearFNumber(value)} testID="fnumber-field" />
      </View>
    </View>
  );
}

/** Both controls with their names, for a wide screen. */
export function NearColumn({ now }: { now: NearDeskState }) {
  const styles = useStyles();
  return (
    <View style={styles.column}>
      <Txt kind="label" tone="soft">
        Reproduction ratio, by the lens’s own focus
      </Txt>
      <RatioControl now={now} />
      <Txt kind="label" tone="soft">
        f-number on the lens
      </Txt>
      <ApertureControl now={now} />
    </View>
  );
}

/** One control at a time, docked above the places where the thumb is. */
export function NearDock({ now }: { now: NearDeskState }) {
  const styles = useStyles();
  const [shown, setShown] = useState<'ratio' | 'aperture'>('ratio');
  const ratio = now.reading ? formatRatio(now.reading.ratio.value) : '';
  const aperture = now.reading ? `f/${formatFigures(now.reading.setFNumber.value, 2)}` : '';
  return (
    <View style={styles.dock}>
      <View style={styles.tabs} role="tablist" aria-label="What the rule sets">
        {([['ratio', 'Ratio', ratio], ['aperture', 'Aperture', aperture]] as const).map(([each, name, value]) => (
          <Pressable key={each} role="tab" aria-selected={shown === each} aria-label={name} onPress={() => setShown(each)} style={[styles.tab, shown === each && styles.tabOn]}>
            <Txt kind="label" tone={shown === each ? 'ink' : 'press'}>
              {name} {value}
            </Txt>
          </Pressable>
        ))}
      </View>
      {shown === 'ratio' ? <RatioControl now={now} /> : <ApertureControl now={now} />}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  line: { flexDirection: 'row', alignItems: 'flex-start', gap: space.medium },
  ruler: { flex: 1, minWidth: 0 },
  field: { width: 112 },
  column: { gap: space.medium },
  dock: { paddingHorizontal: space.page, paddingBottom: space.small, borderTopWidth: 1, borderColor: palette.ink, backgroundColor: palette.paper },
  tabs: { flexDirection: 'row', gap: space.page },
  tab: { minHeight: TARGET - 8, minWidth: TARGET, justifyContent: 'center' },
  tabOn: { borderTopWidth: 3, borderColor: palette.ink },
}));
