import { View } from 'react-native';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

/** Names with what they are, one below the other: of a night, of a card. */
export function FactLines({ label, lines }: { label: string; lines: readonly { name: string; text: string }[] }) {
  const styles = useStyles();
  if (!lines.length) return null;
  return (
    <View role="list" aria-label={label}>
      {lines.map(({ name, text }) => (
        <View key={name} role="listitem" style={styles.line}>
          <Txt kind="small" tone="soft" style={styles.name}>
            {name}
          </Txt>
          <Txt style={styles.text}>{text}</Txt>
        </View>
      ))}
    </View>
  );
}

const useStyles = stylesOf(() => ({
  line: { flexDirection: 'row', gap: space.medium, paddingVertical: 2, alignItems: 'baseline' },
  name: { width: 104, flexShrink: 0 },
  text: { flex: 1 },
}));
