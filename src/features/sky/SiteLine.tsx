import { useSheets } from '@/data/sheets';
import { useSky } from '@/data/inHand';
import { Key } from '@/ui/controls/Key';

/** The place one stands at, and the key that changes it. */
export function SiteLine() {
  const site = useSky((state) => state.site);
  const open = useSheets((state) => state.open);
  return <Key title={site ? `Place: ${site.name}` : 'Choose a place'} icon="place" onPress={() => open('site')} />;
}
