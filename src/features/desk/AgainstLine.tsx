import { Pressable, View } from 'react-native';
import type { Quantity } from '@/core/quantity/quantity';
import { Txt } from '@/ui/Txt';
import { TARGET, space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

interface Props {
  name: string;
  gloss: string;
  /** What differs, as it is told, and the number whose derivation a press opens. */
  told: readonly { text: string; quantity: Quantity | null }[];
  onWhy: (quantity: Quantity) => void;
}

/** Another set-up beside the one in hand: its name, and one or two numbers that can be asked why. */
export function AgainstLine({ name, gloss, told, onWhy }: Props) {
  const styles = useStyles();
  return (
    <View style={styles.line}>
      <Txt kind="small" style={styles.name}>
        against {name} ({gloss})
      </Txt>
      {told.map(({ text, quantity }) =>
        quantity ? (
          <Pressable
            key={quantity.why.name}
            role="button"
            aria-label={`Against ${name}: ${text}. Why?`}
            onPress={() => onWhy(quantity)}
            style={styles.cell}
          >
            <Txt kind="small" tone="press" style={styles.told}>
              {text}
            </Txt>
          </Pressable>
        ) : (
          <View key={text} style={styles.cell}>
            <Txt kind="small" tone="soft" style={styles.told}>
              {text}
            </Txt>
          </View>
        ),
      )}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.small,
    minHeight: TARGET,
    borderBottomWidth: 1,
    borderColor: palette.hairline,
  },
  name: { flex: 1.7 },
  cell: { flex: 1, minHeight: TARGET, justifyContent: 'center' },
  told: { textAlign: 'right' },
}));
