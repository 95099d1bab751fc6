import { View } from 'react-native';
import { formatFixed } from '@/core/quantity/format';
import type { BagWork } from '@/data/outing/useBagWork';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';

/** How far the bag's worker is, with a way to stop it and to go on. */
export function PlanProgress({ work }: { work: BagWork }) {
  if (work.state === 'working')
    return (
      <View style={row}>
        <Txt role="status">{`Trying every set-up of the kit … ${formatFixed(work.share * 100)} %`}</Txt>
        <Key title="Stop" onPress={work.stop} />
      </View>
    );
  if (work.state === 'stopped')
    return (
      <View style={row}>
        <Txt role="status">
          {work.failed
            ? 'The plan could not be worked out: its part of Jauge did not arrive. Start the server again, then go on.'
            : 'Stopped.'}
        </Txt>
        <Key title="Go on" onPress={work.goOn} />
      </View>
    );
  return null;
}

const row = { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.medium } as const;
