import { bellowsExtensionMm } from '@/core/chain/kinds/bellows';
import { partAsUsed, type Link } from '@/core/chain/link';
import { replace } from '@/core/chain/edit';
import { formatFigures } from '@/core/quantity/format';
import { rowOfLink } from '@/data/chainLinks';
import { useInHand } from '@/data/inHand';
import type { Situation } from '@/data/situation';
import { ControlLine } from '@/ui/controls/ControlLine';
import { FollowingField } from '@/ui/controls/FollowingField';
import { Ruler } from '@/ui/controls/Ruler';

/** Rails are read to half a millimetre. */
const onRail = (mm: number): number => Math.round(mm * 2) / 2;
const text = (mm: number): string => `${formatFigures(mm, 4)}\u202fmm`;

/** The bellows of a chain, when it has one. */
export const bellowsOf = ({ setup }: Situation): Link | undefined =>
  setup.chain.find(({ part }) => part.kind === 'bellows');

/** The extension of a bellows as it is set, mm. */
export function extensionOf(link: Link): number {
  const part = partAsUsed(link);
  return part.kind === 'bellows' ? bellowsExtensionMm(part) : 0;
}

/** How far the bellows is drawn out, by a rule and by typing. */
export function BellowsControl({
  situation,
  link,
  label,
}: {
  situation: Situation;
  link: Link;
  label?: string | undefined;
}) {
  const { part } = link;
  if (part.kind !== 'bellows') return null;
  const extension = extensionOf(link);
  const set = (extensionMm: number | null) => {
    if (extensionMm === null) return;
    const drawn = { ...link, used: { ...link.used, extensionMm } };
    useInHand.now().setChain(replace(situation.setup.chain, link.id, drawn).map(rowOfLink));
  };
  return (
    <ControlLine
      label={label}
      ruler={
        <Ruler
          label="Extension of the bellows"
          value={extension}
          minimum={part.shortestMm}
          maximum={part.longestMm}
          valueText={text(extension)}
          rounded={onRail}
          onChange={set}
        />
      }
      field={
        <FollowingField
          compact
          hideLabel
          label="Extension of the bellows"
          value={extension}
          unit="mm"
          shownUnit="mm"
          minimum={part.shortestMm}
          maximum={part.longestMm}
          limits={`from ${text(part.shortestMm)} to ${text(part.longestMm)}`}
          onChange={set}
          testID="extension-field"
        />
      }
    />
  );
}
