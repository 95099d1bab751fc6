import { View } from 'react-native';
import type { CropModeSpec } from '@/core/kit/parts';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { TextField } from '@/ui/controls/TextField';
import { space } from '@/ui/theme/measures';

interface Props {
  modes: CropModeSpec[];
  onChange: (modes: CropModeSpec[]) => void;
  error?: string | undefined;
}

const set = (mode: CropModeSpec, key: keyof CropModeSpec, value: number | null): CropModeSpec => {
  const { [key]: _, ...rest } = mode;
  return value === null ? (rest as CropModeSpec) : { ...mode, [key]: value };
};

/** The crop modes of a body: name, factor, aspect where it differs, frame rate and file size. */
export function ModesField({ modes, onChange, error }: Props) {
  const change = (i: number, mode: CropModeSpec) => onChange(modes.map((each, j) => (j === i ? mode : each)));
  const add = () => {
    let n = modes.length + 1;
    while (modes.some((mode) => mode.id === `m${n}`)) n += 1;
    onChange([...modes, { id: `m${n}`, name: 'Crop 1.5', factor: 1.5 }]);
  };
  return (
    <View style={{ gap: space.page }}>
      {modes.map((mode, i) => (
        <View key={mode.id} style={{ gap: space.small }}>
          <TextField label={`Name of mode ${i + 1}`} value={mode.name} onChange={(name) => change(i, { ...mode, name })} />
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.large }}>
            <NumberField label="Factor" value={mode.factor ?? null} unit="none" shownUnit="×" optional onChange={(value) => change(i, set(mode, 'factor', value))} />
            <NumberField label="Own aspect (1.78)" value={mode.aspect ?? null} unit="none" optional onChange={(value) => change(i, set(mode, 'aspect', value))} />
            <NumberField label="Frames per second" value={mode.framesPerSecond ?? null} unit="none" optional onChange={(value) => change(i, set(mode, 'framesPerSecond', value))} />
            <NumberField label="File size" value={mode.fileSizeMb ?? null} unit="none" shownUnit="MB" optional onChange={(value) => change(i, set(mode, 'fileSizeMb', value))} />
          </View>
          <Key title={`Remove ${mode.name}`} weight="plain" icon="close" onPress={() => onChange(modes.filter((_, j) => j !== i))} />
        </View>
      ))}
      {error ? (
        <Txt kind="small" tone="needle" role="alert">
          {error}
        </Txt>
      ) : null}
      <Key title="Add a crop mode" icon="add" onPress={add} />
    </View>
  );
}
