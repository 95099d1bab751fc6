import { findMain } from './arrangement';
import { lightOf } from './fold';
import { KINDS, kindOf } from './kinds';
import type { Link } from './link';
import { misfits } from './mountPath';
import { mayMount } from './mounts';
import type { BodySide, Part } from './parts';

const parts = (chain: readonly Link[]): Part[] => chain.map(({ part }) => part);
const placeOf = ({ part }: Link) => KINDS[part.kind].place;
const isMain = (link: Link): boolean => placeOf(link) === 'main';
const does = ({ part }: Link) => lightOf(part).does;

/** Where the optic stands that forms the picture; the first that could, while the chain is not whole; −1 without one. */
function mainOf(chain: readonly Link[]): number {
  const found = findMain(parts(chain));
  return found >= 0 ? found : chain.findIndex(isMain);
}

const insert = (chain: readonly Link[], at: number, link: Link): Link[] => [
  ...chain.slice(0, at),
  link,
  ...chain.slice(at),
];

/** A lens takes the place of the one there, unless something couples the two or needs one behind it. */
function putMain(chain: readonly Link[], link: Link): Link[] {
  const main = mainOf(chain);
  const joins = chain.some((each) => placeOf(each) === 'joint' || KINDS[each.part.kind].place === 'front');
  if (main < 0) return joins || link.part.kind === 'tubeLens' ? [...chain, link] : [link, ...chain];
  const coupled = chain.findIndex((each) => placeOf(each) === 'joint');
  if (coupled >= 0 && !chain.slice(coupled + 1).some(isMain)) return insert(chain, coupled + 1, link);
  return chain.map((each, i) => (i === main ? link : each));
}

const facesOf = ({ part }: Link) => kindOf(part).faces(part);

/** Whether a part goes onto what would stand before it. */
function goesOnto(before: Link | undefined, link: Link): boolean {
  const [own, its] = [facesOf(link), before && facesOf(before)];
  return own === 'thread' || its === undefined || its === 'thread' || mayMount(own.front, its.rear);
}

/** Behind the main optic, a converter behind those that are there already; at the end where the mount is met only there. */
function putBehind(chain: readonly Link[], link: Link): Link[] {
  const main = mainOf(chain);
  if (main < 0 || does(link) === 'flange') return [...chain, link];
  let at = main + 1;
  // A ring that turns the lens round is on its front thread: nothing comes between the two.
  while (at < chain.length && does(chain[at]!) === 'turn') at += 1;
  if (does(link) === 'factor') while (at < chain.length && does(chain[at]!) === 'factor') at += 1;
  if (!goesOnto(chain[at - 1], link) && goesOnto(chain.at(-1), link)) at = chain.length;
  return insert(chain, at, link);
}

function putInFront(chain: readonly Link[], link: Link): Link[] {
  // A scope or an objective is what the subject meets first, and there is one of it; a filter is before everything.
  if (KINDS[link.part.kind].shelf === 'optic')
    return [link, ...chain.filter((each) => each.part.kind !== link.part.kind)];
  return does(link) === 'shade' ? [link, ...chain] : insert(chain, Math.max(0, mainOf(chain)), link);
}

/**
 * Puts a part where it belongs when it is simply added: what goes in front in front, what goes behind behind, nearest to
 * the lens for what screws onto it.
 */
export function put(chain: readonly Link[], link: Link): Link[] {
  switch (placeOf(link)) {
    case 'main':
      return putMain(chain, link);
    case 'front':
      return putInFront(chain, link);
    case 'holder':
      return insert(chain, Math.max(0, mainOf(chain)), link);
    case 'joint':
      return insert(chain, mainOf(chain) < 0 ? chain.length : mainOf(chain) + 1, link);
    case 'back':
      return putBehind(chain, link);
  }
}

/** Takes a part out. */
export const take = (chain: readonly Link[], id: string): Link[] => chain.filter((link) => link.id !== id);

/** Puts another part, or the same used otherwise, in the place of one. */
export const replace = (chain: readonly Link[], id: string, link: Link): Link[] =>
  chain.map((each) => (each.id === id ? link : each));

/** Moves a part from one place to another. */
export function move(chain: readonly Link[], from: number, to: number): Link[] {
  const moved = chain[from];
  if (!moved || from === to) return [...chain];
  return insert(
    chain.filter((_, i) => i !== from),
    to,
    moved,
  );
}

/** Whether a part may be put into a chain on a body: it goes with the lens, and no mount refuses it. */
export function fits(chain: readonly Link[], link: Link, body: BodySide): boolean {
  const main = chain[mainOf(chain)]?.part;
  const { goesWith } = kindOf(link.part);
  if (main && goesWith && !goesWith(link.part, main)) return false;
  return misfits(body, parts(put(chain, link))).length <= misfits(body, parts(chain)).length;
}
