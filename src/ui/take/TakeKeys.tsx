import MaterialIcons from '@expo/vector-icons/MaterialIcons';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Txt } from '../Txt';
import { TARGET, space } from '../theme/measures';
import { stylesOf, usePalette } from '../theme/theme';

interface Props<K extends string> {
  what: string;
  kinds: readonly K[];
  onTake: (kind: K) => Promise<void>;
}

/** Small keys, one a format, under what they take along. */
export function TakeKeys<K extends string>({ what, kinds, onTake }: Props<K>) {
  const styles = useStyles();
  const palette = usePalette();
  const [failed, setFailed] = useState(false);
  const take = (kind: K) => {
    setFailed(false);
    onTake(kind).catch(() => setFailed(true));
  };
  return (
    <View style={styles.keys}>
      {failed ? (
        <Txt kind="fine" tone="caution" role="status" style={styles.failed}>
          No file could be made of it. Try again; if that does not help, take the other format.
        </Txt>
      ) : null}
      {kinds.map((kind) => (
        <Pressable
          key={kind}
          role="button"
          aria-label={`${kind} of ${what}`}
          onPress={() => take(kind)}
          style={styles.key}
        >
          <MaterialIcons name="download" size={16} color={palette.press} />
          <Txt kind="fine" tone="press">
            {kind}
          </Txt>
        </Pressable>
      ))}
    </View>
  );
}

const useStyles = stylesOf(() => ({
  keys: { flexDirection: 'row', justifyContent: 'flex-end', alignItems: 'center', gap: space.small },
  failed: { flexShrink: 1 },
  key: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
    gap: space.hair,
    minHeight: TARGET,
    minWidth: TARGET,
  },
}));
