import { mayMount } from '@/core/chain/mounts';
import type { MeasuredChain, OtherMeans } from '@/core/near/otherRoutes';
import { closeConverters, type Owned, type RatioKit, type RatioPlan } from '@/core/near/planRatio';
import { type ChainLink } from '@/core/near/ratioRoutes';
import { isFactor, type FactorPart, type LensSpec, type Part } from '@/core/chain/parts';
import { type BodySpec } from '@/core/kit/body';
import { partAsUsed } from '@/core/chain/link';
import { misfits } from '@/core/chain/mountPath';
import type { PlanNews, PlanOrder } from '@/core/near/planOrder';
import { askWorker } from './askWorker';
import { measuredWith, linksOfRows } from './chainLinks';
import type { ChainRow } from './hand';
import type { Kit } from './situation';

const same = (a: string | undefined, b: string | undefined): boolean => a === undefined || b === undefined || a === b;

/** What of the kit fits a body close up; retired and wished-for parts stay out. */
export function ratioKitOf(kit: Kit, body: BodySpec): { kit: RatioKit; means: OtherMeans; measured: MeasuredChain[] } {
  const own = <T extends { retired?: boolean | undefined; wish?: boolean | undefined }>(
    rows: { id: string; data: T }[],
  ) => rows.filter((row) => !row.data.retired && !row.data.wish);
  const parts = [...own(kit.optics), ...own(kit.adapters)].map((row) => ({ id: row.id, spec: row.data as Part }));
  const of = <K extends Part['kind']>(kind: K) =>
    parts.filter((part): part is Owned<Extract<Part, { kind: K }>> => part.spec.kind === kind);
  const fits = (part: Owned<Part>) => same((part.spec as { mount?: string }).mount, body.mount);
  const lenses = of('lens').filter((part): part is Owned<LensSpec> => misfits(body, [part.spec]).length === 0);
  const factors = parts.filter((part): part is Owned<FactorPart> => isFactor(part.spec) && fits(part));
  return {
    kit: {
      lenses,
      tubes: of('tubes').filter(fits),
      closeUps: of('closeUp'),
      converters: closeConverters(factors).filter(
        (part) => !(part.spec.kind === 'reducer' && !mayMount(part.spec.lensMount, body.mount)),
      ),
      flangeMm: body.flangeMm,
    },
    measured: measuredChains(kit),
    means: {
      body,
      reversing: of('reversing').filter(fits),
      coupling: of('coupling'),
      objectives: of('objective'),
      tubeLenses: of('tubeLens'),
      bellows: of('bellows').filter(fits),
    },
  };
}

/** Every chain a ratio was measured with, once, as long as its parts are there. */
function measuredChains(kit: Kit): MeasuredChain[] {
  const seen = new Set<string>();
  return kit.ratios.flatMap(({ data }): MeasuredChain[] => {
    const key = JSON.stringify(data.chain);
    const links = linksOfRows(data.chain, kit);
    const retired = links?.some(({ part }) => (part as { retired?: boolean }).retired) ?? true;
    if (seen.has(key) || !links || retired) return [];
    seen.add(key);
    return [
      {
        links: data.chain.map(({ id, usedMm, extensionMm }) => ({
          id,
          ...(usedMm ? { usedMm } : {}),
          ...(extensionMm === undefined ? {} : { extensionMm }),
        })),
        chain: links.map(partAsUsed),
        measured: measuredWith(data.chain, kit.ratios),
      },
    ];
  });
}

/** Links of a chain the way the kit stores them. */
export const storedLinks = (links: ChainLink[], kit: Pick<Kit, 'optics'>): ChainRow[] =>
  links.map((link) => ({
    type: kit.optics.some((row) => row.id === link.id) ? 'optic' : 'adapter',
    id: link.id,
    ...(link.usedMm ? { usedMm: link.usedMm } : {}),
    ...(link.extensionMm === undefined ? {} : { extensionMm: link.extensionMm }),
  }));

/**
 * Seeks every combination that reaches the ratios, in a worker; the function returned stops it.
 *
 * @param onFailed told when the worker cannot be fetched or breaks off, which it does not say by itself
 */
export function seekRatios(
  order: PlanOrder,
  onShare: (share: number) => void,
  onDone: (plans: RatioPlan[]) => void,
  onFailed: () => void,
): () => void {
  const worker = new Worker(new URL('../workers/planRatio.worker.ts', window.location.href));
  return askWorker<PlanOrder, PlanNews>(
    worker,
    order,
    (news) => {
      if ('share' in news) onShare(news.share);
      else onDone(news.plans);
      return !('share' in news);
    },
    onFailed,
  );
}
