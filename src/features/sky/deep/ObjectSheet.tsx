import { useSky } from '@/data/inHand';
import { Sheet } from '@/ui/Sheet';
import { ObjectSearch } from './ObjectSearch';

/** Another object, by number, name or kind. */
export function ObjectSheet({ onClose }: { onClose: () => void }) {
  const set = useSky((sky) => sky.set);
  return (
    <Sheet title="Which object?" onClose={onClose}>
      <ObjectSearch
        onChoose={(targetId) => {
          set({ targetId });
          onClose();
        }}
      />
    </Sheet>
  );
}
