import { View } from 'react-native';
import type { ChainStep } from '@/core/chain/steps';
import { PART_WORDS } from '@/core/kit/words';
import type { UnitSystem } from '@/core/quantity/units';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import type { ChainRow } from '@/data/hand';
import { PartSetting } from './PartSetting';
import type { ChainItem } from './chainEdit';
import { idleText, stepText } from './stepText';

interface Props {
  items: ChainItem[];
  steps: ChainStep[];
  units: UnitSystem;
  selected: string | null;
  onChange: (index: number, row: ChainRow) => void;
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
                  ? stepText(step, units).join(' · ') || (item.part ? idleText(item.part) : '')
                  : item.part
                    ? PART_WORDS[item.part.kind].gloss
                    : 'take it out, or put it back into the kit'}
              </Txt>
              <PartSetting part={item.part} row={item.row} onChange={(row) => onChange(i, row)} />
            </View>
            <Key title={`Take out ${name}`} icon="close" iconOnly weight="plain" onPress={() => onRemove(i)} />
          </View>
        );
      })}
    </View>
  );
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
