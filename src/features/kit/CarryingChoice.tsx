import { View } from 'react-native';
import { HAND_MOST_G } from '@/core/levers/carrying';
import { formatFigures } from '@/core/quantity/format';
import { usePreferences } from '@/data/preferences';
import { Choice } from '@/ui/controls/Choice';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';

const WAYS = [
  { value: 'all', name: 'All' },
  { value: 'hand', name: 'Carried by hand', gloss: `up to ${formatFigures(HAND_MOST_G / 1000)}\u202fkg` },
  { value: 'bag', name: 'Fits a bag' },
] as const;

/** Which set-ups are offered at all, here and among the levers: by what one is willing to carry. */
export function CarryingChoice() {
  const carrying = usePreferences((state) => state.carrying);
  const bagKg = usePreferences((state) => state.bagKg);
  const prefer = usePreferences((state) => state.prefer);
  return (
    <View style={{ gap: space.small }}>
      <Choice label="Offer" options={WAYS} value={carrying} onChange={(value) => prefer({ carrying: value })} />
      {carrying === 'bag' ? (
        <NumberField
          label="A bag of"
          value={bagKg}
          unit="none"
          shownUnit="kg"
          minimum={0.1}
          maximum={1000}
          onChange={(value) => value !== null && prefer({ bagKg: value })}
        />
      ) : null}
    </View>
  );
}
