import { View } from 'react-native';
import { engraved } from '@/core/near/apertureCurve';
import { apertureRange, ratioRange } from '@/core/near/nearState';
import { formatFigures, formatRatio } from '@/core/quantity/format';
import { showFNumber } from '@/core/quantity/quantityText';
import { useInHand } from '@/data/inHand';
import { Txt } from '@/ui/Txt';
import { ControlDock } from '@/ui/controls/ControlDock';
import { ControlLine } from '@/ui/controls/ControlLine';
import { FollowingField } from '@/ui/controls/FollowingField';
import { Ruler } from '@/ui/controls/Ruler';
import { space } from '@/ui/theme/measures';
import { BellowsControl, bellowsOf, extensionOf } from './BellowsControl';
import type { NearDeskState } from './useNearDesk';

const threeFigures = (value: number): number => Number(value.toPrecision(3));
/** Ends that differ by less are one setting. */
const APART = 1.005;

const takeRatio = (value: number | null): void => {
  if (value !== null) useInHand.now().setNearRatio(value);
};
const takeFNumber = (value: number | null): void => {
  if (value !== null) useInHand.now().setNearFNumber(value);
};

function RatioControl({ now, label }: { now: NearDeskState; label?: string }) {
  const setNearRatio = useInHand((state) => state.setNearRatio);
  const range = now.system && ratioRange(now.system);
  const reading = now.reading;
  if (!range || !reading) return <Txt tone="soft">No ratio yet.</Txt>;
  const ratio = reading.ratio.value;
  if (range.highest < range.lowest * APART)
    return <Txt tone="soft">This chain draws at one ratio: {formatRatio(ratio)}.</Txt>;
  return (
    <ControlLine
      label={label}
      ruler={
        <Ruler
          label="Reproduction ratio"
          value={ratio}
          minimum={range.lowest}
          maximum={range.highest}
          valueText={formatRatio(ratio)}
          rounded={threeFigures}
          onChange={setNearRatio}
        />
      }
      field={
        <FollowingField
          compact
          hideLabel
          label="Reproduction ratio"
          value={threeFigures(ratio)}
          unit="ratio"
          shownUnit="×"
          minimum={range.lowest * 0.9999}
          maximum={range.highest * 1.0001}
          limits={`from ${formatRatio(range.lowest)} to ${formatRatio(range.highest)} with this chain; tubes and close-up lenses are among the levers`}
          onChange={takeRatio}
          testID="ratio-field"
        />
      }
    />
  );
}

function ApertureControl({ now, label }: { now: NearDeskState; label?: string }) {
  const setNearFNumber = useInHand((state) => state.setNearFNumber);
  if (!now.system || !now.reading) return <Txt tone="soft">No aperture yet.</Txt>;
  const { widest, smallest } = apertureRange(now.system);
  const fNumber = now.reading.setFNumber.value;
  if (smallest < widest * APART) return <Txt tone="soft">These optics have one aperture.</Txt>;
  return (
    <ControlLine
      label={label}
      ruler={
        <Ruler
          label="f-number"
          value={fNumber}
          minimum={widest}
          maximum={smallest}
          valueText={showFNumber(fNumber)}
          rounded={engraved}
          onChange={setNearFNumber}
        />
      }
      field={
        <FollowingField
          compact
          hideLabel
          label="f-number"
          value={fNumber}
          unit="none"
          minimum={widest * 0.9999}
          maximum={smallest}
          limits={`from ${showFNumber(widest)} to ${showFNumber(smallest)}`}
          onChange={takeFNumber}
          testID="fnumber-field"
        />
      }
    />
  );
}

/** The controls with their names, for a wide screen. */
export function NearColumn({ now }: { now: NearDeskState }) {
  const bellows = bellowsOf(now.situation);
  return (
    <View style={{ gap: space.page }}>
      <RatioControl now={now} label="Reproduction ratio, by the lens’s own focus" />
      {bellows ? (
        <BellowsControl situation={now.situation} link={bellows} label={`Extension of ${bellows.part.name}`} />
      ) : null}
      <ApertureControl now={now} label="f-number on the lens" />
    </View>
  );
}

/** One control at a time, docked above the places where the thumb is. */
export function NearDock({ now }: { now: NearDeskState }) {
  const { reading, situation } = now;
  const bellows = bellowsOf(situation);
  return (
    <ControlDock
      controls={[
        { name: 'Ratio', value: reading ? formatRatio(reading.ratio.value) : '', control: <RatioControl now={now} /> },
        ...(bellows
          ? [
              {
                name: 'Extension',
                value: `${formatFigures(extensionOf(bellows), 4)}\u202fmm`,
                control: <BellowsControl situation={situation} link={bellows} />,
              },
            ]
          : []),
        {
          name: 'Aperture',
          value: reading ? `f/${formatFigures(reading.setFNumber.value, 2)}` : '',
          control: <ApertureControl now={now} />,
        },
      ]}
    />
  );
}
