import type { Link } from '../chain/link';
import { misfits } from '../chain/mountPath';
import { additions, completed, leadsOn, settingsOf, wholeness } from './additions';
import { isMeant } from './meant';
import { chainName, isOptic, type Assembled, type BodyPiece, type Kit } from './pieces';

/** A set-up, and how many pieces were put to its optic one after the other; each tube of a set counts. */
export interface Built extends Assembled {
  added: number;
}

/** Told each set-up once; says whether more pieces are worth putting to it. */
export type Visit = (built: Built) => boolean;

/** Where neighbours add up, their order is the same to the light: of such chains one stands for all. */
const ADDS_UP: ReadonlySet<string> = new Set(['tubes', 'bellows', 'closeUp']);

/** A name that chains have in common which differ in nothing but the order of what adds up. */
function sameLight(chain: readonly Link[]): string {
  const runs: { kind: string; names: string[] }[] = [];
  for (const link of chain) {
    const { kind } = link.part;
    const run = runs.at(-1);
    if (run?.kind === kind && ADDS_UP.has(kind)) run.names.push(chainName([link]));
    else runs.push({ kind, names: [chainName([link])] });
  }
  return runs.flatMap(({ names }) => names.sort()).join('|');
}

/** Nothing but a holder keeps a camera behind an eyepiece; where there is none it is held by hand. */
const isLoose = (chain: readonly Link[], holders: readonly Link[]): boolean =>
  holders.length > 0 &&
  chain.some(({ part }) => part.kind === 'scope') &&
  !chain.some(({ part }) => part.kind === 'afocal');

/**
 * Every chain of the kit around one optic, fewest pieces first. Filters only take light: none is put in. To what does not fit
 * the body only what leads to its mount is put, until it does.
 */
function visitAround(body: BodyPiece, optic: Link, kit: Kit, visit: Visit): void {
  const others = kit.parts.filter(({ id, part }) => id !== optic.id && part.kind !== 'filter');
  const leading = others.filter(leadsOn);
  const holders = others.filter(({ part }) => part.kind === 'afocal');
  const measured = new Map((kit.measured ?? []).map(({ chain, ratios }) => [chain, ratios]));
  let latest: Link[][] = settingsOf(optic).map((link) => [link]);
  const found = new Set(latest.map(sameLight));

  /** The chains one piece longer than a chain; none where more is not worth it. */
  const longerThan = (chain: Link[], added: number): Link[][] => {
    const whole = wholeness(chain);
    if (whole !== 'whole') return whole === 'lacksLens' ? completed(chain, others, body.body) : [];
    const parts = chain.map(({ part }) => part);
    if (misfits(body.body, parts).length > 0) return additions(chain, leading, body.body);
    if (isLoose(chain, holders)) return additions(chain, holders, body.body);
    const ids = [body.id, ...new Set(chain.map(({ id }) => id))];
    const goesOn = visit({ body, chain, ids, added, measured: measured.get(chainName(chain)) });
    return goesOn ? additions(chain, others, body.body) : [];
  };

  for (let added = 0; latest.length; added += 1) {
    const next: Link[][] = [];
    for (const chain of latest)
      for (const longer of longerThan(chain, added)) {
        const name = sameLight(longer);
        if (found.has(name) || !isMeant(longer, kit)) continue;
        found.add(name);
        next.push(longer);
      }
    latest = next;
  }
}

/** How many set-ups are visited between two words on how far it is, and how many are half of what is to be expected. */
const TOLD_EVERY = 20;
const MANY = 100;

/**
 * Puts together what the kit holds: each body with each optic, alone and with what fits to it, however many pieces.
 *
 * @param onShare told after each body with an optic, from 0 to 1, and within by how many were visited
 */
export function visitSetups(kit: Kit, visit: Visit, onShare?: (share: number) => void): void {
  const weightOf = (body: BodyPiece, { part }: Link): number => (body.body.weightG ?? 0) + (part.weightG ?? 0);
  // Light ones first: what they reach nothing heavier is wanted for.
  const pairs = kit.bodies
    .flatMap((body) => kit.parts.filter(isOptic).map((optic) => ({ body, optic })))
    .sort((a, b) => weightOf(a.body, a.optic) - weightOf(b.body, b.optic));
  pairs.forEach(({ body, optic }, at) => {
    let visited = 0;
    visitAround(body, optic, kit, (built) => {
      // How many there are is known only when they are all there: the share comes ever nearer to its end.
      if (++visited % TOLD_EVERY === 0) onShare?.((at + visited / (visited + MANY)) / pairs.length);
      return visit(built);
    });
    onShare?.((at + 1) / pairs.length);
  });
}

/** Every set-up of a kit with up to so many pieces put to its optic. */
export function assembled(kit: Kit, mostAdded = Infinity): Built[] {
  const all: Built[] = [];
  visitSetups(kit, (built) => {
    all.push(built);
    return built.added < mostAdded;
  });
  return all;
}
