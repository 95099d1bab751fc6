import { useState } from 'react';
import useSWR from 'swr';
import { ApiRefusal, ApiUnreachable, api } from '@/data/api';
import { DEMO_KEY } from '@/data/demoEvening';
import { useSky } from '@/data/inHand';
import { useNotice } from '@/data/notice';
import { readAllAgain } from '@/data/transfer';
import { Key } from '@/ui/controls/Key';

/** Puts the demo kit in, or puts it away again; says on its key which of the two. */
export function DemoKey() {
  const { data, mutate } = useSWR(DEMO_KEY, api.demo.rows);
  const sky = useSky();
  const [busy, setBusy] = useState(false);
  const show = useNotice((state) => state.show);
  const there = (data?.rows ?? 0) > 0;
  const press = async () => {
    setBusy(true);
    try {
      if (there) {
        const { removed, kept } = await api.demo.putAway();
        // Its place goes with it; one's own stays.
        if (sky.site?.name === data?.evening.site.name) sky.set({ site: null, day: null });
        show({
          text: `The demo kit is put away: ${removed} entries${kept ? `; ${kept} stay, because yours use them` : ''}. A backup was made before.`,
        });
      } else {
        const { added } = await api.demo.putIn();
        show({ text: `The demo kit is in: ${added} entries. Put it away again on the Kit page, “In and out”.` });
      }
      await readAllAgain();
      await mutate();
    } catch (error) {
      if (!(error instanceof ApiRefusal) && !(error instanceof ApiUnreachable)) throw error;
      show({ text: `${error.message} The demo kit could not be ${there ? 'put away' : 'brought in'}; try again.` });
    } finally {
      setBusy(false);
    }
  };
  return (
    <Key
      title={there ? 'Put the demo kit away' : 'Look around with the demo kit'}
      icon={there ? 'archive' : 'explore'}
      disabled={busy || data === undefined}
      onPress={() => void press()}
    />
  );
}
