import { useChosen } from '@/data/useChosen';
import { useKit } from '@/data/useKit';
import { Beside } from '@/ui/Beside';
import KitList from './KitList';
import { PartCard } from './PartCard';

/** The kit: its list, and on a wide screen the body in hand beside it. */
export default function KitHome() {
  const { kit } = useKit();
  const { setupId } = useChosen();
  const bodyId = (kit.setups.find((row) => row.id === setupId)?.data.bodyId ?? kit.bodies[0]?.id) || undefined;
  return bodyId ? (
    <Beside
      main="list"
      list={<KitList openId={bodyId} />}
      open={<PartCard key={bodyId} resource="bodies" id={bodyId} />}
    />
  ) : (
    <KitList />
  );
}
