import { useSky } from '@/data/inHand';
import { Group } from '@/ui/Group';
import { FieldRow } from '@/ui/controls/FieldRow';
import { NumberField } from '@/ui/controls/NumberField';
import { formatFigures, formatFixed } from '@/core/quantity/format';

/** How the frame lies, and what air, tracking and tolerance allow. */
export function DeepSettings({ open }: { open: boolean }) {
  const sky = useSky();
  return (
    <>
      <Group
        title="How the frame lies"
        startsOpen={open}
        brief={`${formatFixed(sky.frameRollDeg)}°, overlap ${formatFixed(sky.overlap * 100)}\u202f%`}
      >
        <FieldRow>
          <NumberField
            label="Frame turned, north to east"
            value={sky.frameRollDeg}
            unit="none"
            shownUnit="°"
            minimum={-180}
            maximum={360}
            onChange={(value) => value !== null && sky.set({ frameRollDeg: value })}
            testID="roll-field"
          />
          <NumberField
            label="Overlap of frames"
            value={Math.round(sky.overlap * 100)}
            unit="none"
            shownUnit="%"
            minimum={0}
            maximum={80}
            onChange={(value) => value !== null && sky.set({ overlap: value / 100 })}
            testID="overlap-field"
          />
        </FieldRow>
      </Group>
      <Group title="Air and mount" startsOpen={open} brief={`seeing ${formatFigures(sky.seeingArcsec, 2)}″`}>
        <FieldRow>
          <NumberField
            label="Seeing, width of a star"
            value={sky.seeingArcsec}
            unit="none"
            shownUnit="″"
            minimum={0.3}
            maximum={20}
            onChange={(value) => value !== null && sky.set({ seeingArcsec: value })}
            testID="seeing-field"
          />
          <NumberField
            label="A star may run"
            value={sky.tolerancePx}
            unit="none"
            shownUnit="px"
            minimum={0.1}
            maximum={500}
            onChange={(value) => value !== null && sky.set({ tolerancePx: value })}
          />
          <NumberField
            label="Mount’s error, unguided"
            value={sky.mountArcsecPerMin}
            unit="none"
            shownUnit="″/min"
            minimum={0.01}
            maximum={1000}
            onChange={(value) => value !== null && sky.set({ mountArcsecPerMin: value })}
          />
        </FieldRow>
      </Group>
    </>
  );
}
