import type { Ratio } from '@/contract/schemas/ratio';
import type { Stored } from '@/contract/resources';
import { KINDS } from '@/core/chain/kinds';
import type { Link, Used } from '@/core/chain/link';
import type { MeasuredRatio } from '@/core/chain/measuredRatio';
import type { Part } from '@/core/chain/parts';
import type { Patch } from '@/core/levers/candidates';
import { formatFigures } from '@/core/quantity/format';
import type { ChainRow, HandPatch } from './hand';
import type { Kit } from './situation';

/** How a stored link says its part is used. */
function usedOfRow({ usedMm, magnificationSet, extensionMm, switchedIn }: ChainRow): Used | undefined {
  const used = {
    ...(usedMm === undefined ? {} : { tubesMm: usedMm }),
    ...(magnificationSet === undefined ? {} : { magnification: magnificationSet }),
    ...(extensionMm === undefined ? {} : { extensionMm }),
    ...(switchedIn === undefined ? {} : { switchedIn }),
  };
  return Object.keys(used).length ? used : undefined;
}

/** The part a stored link stands for; null when it is gone from the kit. */
export function partOfRow({ type, id }: Pick<ChainRow, 'type' | 'id'>, kit: Pick<Kit, 'optics' | 'adapters'>) {
  const rows: Stored<Part>[] = type === 'optic' ? kit.optics : kit.adapters;
  return rows.find((row) => row.id === id)?.data ?? null;
}

/** Ids of the places of a stored chain: that of the part, numbered where the same one stands in it again. */
export function placeIds(chain: readonly Pick<ChainRow, 'id'>[]): string[] {
  const seen = new Map<string, number>();
  return chain.map(({ id }) => {
    const count = (seen.get(id) ?? 0) + 1;
    seen.set(id, count);
    return count === 1 ? id : `${id}#${count}`;
  });
}

/** A stored chain with its parts; null when one of them is gone. */
export function linksOfRows(chain: readonly ChainRow[], kit: Pick<Kit, 'optics' | 'adapters'>): Link[] | null {
  const ids = placeIds(chain);
  const links = chain.map((row, i): Link | null => {
    const part = partOfRow(row, kit);
    const used = usedOfRow(row);
    return part && { id: ids[i]!, part, ...(used ? { used } : {}) };
  });
  return links.every((link): link is Link => link !== null) ? links : null;
}

/** A link as it is stored. */
export function rowOfLink({ id, part, used }: Link): ChainRow {
  return {
    type: KINDS[part.kind].shelf,
    id: id.split('#')[0]!,
    ...(used?.tubesMm === undefined ? {} : { usedMm: used.tubesMm }),
    ...(used?.magnification === undefined ? {} : { magnificationSet: used.magnification }),
    ...(used?.extensionMm === undefined ? {} : { extensionMm: used.extensionMm }),
    ...(used?.switchedIn === undefined ? {} : { switchedIn: used.switchedIn }),
  };
}

/** What a lever would change, as it is kept. */
export function storedPatch({ chain, ...rest }: Patch): HandPatch {
  return { ...rest, ...(chain ? { chain: chain.map(rowOfLink) } : {}) };
}

/** What tells one chain from another: its parts in their order, and how each is used. */
const chainKey = (chain: readonly ChainRow[]): string =>
  chain
    .map(({ id, usedMm, magnificationSet, extensionMm, switchedIn }) =>
      [
        id,
        usedMm ? [...usedMm].sort((a, b) => a - b).join('+') : '',
        magnificationSet ?? '',
        ...(extensionMm === undefined ? [] : [extensionMm]),
        ...(switchedIn === undefined ? [] : [switchedIn]),
      ].join('/'),
    )
    .join(' ');

/** How a ratio was found, in words. */
export function measuredHow(ratio: Ratio): string {
  const day = ratio.measuredAt.slice(0, 10);
  return ratio.method === 'ruler'
    ? `measured ${day}: ${formatFigures(ratio.visibleMm ?? 0, 4)} mm of a ruler across ${formatFigures(ratio.frameWidthMm ?? 0, 4)} mm`
    : `measured ${day}: ${formatFigures(ratio.pixels ?? 0, 5)} px between marks ${formatFigures(ratio.realMm ?? 0, 4)} mm apart`;
}

/** What was measured with a chain, the newest of each end. */
export function measuredWith(chain: readonly ChainRow[], ratios: Stored<Ratio>[]): MeasuredRatio[] {
  if (!ratios.length) return [];
  const key = chainKey(chain);
  const found = ratios
    .filter((row) => chainKey(row.data.chain) === key)
    .sort((a, b) => b.data.measuredAt.localeCompare(a.data.measuredAt));
  // A zoom may have been measured at several focal lengths; the fold takes the one that is set.
  return found.map(({ data }) => ({
    at: data.at,
    ratio: data.ratio,
    plusMinus: data.plusMinus,
    focalMm: data.focalMm,
    how: measuredHow(data),
  }));
}
