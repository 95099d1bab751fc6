import type { PatchSubject, PatchSystem } from '@/core/detail/patch';

/** Renders the patches in a worker; `cancel` stops it. */
export function renderPatches(
  systems: PatchSystem[],
  subject: PatchSubject,
  onDone: (patches: Float64Array[]) => void,
  onFailed: () => void,
): () => void {
  const worker = new Worker(new URL('../workers/detailPatch.worker.ts', window.location.href));
  worker.onmessage = ({ data }: MessageEvent<Float64Array[]>) => {
    worker.terminate();
    onDone(data);
  };
  worker.onerror = () => {
    worker.terminate();
    onFailed();
  };
  worker.postMessage({ systems, subject });
  return () => worker.terminate();
}
