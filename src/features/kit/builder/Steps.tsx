import { View } from 'react-native';
import type { ChainStep } from '@/core/chain/steps';
import { PART_WORDS } from '@/core/kit/words';
import { formatFigures } from '@/core/quantity/format';
import type { UnitSystem } from '@/core/quantity/units';
import { CheckBox } from '@/ui/rne';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import type { ChainItem, Link } from './chainEdit';
import { stepText } from './stepText';

interface Props {
  items: ChainItem[];
  steps: ChainStep[];
  units: UnitSystem;
  selected: string | null;
  onChange: (index: number, link: Link) => void;
  onRemove: (index: number) => void;
}

/** Every part in the order light meets it: what it changed, what can be set on it, and a key to take it out. */
export function Steps({ items, steps, units, selected, onChange, onRemove }: Props) {
  const styles = useStyles();
  return (
    <View role="list" aria-label="What each part does">
      {items.map((item, i) => {
        const step = steps.find((each) => each.index === i);
        const name = item.part?.name ?? 'A part that is gone';
        return (
          <View key={item.key} role="listitem" style={[styles.step, item.key === selected && styles.selected]}>
            <View style={styles.words}>
              <Txt kind="strong">{name}</Txt>
              <Txt kind="small" tone="soft">
                {step
                  ? stepText(step, units).join(' · ') || 'changes none of the numbers'
                  : item.part
                    ? PART_WORDS[item.part.kind].gloss
                    : 'take it out, or put it back into the kit'}
              </Txt>
              <Setting item={item} onChange={(link) => onChange(i, link)} />
            </View>
            <Key title={`Take out ${name}`} icon="close" iconOnly weight="plain" onPress={() => onRemove(i)} />
          </View>
        );
      })}
    </View>
  );
}

/** What can be set on a part in this chain: the tubes in use, the magnification of a scope. */
function Setting({ item: { part, link }, onChange }: { item: ChainItem; onChange: (link: Link) => void }) {
  if (part?.kind === 'tubes') {
    const used = link.usedMm ?? part.lengthsMm;
    const left = [...used];
    const on = part.lengthsMm.map((length) => {
      const at = left.indexOf(length);
      if (at >= 0) left.splice(at, 1);
      return at >= 0;
    });
    const toggle = (index: number) =>
      onChange({ ...link, usedMm: part.lengthsMm.filter((_, i) => (i === index ? !on[i] : on[i])) });
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
  if (part?.kind === 'scope' && part.magnificationHigh > part.magnificationLow) {
    return (
      <NumberField
        label="Magnification set"
        value={link.magnificationSet ?? part.magnificationLow}
        unit="none"
        shownUnit="×"
        minimum={part.magnificationLow}
        maximum={part.magnificationHigh}
        onChange={(value) => value !== null && onChange({ ...link, magnificationSet: value })}
      />
    );
  }
  return null;
}

const useStyles = stylesOf((palette) => ({
  step: {
    flexDirection: 'row',
    alignItems: 'flex-start',
    gap: space.small,
    minHeight: TARGET,
    paddingVertical: space.small,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  selected: { backgroundColor: palette.raised },
  words: { flex: 1, gap: 2 },
}));
