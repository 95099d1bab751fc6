import { mayMount } from '../chain/mounts';
import { isFactor, modesOf, type AdapterPart, type BodySpec, type LensSpec, type Part } from '../chain/parts';
import type { SystemInput } from '../optics/foldSystem';
import { misfits } from '../chain/mountPath';
import type { NearCandidate } from './nearLevers';

/** A place in a chain by which it is stored: whose part it is, and which tubes of a set are used. */
export interface AroundLink {
  type: 'optic' | 'adapter';
  id: string;
  usedMm?: number[] | undefined;
}

/** What lies around a chain: the parts of the kit that could go in or out, the modes, other set-ups. */
export interface Around<L extends AroundLink> {
  setup: SystemInput;
  links: L[];
  adapters: { id: string; spec: AdapterPart & { retired?: boolean | undefined } }[];
  otherSetups: { id: string; name: string; setup: SystemInput }[];
  /** The parts of a changed chain; null where one is gone. */
  partsOf: (links: L[]) => Part[] | null;
  linkTo: (id: string, usedMm?: number[]) => L;
}

/** A change to the chain, and what it makes of the situation. */
export type AroundPatch<L> = { chain: L[] } | { modeId: string } | { setupId: string };

/** Where the last optic of a chain stands: adapters behind it, close-up lenses in front of the first. */
const behindLens = (chain: readonly AroundLink[]): number =>
  chain.reduce((last, link, i) => (link.type === 'optic' ? i : last), -1) + 1;

interface Changed<L> {
  id: string;
  name: string;
  removes: boolean;
  chain: L[];
}

/** Chains one tube of a set away from the present one. */
function tubeChains<L extends AroundLink>(
  { links, linkTo }: Around<L>,
  id: string,
  spec: Extract<AdapterPart, { kind: 'tubes' }>,
): Changed<L>[] {
  const at = behindLens(links);
  const used = links.findIndex((link) => link.id === id);
  const now = used >= 0 ? (links[used]!.usedMm ?? spec.lengthsMm) : [];
  const withTubes = (usedMm: number[]): L[] => {
    if (!usedMm.length) return links.filter((link) => link.id !== id);
    const link = linkTo(id, usedMm);
    return used >= 0
      ? links.map((each, i) => (i === used ? link : each))
      : [...links.slice(0, at), link, ...links.slice(at)];
  };
  return spec.lengthsMm.map((mm) => {
    const removes = now.includes(mm);
    return {
      id: `${id}:${mm}`,
      name: `tube of ${mm}\u202fmm`,
      removes,
      chain: withTubes(removes ? now.filter((each) => each !== mm) : [...now, mm]),
    };
  });
}

/** Chains one piece away from the present one: a tube, a close-up lens or a converter put in or taken out. */
function chainsAround<L extends AroundLink>(around: Around<L>): Changed<L>[] {
  const { setup, links, adapters, linkTo } = around;
  const { body } = setup;
  const lens = setup.chain.find((part): part is LensSpec => part.kind === 'lens');
  const at = behindLens(links);
  return adapters.flatMap(({ id, spec }): Changed<L>[] => {
    if (spec.retired) return [];
    const used = links.some((link) => link.id === id);
    const without = links.filter((link) => link.id !== id);
    if (spec.kind === 'tubes') return mayMount(spec.mount, body.mount) ? tubeChains(around, id, spec) : [];
    if (spec.kind === 'closeUp')
      return [{ id, name: spec.name, removes: used, chain: used ? without : [linkTo(id), ...links] }];
    if (
      isFactor(spec) &&
      spec.kind !== 'barlow' &&
      mayMount(spec.mount, body.mount) &&
      (used || lens?.takesConverters !== false)
    ) {
      return [
        {
          id,
          name: spec.name,
          removes: used,
          chain: used ? without : [...links.slice(0, at), linkTo(id), ...links.slice(at)],
        },
      ];
    }
    return [];
  });
}

/**
 * What could be changed close up: parts of the kit one piece away, modes of the body, other set-ups.
 *
 * @param measuredWith what was measured with a changed chain
 */
export function candidatesAround<L extends AroundLink>(
  around: Around<L>,
  measuredWith: (links: L[]) => SystemInput['measured'] = () => undefined,
): NearCandidate<AroundPatch<L>>[] {
  const { setup, otherSetups, partsOf } = around;
  const chains = chainsAround(around).flatMap(({ id, name, removes, chain }): NearCandidate<AroundPatch<L>>[] => {
    const parts = chain.some((link) => link.type === 'optic') ? partsOf(chain) : null;
    if (!parts || misfits(setup.body as BodySpec, parts).length) return [];
    return [
      {
        id: `chain:${id}`,
        kind: 'chain',
        name,
        removes,
        setup: { ...setup, chain: parts, measured: measuredWith(chain) },
        patch: { chain },
      },
    ];
  });
  return [
    ...chains,
    ...modesOf(setup.body)
      .filter((mode) => mode.id !== setup.modeId)
      .map((mode): NearCandidate<AroundPatch<L>> => ({
        id: `mode:${mode.id}`,
        kind: 'mode',
        name: mode.name,
        removes: mode.id === 'whole',
        setup: { ...setup, modeId: mode.id },
        patch: { modeId: mode.id },
      })),
    ...otherSetups.map((other): NearCandidate<AroundPatch<L>> => ({
      id: `setup:${other.id}`,
      kind: 'setup',
      name: other.name,
      removes: false,
      setup: other.setup,
      patch: { setupId: other.id },
    })),
  ];
}
