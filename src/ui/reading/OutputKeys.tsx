import { memo } from 'react';
import { Pressable, View } from 'react-native';
import type { Verdict } from '@/core/output/verdict';
import { VERDICT_MARK, VERDICT_WORDS } from '@/core/output/verdictWords';
import { Txt } from '../Txt';
import { RADIUS, TARGET, space } from '../theme/measures';
import { stylesOf } from '../theme/theme';

interface Props {
  outputs: { id: string; name: string }[];
  /** The verdict of each, parted by spaces. */
  verdicts: string;
  chosenId: string;
  onOutput: (id: string) => void;
}

/** What else it would be enough for; a tap judges for that. */
export const OutputKeys = memo(
  function OutputKeys({ outputs, verdicts, chosenId, onOutput }: Props) {
    const styles = useStyles();
    const each = verdicts.split(' ') as Verdict[];
    return (
      <View role="radiogroup" aria-label="What the picture is for" style={styles.outputs}>
        {outputs.map(({ id, name }, i) => {
          const verdict = each[i] ?? 'notEnough';
          const chosen = id === chosenId;
          return (
            <Pressable
              key={id}
              role="radio"
              aria-checked={chosen}
              onPress={() => onOutput(id)}
              style={[styles.output, chosen && styles.chosen]}
              aria-label={VERDICT_WORDS[verdict](name)}
            >
              <Txt kind="small" tone={chosen ? 'onPress' : 'press'}>
                {VERDICT_MARK[verdict]} {name}
              </Txt>
            </Pressable>
          );
        })}
      </View>
    );
  },
  (a, b) =>
    a.verdicts === b.verdicts &&
    a.chosenId === b.chosenId &&
    a.onOutput === b.onOutput &&
    a.outputs.map((each) => each.id + each.name).join() === b.outputs.map((each) => each.id + each.name).join(),
);

const useStyles = stylesOf((palette) => ({
  outputs: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  output: {
    minHeight: TARGET,
    justifyContent: 'center',
    paddingHorizontal: space.large,
    borderWidth: 1,
    borderColor: palette.press,
    borderRadius: RADIUS,
  },
  chosen: { backgroundColor: palette.press },
}));
