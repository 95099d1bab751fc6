import { useRows } from '@/data/useRows';
import { Beside } from '@/ui/Beside';
import { UnderBookTabs } from '../BookTabs';
import { OutingList } from './OutingList';
import { OutingView } from './OutingView';

/** The outings, and on a wide screen the latest beside them. */
export default function OutingsHome() {
  const { rows } = useRows('outings');
  const latest = [...rows].sort((a, b) => b.data.day.localeCompare(a.data.day))[0];
  return (
    <UnderBookTabs here="/book/outings">
      {latest ? (
        <Beside
          main="list"
          list={<OutingList openId={latest.id} />}
          open={<OutingView key={latest.id} id={latest.id} />}
        />
      ) : (
        <OutingList />
      )}
    </UnderBookTabs>
  );
}
