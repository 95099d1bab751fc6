import { View } from 'react-native';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { formatFigures } from '@/core/quantity/format';
import { useInHand } from '@/data/inHand';
import { Txt } from '@/ui/Txt';
import { ControlLine } from '@/ui/controls/ControlLine';
import { FollowingField } from '@/ui/controls/FollowingField';
import { Ruler } from '@/ui/controls/Ruler';
import { TARGET } from '@/ui/theme/measures';

const rounded = (focalMm: number): number => (focalMm < 50 ? Math.round(focalMm * 10) / 10 : Math.round(focalMm));

const takeFocal = (focalMm: number | null): void => {
  if (focalMm !== null) useInHand.now().setFocalMm(focalMm);
};

/** Focal length of a zoom by dragging and by typing; a prime says that it has only one. */
export function FocalControl({ system, label }: { system: EffectiveSystem | null; label?: string }) {
  const setFocalMm = useInHand((state) => state.setFocalMm);
  if (!system) return null;
  const { lens, markedFocalMm } = system;
  const { focalWideMm, focalTeleMm } = lens;
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
      field={
        <FollowingField
          compact
          hideLabel
          label="Focal length"
          value={markedFocalMm}
          unit="mm"
          shownUnit="mm"
          minimum={focalWideMm}
          maximum={focalTeleMm}
          limits={limits}
          onChange={takeFocal}
          testID="focal-field"
        />
      }
      ruler={
        <Ruler
          label="Focal length"
          value={markedFocalMm}
          minimum={focalWideMm}
          maximum={focalTeleMm}
          valueText={`${formatFigures(markedFocalMm, 4)} mm`}
          rounded={rounded}
          onChange={setFocalMm}
        />
      }
    />
  );
}
