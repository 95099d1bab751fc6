import { View } from 'react-native';
import { usePreferences } from '@/data/preferences';
import { CheckBox } from '@/ui/rne';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { SINGLE_KEYS } from './singleKeys';

/** The keys for what one does most, and the way to turn them off. */
export default function KeysSheet({ onClose }: { onClose: () => void }) {
  const styles = useStyles();
  const on = usePreferences((state) => state.singleKeys);
  const prefer = usePreferences((state) => state.prefer);
  return (
    <Sheet title="Keys" onClose={onClose}>
      <View role="list" aria-label="Keys">
        {SINGLE_KEYS.map(({ key, does }) => (
          <View key={key} role="listitem" style={styles.line}>
            <Txt kind="figure" style={styles.key}>
              {key}
            </Txt>
            <Txt style={styles.words}>{does}</Txt>
          </View>
        ))}
      </View>
      <Txt kind="small" tone="soft">
        On a rule: arrows 1 %, page keys 10 %, home, end. In the builder: Space takes a part up, arrows move it, Space
        puts it down, Delete takes it out. Escape closes what is open.
      </Txt>
      <CheckBox
        title="Single keys work"
        checked={on}
        onPress={() => prefer({ singleKeys: !on })}
        role="checkbox"
        aria-checked={on}
        aria-label="Single keys work"
      />
    </Sheet>
  );
}

const useStyles = stylesOf((palette) => ({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.page,
    minHeight: TARGET,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  key: { width: 72 },
  words: { flex: 1 },
}));
