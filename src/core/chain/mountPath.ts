import { sameMount } from './mounts';
import { isCameraLens, type BodySpec, type MountAdapterSpec, type Part } from './parts';

/** Two neighbours that do not fit each other. */
export interface Misfit {
  /** The part that does not go on. */
  name: string;
  has: string;
  /** What it would have to go on. */
  onto: string;
  needs: string;
  /** True when it is a built-in lens, which only its own camera has. */
  builtIn: boolean;
}

/** The mount a part shows to the body's side, and the one it offers to the subject's side. */
function facesOf(part: Part): { rear: string | undefined; front: string | undefined } {
  switch (part.kind) {
    case 'mountAdapter':
      return { rear: part.mount, front: part.lensMount };
    case 'reducer':
      return { rear: part.mount, front: part.lensMount ?? part.mount };
    default:
      return { rear: part.mount, front: part.mount };
  }
}

/**
 * Walks from the body to the main lens and compares mounts. What is not entered is not held against anybody.
 * In front of the main lens and behind a reversing ring there are threads, not mounts.
 */
export function misfits(body: BodySpec, chain: Part[]): Misfit[] {
  const found: Misfit[] = [];
  let onto = body.name;
  let needs = body.mount;
  for (const part of [...chain].reverse()) {
    if (part.kind === 'closeUp' || part.kind === 'coupling' || part.kind === 'objective') break;
    const { rear, front } = facesOf(part);
    if (rear !== undefined && needs !== undefined && !sameMount(rear, needs)) {
      found.push({ name: part.name, has: rear, onto, needs, builtIn: part.kind === 'builtIn' });
    }
    if (part.kind === 'reversing' || isCameraLens(part) || part.kind === 'telescope' || part.kind === 'tubeLens') break;
    onto = part.name;
    needs = front ?? needs;
  }
  return found;
}

/** Mount adapters that would bring the two together. */
export const adaptersFor = (misfit: Misfit, adapters: MountAdapterSpec[]): MountAdapterSpec[] =>
  adapters.filter(
    (adapter) =>
      sameMount(adapter.lensMount, misfit.has) && adapter.mount !== undefined && sameMount(adapter.mount, misfit.needs),
  );
