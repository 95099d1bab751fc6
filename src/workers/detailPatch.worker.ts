import { detailPatches, type PatchSubject, type PatchSystem } from '@/core/detail/patch';

export interface PatchOrder {
  systems: PatchSystem[];
  subject: PatchSubject;
}

interface WorkerScope {
  onmessage: ((event: MessageEvent<PatchOrder>) => void) | null;
  postMessage: (patches: Float64Array[], transfer: Transferable[]) => void;
}

const scope = globalThis as unknown as WorkerScope;
scope.onmessage = ({ data }) => {
  const patches = detailPatches(data.systems, data.subject);
  scope.postMessage(
    patches,
    patches.map((patch) => patch.buffer),
  );
};
