import { View } from 'react-native';
import { formatFixed } from '@/core/quantity/format';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import type { Several } from './useSeveral';

interface Props {
  several: Pick<Several<unknown>, 'share' | 'problem' | 'stop'>;
  /** What is being done: "Comparing". */
  doing: string;
}

/** How far several pictures are, with a key to stop, or why it could not be done. */
export function SeveralProgress({ several: { share, problem, stop }, doing }: Props) {
  return (
    <>
      {share === null ? null : (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space.medium }}>
          <Txt role="status">{`${doing} … ${formatFixed(100 * share)} %`}</Txt>
          <Key title="Stop" weight="plain" onPress={stop} />
        </View>
      )}
      {problem ? (
        <Txt tone="needle" role="alert">
          {problem.message}
        </Txt>
      ) : null}
    </>
  );
}
