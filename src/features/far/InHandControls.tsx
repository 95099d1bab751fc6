import { View } from 'react-native';
import { metresToFeet, type UnitSystem } from '@/core/quantity/units';
import { useInHand } from '@/data/inHand';
import { FocalControl } from '@/features/slate/FocalControl';
import { ControlDock } from '@/ui/controls/ControlDock';
import { ControlLine } from '@/ui/controls/ControlLine';
import { FollowingField } from '@/ui/controls/FollowingField';
import { Ruler } from '@/ui/controls/Ruler';
import { showLengthM, shownText } from '@/core/quantity/quantityText';
import { space } from '@/ui/theme/measures';
import type { DeskState } from './useFarDesk';

export const NEAREST_M = 0.1;
export const FARTHEST_M = 2000;

/** Rounds a dragged distance to what a person could pace: three figures, but never finer than a centimetre. */
const roundedDistance = (distanceM: number): number => Math.max(0.01, Number(distanceM.toPrecision(3)));

const takeDistance = (distanceM: number | null): void => {
  if (distanceM !== null) useInHand.now().setDistanceM(distanceM);
};

function DistanceField({ distanceM, imperial }: { distanceM: number; imperial: boolean }) {
  return (
    <FollowingField
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
      onChange={takeDistance}
      testID="distance-field"
    />
  );
}

/** Distance by dragging and by typing. */
function Distance({ now, units, label }: { now: DeskState; units: UnitSystem; label?: string }) {
  const setDistanceM = useInHand((state) => state.setDistanceM);
  const perUnit = units === 'imperial' ? metresToFeet(1) : 1;
  const { distanceM } = now.situation;
  return (
    <ControlLine
      label={label}
      field={<DistanceField distanceM={distanceM} imperial={units === 'imperial'} />}
      ruler={
        <Ruler
          label="Distance"
          value={Math.min(FARTHEST_M, Math.max(NEAREST_M, distanceM))}
          minimum={NEAREST_M}
          maximum={FARTHEST_M}
          perUnit={perUnit}
          valueText={shownText(showLengthM(distanceM, units))}
          rounded={roundedDistance}
          onChange={setDistanceM}
        />
      }
    />
  );
}

/** Both controls with their names, for the column "in hand" of a wide screen. */
export function InHandColumn({ now, units }: { now: DeskState; units: UnitSystem }) {
  return (
    <View style={{ gap: space.page }}>
      <Distance now={now} units={units} label="Distance to the subject" />
      <FocalControl system={now.system} label="Focal length of the lens" />
    </View>
  );
}

/** One control at a time, docked above the places where the thumb is. */
export function InHandDock({ now, units }: { now: DeskState; units: UnitSystem }) {
  return (
    <ControlDock
      controls={[
        { name: 'Distance', control: <Distance now={now} units={units} /> },
        { name: 'Focal length', control: <FocalControl system={now.system} /> },
      ]}
    />
  );
}
