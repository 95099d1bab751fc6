import { useState } from 'react';
import { View } from 'react-native';
import type { Optic } from '@/contract/schemas/optic';
import { formatFigures } from '@/core/quantity/format';
import { FieldRow } from '@/ui/controls/FieldRow';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';

/** A lens by its focal length and widest f-number; the rest may follow. */
export function OwnLens({ onMake }: { onMake: (optic: Optic) => void }) {
  const [focalMm, setFocalMm] = useState<number | null>(null);
  const [fNumber, setFNumber] = useState<number | null>(null);
  return (
    <View style={{ gap: space.medium }}>
      <FieldRow>
        <NumberField
          label="Focal length"
          value={focalMm}
          unit="mm"
          shownUnit="mm"
          minimum={1}
          maximum={20_000}
          optional
          onChange={setFocalMm}
        />
        <NumberField
          label="Widest f-number"
          value={fNumber}
          unit="none"
          shownUnit="f/"
          minimum={0.5}
          maximum={128}
          optional
          onChange={setFNumber}
        />
      </FieldRow>
      <Key
        title="Use this lens"
        weight="strong"
        disabled={focalMm === null || fNumber === null}
        why="needs both numbers"
        onPress={() => {
          if (focalMm === null || fNumber === null) return;
          onMake({
            kind: 'lens',
            name: `${formatFigures(focalMm)} f/${formatFigures(fNumber)}`,
            focalWideMm: focalMm,
            focalTeleMm: focalMm,
            fNumberWide: fNumber,
            fNumberTele: fNumber,
            detailClass: 'good',
            autofocus: true,
          });
        }}
      />
    </View>
  );
}
