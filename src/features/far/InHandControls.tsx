import { memo, useDeferredValue, useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { formatFigures } from '@/core/quantity/format';
import { metresToFeet, type UnitSystem } from '@/core/quantity/units';
import { useInHand } from '@/data/inHand';
import { Txt } from '@/ui/Txt';
import { NumberField } from '@/ui/controls/NumberField';
import { Ruler } from '@/ui/controls/Ruler';
import { showLengthM, shownText } from '@/core/quantity/quantityText';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import type { DeskState } from './useFarDesk';

export const NEAREST_M = 0.1;
export const FARTHEST_M = 2000;

/** Rounds a dragged distance to what a person could pace: three figures, but never finer than a centimetre. */
const roundedDistance = (distanceM: number): number => Math.max(0.01, Number(distanceM.toPrecision(3)));
const roundedFocal = (focalMm: number): number => (focalMm < 50 ? Math.round(focalMm * 10) / 10 : Math.round(focalMm));

const DistanceField = memo(function DistanceField({ distanceM, imperial }: { distanceM: number; imperial: boolean }) {
  const setDistanceM = useInHand((state) => state.setDistanceM);
  return (
    <NumberField
      compact
      hideLabel
      label="Distance"
      value={distanceM}
      unit="m"
      shownUnit={imperial ? 'ft' : 'm'}
      perUnit={imperial ? metresToFeet(1) : 1}
      minimum={0.01}
      maximum={100_000}
      limits={`more than 0 and at most ${imperial ? '328,000 ft' : '100 km'}`}
      onChange={(value) => value !== null && setDistanceM(value)}
      testID="distance-field"
    />
  );
});

/** Distance by dragging and by typing. */
function Distance({ now, units, label }: { now: DeskState; units: UnitSystem; label?: string }) {
  const setDistanceM = useInHand((state) => state.setDistanceM);
  const perUnit = units === 'imperial' ? metresToFeet(1) : 1;
  const { distanceM } = now.situation;
  // The field follows a drag a moment later, so that the reading need not wait for it.
  const fieldM = useDeferredValue(distanceM);
  return (
    <ControlLine
      label={label}
      field={
        <DistanceField distanceM={fieldM} imperial={units === 'imperial'} />
      }
      ruler={
        <Ruler label="Distance" value={Math.min(FARTHEST_M, Math.max(NEAREST_M, distanceM))} minimum={NEAREST_M} maximum={FARTHEST_M} perUnit={perUnit} valueText={shownText(showLengthM(distanceM, units))} rounded={roundedDistance} onChange={setDistanceM} />
      }
    />
  );
}

/** Focal length of a zoom by dragging and by typing; a prime says that it has only one. */
function Focal({ now, label }: { now: DeskState; label?: string }) {
  const setFocalMm = useInHand((state) => state.setFocalMm);
  const lens = now.system?.lens;
  if (!lens) return null;
  const { focalWideMm, focalTeleMm } = lens;
  const marked = now.system?.markedFocalMm ?? focalTeleMm;
  if (focalTeleMm <= focalWideMm) {
    return (
      <View style={{ minHeight: TARGET, justifyContent: 'center' }}>
        <Txt tone="soft">
          {lens.name} has one focal length: {formatFigures(focalWideMm, 4)}
          {'\u202f'}mm. Converters and other set-ups are among the levers.
        </Txt>
      </View>
    );
  }
  const limits = `between ${formatFigures(focalWideMm, 4)} and ${formatFigures(focalTeleMm, 4)}\u202fmm with this lens`;
  return (
    <ControlLine
      label={label}
      field={<NumberField compact hideLabel label="Focal length" value={marked} unit="mm" shownUnit="mm" minimum={focalWideMm} maximum={focalTeleMm} limits={limits} onChange={(value) => value !== null && setFocalMm(value)} testID="focal-field" />}
      ruler={<Ruler label="Focal length" value={marked} minimum={focalWideMm} maximum={focalTeleMm} valueText={`${formatFigures(marked, 4)} mm`} rounded={roundedFocal} onChange={setFocalMm} />}
    />
  );
}

function ControlLine({ label, field, ruler }: { label?: string | undefined; field: ReactNode; ruler: ReactNode }) {
  const styles = useStyles();
  if (label !== undefined) {
    return (
      <View style={styles.stack}>
        <View style={styles.labelLine}>
          <Txt kind="label" tone="soft" style={styles.ruler}>
            {label}
          </Txt>
          <View style={styles.field}>{field}</View>
        </View>
        {ruler}
      </View>
    );
  }
  return (
    <View style={styles.line}>
      <View style={styles.ruler}>{ruler}</View>
      <View style={styles.field}>{field}</View>
    </View>
  );
}

/** Both controls with their names, for the column "in hand" of a wide screen. */
export function InHandColumn({ now, units }: { now: DeskState; units: UnitSystem }) {
  const styles = useStyles();
  return (
    <View style={styles.column}>
      <Distance now={now} units={units} label="Distance to the subject" />
      <Focal now={now} label="Focal length of the lens" />
    </View>
  );
}

type Docked = 'distance' | 'focal';

const DockTabs = memo(function DockTabs({ shown, setShown }: { shown: Docked; setShown: (shown: Docked) => void }) {
  const styles = useStyles();
  return (
    <View style={styles.tabs} role="tablist" aria-label="What the rule sets">
      {(['distance', 'focal'] as const).map((each) => (
        <Pressable key={each} role="tab" aria-selected={shown === each} onPress={() => setShown(each)} style={[styles.tab, shown === each && styles.tabOn]}>
          <Txt kind="label" tone={shown === each ? 'ink' : 'press'}>
            {each === 'distance' ? 'Distance' : 'Focal length'}
          </Txt>
        </Pressable>
      ))}
    </View>
  );
});

/** One control at a time, docked above the places where the thumb is. */
export function InHandDock({ now, units }: { now: DeskState; units: UnitSystem }) {
  const styles = useStyles();
  const [shown, setShown] = useState<Docked>('distance');
  return (
    <View style={styles.dock}>
      <DockTabs shown={shown} setShown={setShown} />
      {shown === 'distance' ? <Distance now={now} units={units} /> : <Focal now={now} />}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  stack: { gap: space.small },
  labelLine: { flexDirection: 'row', alignItems: 'center', gap: space.medium },
  line: { flexDirection: 'row', alignItems: 'flex-start', gap: space.medium },
  ruler: { flex: 1, minWidth: 0 },
  field: { width: 112 },
  column: { gap: space.page },
  dock: { paddingHorizontal: space.page, paddingBottom: space.small, borderTopWidth: 1, borderColor: palette.ink, backgroundColor: palette.paper },
  tabs: { flexDirection: 'row', gap: space.page },
  tab: { minHeight: TARGET - 8, minWidth: TARGET, justifyContent: 'center' },
  tabOn: { borderTopWidth: 3, borderColor: palette.ink },
}));
