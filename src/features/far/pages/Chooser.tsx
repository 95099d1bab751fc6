import { View } from 'react-native';
import { CheckBox } from '@/ui/rne';
import type { Contest } from './useContenders';

/** Which set-ups are compared; the one in hand always is. */
export function Chooser({ contest }: { contest: Contest }) {
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap' }} role="group" aria-label="Set-ups compared">
      {contest.offered.map((each) => {
        const isIn = contest.contenders.some((contender) => contender.id === each.id);
        return (
          <CheckBox
            key={each.id}
            title={`${isIn ? `${contest.letterOf(each.id)} ` : ''}${each.name}`}
            checked={each.on}
            disabled={each.first}
            onPress={() => contest.toggle(each.id)}
            role="checkbox"
            aria-checked={each.on}
            aria-disabled={each.first}
            aria-label={`Compare ${each.name}`}
          />
        );
      })}
    </View>
  );
}
