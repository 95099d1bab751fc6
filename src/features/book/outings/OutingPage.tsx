import { Beside } from '@/ui/Beside';
import { OutingList } from './OutingList';
import { OutingView } from './OutingView';

/** One outing, on a wide screen beside the list. */
export default function OutingPage({ id }: { id: string }) {
  return <Beside main="open" list={<OutingList openId={id} />} open={<OutingView key={id} id={id} />} />;
}
