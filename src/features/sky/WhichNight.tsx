import { View } from 'react-native';
import { dayText, shiftDay } from '@/data/localTime';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { useMagnified } from '@/ui/useMagnified';

interface Props {
  /** The evening it begins, year-month-day. */
  day: string;
  site: { name: string; zone: string };
  onDay: (day: string) => void;
}

/** Which night is shown and where, with a key to the one before and the one after; magnified, the words stand above the keys. */
export function WhichNight({ day, site, onDay }: Props) {
  const magnified = useMagnified();
  const words = (
    <View style={magnified ? null : styles.words}>
      <Txt kind="title" level={2} testID="night-title">
        {dayText(day)}
      </Txt>
      <Txt kind="small" tone="soft">
        {`${site.name}, clocks of ${site.zone}`}
      </Txt>
    </View>
  );
  return (
    <View style={styles.block}>
      {magnified ? words : null}
      <View style={styles.row}>
        <Key title="The night before" icon="chevron-left" iconOnly onPress={() => onDay(shiftDay(day, -1))} />
        {magnified ? null : words}
        <Key title="The night after" icon="chevron-right" iconOnly onPress={() => onDay(shiftDay(day, 1))} />
      </View>
    </View>
  );
}

const styles = {
  block: { gap: space.small },
  row: { flexDirection: 'row', alignItems: 'center', gap: space.medium },
  words: { flex: 1, alignItems: 'center' },
} as const;
