import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import { useRows } from '@/data/useRows';
import { usePartOfScreen } from '@/ui/Beside';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';

/** Finds an outing by its id, or says why it is not there. */
export function OutingGate({ id, children }: { id: string; children: (row: StoredOf<'outings'>) => ReactNode }) {
  const { rows, loading, failed, retry } = useRows('outings');
  const router = useRouter();
  const { level } = usePartOfScreen();
  const row = rows.find((each) => each.id === id);
  if (row) return children(row);
  return (
    <View style={{ padding: space.wide, gap: space.page }} role="status">
      <Txt level={level}>
        {loading
          ? 'Opening the Book …'
          : failed
            ? 'The server cannot be reached, so this page cannot be opened. Start it again, then try again.'
            : 'There is no such outing in the Book. It may have been deleted, or the address is mistyped.'}
      </Txt>
      {loading ? null : failed ? (
        <Key title="Try again" onPress={retry} />
      ) : (
        <Key title="To the outings" weight="strong" onPress={() => router.replace('/book/outings')} />
      )}
    </View>
  );
}
