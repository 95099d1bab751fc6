import { CROP_CONVENTIONS, type CropConvention } from '@/core/sensor/cropFactor';
import { useInHand } from '@/data/inHand';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';

const CONVENTIONS: Record<CropConvention, string> = {
  diagonal: 'Diagonal',
  width: 'Width',
  height: 'Height',
  sameAspect: 'Same aspect',
};

/** How a person reads: units, and the schools that can be told apart. Kept on this device. */
export default function PreferencesSheet({ onClose }: { onClose: () => void }) {
  const { units, cropConvention, judgeBy, prefer } = useInHand();
  return (
    <Sheet title="Units and schools" onClose={onClose}>
      <Choice
        label="Lengths"
        value={units}
        onChange={(value) => prefer({ units: value })}
        options={[
          { value: 'metric', name: 'Metres, millimetres' },
          { value: 'imperial', name: 'Feet, inches' },
        ]}
      />
      <Choice
        label="Crop factor against 36 × 24"
        value={cropConvention}
        onChange={(value) => prefer({ cropConvention: value })}
        options={[
          { value: 'usual' as const, name: 'Usual', gloss: 'diagonal; same aspect for odd shapes' },
          ...CROP_CONVENTIONS.map((each) => ({ value: each, name: CONVENTIONS[each] })),
        ]}
      />
      <Choice
        label="Pixels a verdict counts"
        value={judgeBy}
        onChange={(value) => prefer({ judgeBy: value })}
        options={[
          { value: 'resolved', name: 'Resolved ones', gloss: 'that carry real detail' },
          { value: 'sampled', name: 'All of them', gloss: 'sharp or not' },
        ]}
      />
      <Txt kind="small" tone="soft">
        Fields take a comma or a point, and a unit of their own: “12,5”, “40 ft”, “3 in”.
      </Txt>
    </Sheet>
  );
}
