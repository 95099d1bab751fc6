import { arrange } from '../chain/arrangement';
import { fits, put } from '../chain/edit';
import { lightOf } from '../chain/fold';
import { KINDS, kindOf } from '../chain/kinds';
import { partAsUsed, type Link } from '../chain/link';
import { sameMount } from '../chain/mounts';
import type { BodySide, ScopeSpec } from '../chain/parts';

const placeOf = ({ part }: Link) => KINDS[part.kind].place;
const turns = (link: Link): boolean => lightOf(partAsUsed(link)).does === 'turn';

/** What the main optic looks through: a second lens, a scope, an objective; nothing screws onto its thread then. */
const looksThrough = (chain: readonly Link[]): boolean =>
  chain.some((link) => placeOf(link) === 'joint' || ['scope', 'objective'].includes(link.part.kind) || turns(link));

/** Whether a part brings together what does not fit: from one mount to another, or past the mount. */
export function leadsOn(link: Link): boolean {
  if (placeOf(link) === 'joint' || turns(link)) return true;
  const faces = kindOf(link.part).faces(link.part);
  if (faces === 'thread') return false;
  return faces.front !== undefined && faces.rear !== undefined && !sameMount(faces.front, faces.rear);
}

/** A bellows set to an extension. */
export const drawnTo = (bellows: Link, extensionMm: number): Link => ({
  ...bellows,
  used: { ...bellows.used, extensionMm },
});

/** An optic as it can be set: a scope at both ends of its eyepiece. */
export function settingsOf(optic: Link): Link[] {
  if (optic.part.kind !== 'scope') return [optic];
  const { magnificationLow, magnificationHigh }: ScopeSpec = optic.part;
  return [...new Set([magnificationLow, magnificationHigh])].map((magnification) => ({
    ...optic,
    used: { ...optic.used, magnification },
  }));
}

/** Chains with one tube more of a set. */
function oneTubeMore(chain: readonly Link[], spare: Link, lengthsMm: readonly number[], body: BodySide): Link[][] {
  const own = chain.find(({ id }) => id === spare.id);
  const now = own?.used?.tubesMm ?? [];
  const left = [...lengthsMm];
  for (const used of now) left.splice(left.indexOf(used), 1);
  return [...new Set(left)].flatMap((mm) => {
    const link: Link = { ...spare, used: { ...spare.used, tubesMm: [...now, mm].sort((a, b) => a - b) } };
    if (own) return [chain.map((each) => (each === own ? link : each))];
    return fits(chain, link, body) ? [put(chain, link)] : [];
  });
}

/** Whether an adapter can stand in a chain at all, whatever the mounts. */
function goesIn(chain: readonly Link[], spare: Link): boolean {
  switch (placeOf(spare)) {
    case 'joint':
      return chain.length === 1 && chain[0]!.part.kind === 'lens';
    case 'holder':
      return chain.some(({ part }) => part.kind === 'scope');
    case 'front':
      return !looksThrough(chain);
    case 'back':
      // Turned round or not is what the optic is: it is decided before anything else is put to it.
      return !turns(spare) || (chain.length === 1 && chain[0]!.part.kind === 'lens');
    case 'main':
      return false;
  }
}

/** What forms the picture behind a scope, an objective or a coupled lens, where there is nothing yet. */
export const completed = (chain: readonly Link[], parts: readonly Link[], body: BodySide): Link[][] =>
  parts.filter((spare) => placeOf(spare) === 'main' && fits(chain, spare, body)).map((spare) => put(chain, spare));

/** Problems that a lens behind what there is solves. */
const LACKS_A_LENS: ReadonlySet<string> = new Set([
  'chain.scopeAlone',
  'chain.couplingAlone',
  'chain.noTubeLens',
  'chain.noLens',
]);

/** Whether a chain forms a picture, or would with a lens behind it, or never will. */
export function wholeness(chain: readonly Link[]): 'whole' | 'lacksLens' | 'never' {
  const arranged = arrange(chain.map(partAsUsed));
  if (arranged.ok) return 'whole';
  return LACKS_A_LENS.has(arranged.problem.code) ? 'lacksLens' : 'never';
}

/**
 * The chains one piece longer: with each adapter that fits, each tube of a set, bellows drawn out; behind a scope, an
 * objective or a coupling ring first the lens that forms the picture (`completed`).
 *
 * @param parts what of the kit may be put in; what stands in the chain is passed over
 */
export function additions(chain: readonly Link[], parts: readonly Link[], body: BodySide): Link[][] {
  const spares = parts.filter(({ id, part }) => part.kind === 'tubes' || !chain.some((link) => link.id === id));
  return spares.flatMap((spare): Link[][] => {
    const { part } = spare;
    if (KINDS[part.kind].shelf !== 'adapter' || !goesIn(chain, spare)) return [];
    if (part.kind === 'tubes') return oneTubeMore(chain, spare, part.lengthsMm, body);
    if (!fits(chain, spare, body)) return [];
    // Drawn out, as it adds most; it is drawn in for what would not fit the frame.
    return [put(chain, part.kind === 'bellows' ? drawnTo(spare, part.longestMm) : spare)];
  });
}
