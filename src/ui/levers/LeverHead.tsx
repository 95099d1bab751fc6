import { View } from 'react-native';
import { Txt } from '../Txt';
import { Key } from '../controls/Key';
import { TARGET, space } from '../theme/measures';
import { stylesOf } from '../theme/theme';

interface Props {
  /** Whether a lever is being tried. */
  trying: boolean;
  onAdopt: () => void;
}

/** Heads a list of levers: what a tap does, or the key that keeps what is tried. */
export function LeverHead({ trying, onAdopt }: Props) {
  const styles = useStyles();
  return (
    <View style={styles.head}>
      <Txt kind="title" level={2}>
        Levers
      </Txt>
      {trying ? (
        <Key title="Keep what is tried" weight="plain" onPress={onAdopt} testID="adopt" />
      ) : (
        <Txt kind="fine" tone="soft">
          tap to try, tap again to take back
        </Txt>
      )}
    </View>
  );
}

const useStyles = stylesOf(() => ({
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    minHeight: TARGET + space.medium,
    gap: space.medium,
    flexWrap: 'wrap',
  },
}));
