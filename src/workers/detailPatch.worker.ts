import { detailPatches, type PatchSubject, type PatchSystem } from '@/core/detail/patch';
import { onAsked, teller } from './talk';

export interface PatchOrder {
  systems: PatchSystem[];
  subject: PatchSubject;
}

const tell = teller<Float64Array[]>();

onAsked<PatchOrder>(({ systems, subject }) => {
  const patches = detailPatches(systems, subject);
  tell(
    patches,
    patches.map((patch) => patch.buffer),
  );
});
