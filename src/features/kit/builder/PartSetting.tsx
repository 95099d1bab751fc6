import { View } from 'react-native';
import { bellowsExtensionMm } from '@/core/chain/kinds/bellows';
import type { BellowsSpec, InnerConverterSpec, Part, ScopeSpec, TubesSpec } from '@/core/chain/parts';
import { formatFigures } from '@/core/quantity/format';
import type { ChainRow } from '@/data/hand';
import { CheckBox } from '@/ui/rne';
import { NumberField } from '@/ui/controls/NumberField';

interface Props<P> {
  part: P;
  row: ChainRow;
  onChange: (row: ChainRow) => void;
}

/** What can be set on a part in this chain: tubes in use, magnification, extension, whether it is switched in. */
export function PartSetting({ part, row, onChange }: Props<Part | null>) {
  switch (part?.kind) {
    case 'tubes':
      return <TubesSetting part={part} row={row} onChange={onChange} />;
    case 'scope':
      return part.magnificationHigh > part.magnificationLow ? (
        <ScopeSetting part={part} row={row} onChange={onChange} />
      ) : null;
    case 'bellows':
      return <BellowsSetting part={part} row={row} onChange={onChange} />;
    case 'innerConverter':
      return <SwitchSetting part={part} row={row} onChange={onChange} />;
    default:
      return null;
  }
}

function TubesSetting({ part, row, onChange }: Props<TubesSpec>) {
  const left = [...(row.usedMm ?? part.lengthsMm)];
  const on = part.lengthsMm.map((length) => {
    const at = left.indexOf(length);
    if (at >= 0) left.splice(at, 1);
    return at >= 0;
  });
  const toggle = (index: number) =>
    onChange({ ...row, usedMm: part.lengthsMm.filter((_, i) => (i === index ? !on[i] : on[i])) });
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap' }} role="group" aria-label={`Tubes of ${part.name} in use`}>
      {part.lengthsMm.map((length, i) => (
        <CheckBox
          key={i}
          title={`${formatFigures(length)}\u202fmm`}
          checked={on[i] === true}
          onPress={() => toggle(i)}
          role="checkbox"
          aria-checked={on[i] === true}
          aria-label={`${formatFigures(length)} mm tube`}
        />
      ))}
    </View>
  );
}

const ScopeSetting = ({ part, row, onChange }: Props<ScopeSpec>) => (
  <NumberField
    label="Magnification set"
    value={row.magnificationSet ?? part.magnificationLow}
    unit="none"
    shownUnit="×"
    minimum={part.magnificationLow}
    maximum={part.magnificationHigh}
    onChange={(value) => value !== null && onChange({ ...row, magnificationSet: value })}
  />
);

const BellowsSetting = ({ part, row, onChange }: Props<BellowsSpec>) => (
  <NumberField
    label="Extension set"
    value={bellowsExtensionMm(part)}
    unit="mm"
    minimum={part.shortestMm}
    maximum={part.longestMm}
    onChange={(value) => value !== null && onChange({ ...row, extensionMm: value })}
  />
);

const SwitchSetting = ({ part, row, onChange }: Props<InnerConverterSpec>) => {
  const on = part.switchedIn !== false;
  return (
    <CheckBox
      title="Switched in"
      checked={on}
      onPress={() => onChange({ ...row, switchedIn: !on })}
      role="checkbox"
      aria-checked={on}
      aria-label={`${part.name} switched in`}
    />
  );
};
