import { View } from 'react-native';
import { formatFixed } from '@/core/quantity/format';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';

interface SearchProps {
  share: number;
  stopped: boolean;
  failed: boolean;
  onStop: () => void;
  onGoOn: () => void;
}

/** How far the search has come, and that it can be stopped. */
export function Search({ share, stopped, failed, onStop, onGoOn }: SearchProps) {
  const said = failed
    ? 'The search could not run: its part of Jauge did not arrive. Start the server again, then go on.'
    : stopped
      ? 'Stopped.'
      : `Trying every combination … ${formatFixed(share * 100)} %`;
  return (
    <View style={{ gap: space.small }}>
      <Txt role="status">{said}</Txt>
      {stopped ? <Key title="Go on" onPress={onGoOn} /> : <Key title="Stop" onPress={onStop} />}
    </View>
  );
}
