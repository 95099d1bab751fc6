import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';

/** Stands in for a page that does not exist. */
export function NotFound() {
  const router = useRouter();
  return (
    <View
      style={{ flex: 1, alignItems: 'center', justifyContent: 'center', gap: space.page, padding: space.wide }}
      role="status"
    >
      <Txt level={1}>There is no such page. The address may be mistyped.</Txt>
      <Key title="To the Far desk" weight="strong" onPress={() => router.replace('/far')} />
    </View>
  );
}
