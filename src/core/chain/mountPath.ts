import { kindOf } from './kinds';
import { sameMount } from './mounts';
import type { BodySide, MountAdapterSpec, Part } from './parts';

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

/** What stands before this, towards the subject, is the lens's own affair: it forms the picture, or turns what does round. */
const endsThePath = (part: Part): boolean =>
  kindOf(part).place === 'main' || kindOf(part).through(part).does === 'turn';

/**
 * Walks from the body to the main lens and compares mounts. What is not entered is not held against anybody.
 * In front of the main lens and behind a reversing ring there are threads, not mounts.
 */
export function misfits(body: BodySide, chain: readonly Part[]): Misfit[] {
  const found: Misfit[] = [];
  let onto = body.name;
  let needs = body.mount;
  for (const part of [...chain].reverse()) {
    const faces = kindOf(part).faces(part);
    if (faces === 'thread') break;
    if (faces.rear !== undefined && needs !== undefined && !sameMount(faces.rear, needs)) {
      found.push({ name: part.name, has: faces.rear, onto, needs, builtIn: part.kind === 'builtIn' });
    }
    if (endsThePath(part)) break;
    onto = part.name;
    needs = faces.front ?? needs;
  }
  return found;
}

/** Mount adapters that would bring the two together. */
export const adaptersFor = (misfit: Misfit, adapters: MountAdapterSpec[]): MountAdapterSpec[] =>
  adapters.filter(
    (adapter) =>
      sameMount(adapter.lensMount, misfit.has) && adapter.mount !== undefined && sameMount(adapter.mount, misfit.needs),
  );
