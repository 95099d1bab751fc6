import { View } from 'react-native';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { formatFigures } from '@/core/quantity/format';
import type { StarsReading } from '@/core/sky/readStars';
import { useSky } from '@/data/inHand';
import { FocalControl } from '@/features/slate/FocalControl';
import { ControlDock } from '@/ui/controls/ControlDock';
import { ControlLine } from '@/ui/controls/ControlLine';
import { Key } from '@/ui/controls/Key';
import { FollowingField } from '@/ui/controls/FollowingField';
import { Ruler } from '@/ui/controls/Ruler';
import { space } from '@/ui/theme/measures';
import { secondsText } from './starWords';

interface Props {
  system: EffectiveSystem;
  reading: StarsReading;
}

const SHORTEST_S = 0.5;
const LONGEST_SET_S = 3600;
/** Tenths of a second below ten, whole ones above, tens from two minutes on: what a person sets. */
const settable = (seconds: number): number =>
  seconds < 10 ? Math.round(seconds * 10) / 10 : seconds < 120 ? Math.round(seconds) : Math.round(seconds / 10) * 10;

const takeExposure = (exposureS: number | null): void => {
  if (exposureS !== null) useSky.now().set({ exposureS });
};

function Exposure({ reading, label }: { reading: StarsReading; label?: string }) {
  const exposureS = useSky((state) => state.exposureS);
  const set = useSky((state) => state.set);
  const seconds = Math.min(LONGEST_SET_S, Math.max(SHORTEST_S, reading.exposureS.value));
  return (
    <ControlLine
      label={label}
      ruler={
        <Ruler
          label="Exposure"
          value={seconds}
          minimum={SHORTEST_S}
          maximum={LONGEST_SET_S}
          valueText={secondsText(seconds)}
          rounded={settable}
          onChange={(value) => set({ exposureS: value })}
        />
      }
      field={
        <FollowingField
          compact
          hideLabel
          label="Exposure"
          value={Number(seconds.toPrecision(3))}
          unit="none"
          shownUnit="s"
          minimum={SHORTEST_S}
          maximum={LONGEST_SET_S}
          limits="from 0.5 s to an hour"
          onChange={takeExposure}
          testID="exposure-field"
        />
      }
      keys={
        exposureS === null ? null : (
          <Key
            title="Back to the longest"
            icon="restart-alt"
            iconOnly
            weight="plain"
            onPress={() => set({ exposureS: null })}
          />
        )
      }
    />
  );
}

/** Both controls with their names, for a wide screen. */
export function StarControls({ system, reading }: Props) {
  return (
    <View style={{ gap: space.page }}>
      <Exposure reading={reading} label="Exposure" />
      <FocalControl system={system} label="Focal length of the lens" />
    </View>
  );
}

/** One control at a time, docked above the places where the thumb is. */
export function StarDock({ system, reading }: Props) {
  return (
    <ControlDock
      controls={[
        { name: 'Exposure', value: secondsText(reading.exposureS.value), control: <Exposure reading={reading} /> },
        {
          name: 'Focal length',
          value: `${formatFigures(system.markedFocalMm, 4)}\u202fmm`,
          control: <FocalControl system={system} />,
        },
      ]}
    />
  );
}
