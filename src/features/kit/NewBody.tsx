import { useState } from 'react';
import { View } from 'react-native';
import type { Body } from '@/contract/schemas/body';
import { formatFigures } from '@/core/quantity/format';
import { FORMATS, sensorOfFormat, type FormatPreset } from '@/core/sensor/formats';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
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

/** The megapixels of a body whose format is known: usual counts by a tap, others typed. */
export function MegapixelChoice({ format, onMake }: { format: FormatPreset; onMake: (body: Body) => void }) {
  const make = (count: number) => onMake(bodyFromPreset(format.id, count));
  return (
    <View style={{ gap: space.large }}>
      <View style={{ gap: space.small }}>
        <Txt kind="label" tone="soft">
          … and its megapixels
        </Txt>
        {/* Each makes a body at once, so they are keys and not a choice that arrows would walk through. */}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.small }}>
          {format.usualMegapixels.map((count) => (
            <Key key={count} title={`${formatFigures(count)} MP`} onPress={() => make(count)} />
          ))}
        </View>
      </View>
      <NumberField
        label="Other megapixels"
        value={null}
        unit="none"
        shownUnit="MP"
        minimum={0.3}
        maximum={500}
        limits="from 0.3 to 500"
        optional
        onChange={(count) => count !== null && make(count)}
      />
    </View>
  );
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
        <MegapixelChoice format={chosen} onMake={onMake} />
      ) : (
        <Txt kind="small" tone="soft">
          Crop modes, frame rates and the rest can follow later.
        </Txt>
      )}
    </View>
  );
}
