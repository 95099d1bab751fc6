import type { Ratio } from '@/contract/schemas/ratio';
import type { Stored } from '@/contract/resources';
import { isFactor } from '@/core/chain/parts';
import type { MeasuredRatio } from '@/core/chain/measuredRatio';
import { formatFigures } from '@/core/quantity/format';
import type { Link } from './inHand';
import type { Kit } from './situation';

/** What tells one chain from another: its parts in their order, the tubes used, the magnification set. */
const chainKey = (chain: Link[]): string =>
  chain
    .map((link) =>
      [link.id, link.usedMm ? [...link.usedMm].sort((a, b) => a - b).join('+') : '', link.magnificationSet ?? ''].join(
        '/',
      ),
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
export function measuredWith(chain: Link[], ratios: Stored<Ratio>[]): MeasuredRatio[] {
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

/** The chain with another set of converters, where the core puts them: directly behind the main lens. */
export function linksWithConverters(chain: Link[], ids: string[], kit: Pick<Kit, 'adapters' | 'optics'>): Link[] {
  const factor = (link: Link) =>
    link.type === 'adapter' && kit.adapters.some((row) => row.id === link.id && isFactor(row.data));
  const present = chain.filter(factor).map((link) => link.id);
  if (present.length === ids.length && present.every((id, i) => id === ids[i])) return chain;
  const rest = chain.filter((link) => !factor(link));
  // The main lens is the last optic of a chain.
  const at = rest.reduce((last, link, i) => (link.type === 'optic' ? i : last), -1) + 1;
  return [...rest.slice(0, at), ...ids.map((id): Link => ({ type: 'adapter', id })), ...rest.slice(at)];
}
