import { useState } from 'react';
import { View } from 'react-native';
import type { Body } from '@/contract/schemas/body';
import { FORMATS, sensorOfFormat } from '@/core/sensor/formats';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';

/** A body known by its format and megapixels only; everything else may follow later. */
export function bodyFromPreset(formatId: string, megapixels: number): Body {
  const format = FORMATS.find((each) => each.id === formatId) ?? FORMATS[0]!;
  return {
    name: `${format.name} ${megapixels}\u00a0MP`,
    sensor: sensorOfFormat(format, megapixels),
    antiAliasFilter: 'none',
    cropModes: formatId === 'full-frame' ? [{ id: 'c15', name: 'Crop 1.5', factor: 1.5 }] : [],
  };
}

/** Two taps make a body: its format, then its megapixels. */
export function NewBody({ onMake }: { onMake: (body: Body) => void }) {
  const [format, setFormat] = useState<string | null>(null);
  const chosen = FORMATS.find((each) => each.id === format);
  return (
    <View style={{ gap: space.large }}>
      <Choice
        label="New body: its format"
        options={FORMATS.map((each) => ({ value: each.id, name: each.name, gloss: each.gloss }))}
        value={format}
        onChange={setFormat}
      />
      {chosen ? (
        <>
          <Choice
            label="… and its megapixels"
            options={chosen.usualMegapixels.map((count) => ({ value: String(count), name: `${count} MP` }))}
            value={null}
            onChange={(count) => onMake(bodyFromPreset(chosen.id, Number(count)))}
          />
          <NumberField
            label="Other megapixels"
            value={null}
            unit="none"
            shownUnit="MP"
            minimum={0.3}
            maximum={500}
            limits="from 0.3 to 500"
            optional
            onChange={(count) => count !== null && onMake(bodyFromPreset(chosen.id, count))}
          />
        </>
      ) : (
        <Txt kind="small" tone="soft">
          Crop modes, frame rates and the rest can follow later.
        </Txt>
      )}
    </View>
  );
}
