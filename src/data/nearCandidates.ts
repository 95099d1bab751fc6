import type { NearCandidate } from '@/core/near/nearLevers';
import { isFactor, modesOf, type LensSpec } from '@/core/kit/parts';
import { misfits } from '@/core/optics/mountPath';
import type { Link, Patch } from './inHand';
import { systemInputOf, type Kit, type Situation } from './situation';

const same = (a: string | undefined, b: string | undefined): boolean => a === undefined || b === undefined || a === b;

/** Where the last optic of a chain stands: adapters behind it, close-up lenses in front of the first. */
const behindLens = (chain: Link[]): number => chain.reduce((last, link, i) => (link.type === 'optic' ? i : last), -1) + 1;

/** Chains one piece away from the present one: a tube, a close-up lens or a converter put in or taken out. */
function chainsAround(situation: Situation, kit: Kit): { id: string; name: string; removes: boolean; chain: Link[] }[] {
  const { links } = situation;
  const { body } = situation.setup;
  const lens = situation.setup.chain.find((part): part is LensSpec => part.kind === 'lens');
  const at = behindLens(links);
  return kit.adapters.flatMap((row) => {
    const spec = row.data;
    if (spec.retired) return [];
    const used = links.findIndex((link) => link.id === row.id);
    const without = links.filter((link) => link.id !== row.id);
    if (spec.kind === 'tubes') {
      if (!same(spec.mount, body.mount)) return [];
      const now = used >= 0 ? (links[used]!.usedMm ?? spec.lengthsMm) : [];
      const withTubes = (usedMm: number[]): Link[] => {
        if (!usedMm.length) return without;
        const link: Link = { type: 'adapter', id: row.id, usedMm };
        return used >= 0 ? links.map((each, i) => (i === used ? link : each)) : [...links.slice(0, at), link, ...links.slice(at)];
      };
      return spec.lengthsMm.map((mm) => {
        const removes = now.includes(mm);
        return { id: `${row.id}:${mm}`, name: `tube of ${mm}\u202fmm`, removes, chain: withTubes(removes ? now.filter((each) => each !== mm) : [...now, mm]) };
      });
    }
    if (spec.kind === 'closeUp') return [{ id: row.id, name: spec.name, removes: used >= 0, chain: used >= 0 ? without : [{ type: 'adapter' as const, id: row.id }, ...links] }];
    if (isFactor(spec) && spec.kind !== 'barlow' && same(spec.mount, body.mount) && (used >= 0 || lens?.takesConverters !== false)) {
      return [{ id: row.id, name: spec.name, removes: used >= 0, chain: used >= 0 ? without : [...links.slice(0, at), { type: 'adapter' as const, id: row.id }, ...links.slice(at)] }];
    }
    return [];
  });
}

/** What could be changed close up: parts of the kit one piece away, modes of the body, other set-ups. */
export function nearCandidates(situation: Situation, kit: Kit): NearCandidate<Patch>[] {
  const { setup, setupRow } = situation;
  const chains = chainsAround(situation, kit).flatMap(({ id, name, removes, chain }): NearCandidate<Patch>[] => {
    const input = chain.some((link) => link.type === 'optic') ? systemInputOf({ ...setupRow.data, chain }, kit) : null;
    if (!input || misfits(input.body, input.chain).length) return [];
    return [{ id: `chain:${id}`, kind: 'chain', name, removes, setup: { ...input, modeId: setup.modeId, focalMm: setup.focalMm }, patch: { chain } }];
  });
  const modes = modesOf(setup.body).filter((mode) => mode.id !== setup.modeId);
  return [
    ...chains,
    ...modes.map((mode): NearCandidate<Patch> => ({ id: `mode:${mode.id}`, kind: 'mode', name: mode.name, removes: mode.id === 'whole', setup: { ...setup, modeId: mode.id }, patch: { modeId: mode.id } })),
    ...situation.otherSetups.map((other): NearCandidate<Patch> => ({ id: `setup:${other.id}`, kind: 'setup', name: other.name, removes: false, setup: other.setup, patch: { setupId: other.id } })),
  ];
}
