import type { PatchSystem } from '@/core/detail/patch';

/** Renders the patches in a worker; `cancel` stops it. */
export function renderPatches(systems: PatchSystem[], subjectMm: number, onDone: (patches: Float64Array[]) => void): () => void {
  const worker = new Worker(new URL('../workers/detailPatch.worker.ts', window.location.href));
  worker.onmessage = ({ data }: MessageEvent<Float64Array[]>) => {
    worker.terminate();
    onDone(data);
  };
  worker.postMessage({ systems, subjectMm });
  return () => worker.terminate();
}
