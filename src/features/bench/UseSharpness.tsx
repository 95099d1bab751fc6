import { View } from 'react-native';
import { formatFigures } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { useNotice } from '@/data/notice';
import { replaceRow } from '@/data/rowActions';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import type { TakenWith } from './useTakenWith';

interface Props {
  taken: TakenWith;
  lens50: Quantity;
  /** Where on the picture it was measured. */
  place: { share: number; name: string };
}

/** Beyond this share of half the diagonal it is the lens's corner that was measured. */
const CORNER = 0.7;

/** Gives the lens of the set-up the sharpness that was measured, in the middle or in the corner. */
export function UseSharpness({ taken, lens50, place }: Props) {
  const show = useNotice((state) => state.show);
  const { setupRow, kit, system } = taken;
  const lensId = setupRow?.data.chain.findLast((link) => link.type === 'optic')?.id;
  const row = kit.optics.find(({ id }) => id === lensId);
  const optic = row?.data;
  if (!row || !system || optic?.kind !== 'lens') return null;
  const corner = place.share > CORNER;
  const value = Number(lens50.value.toPrecision(3));
  const before = corner ? optic.lens50CornerLpPerMm : optic.lens50LpPerMm;
  const use = () => {
    const note = [
      optic.note,
      `${corner ? 'Corner' : 'Middle'}: ${formatFigures(value, 3)} ± ${formatFigures(lens50.plusMinus ?? 0, 1)} lp/mm, measured at ${formatFigures(system.markedFocalMm, 3)} mm.`,
    ]
      .filter(Boolean)
      .join(' ')
      .slice(-1000);
    replaceRow('optics', row, {
      ...optic,
      ...(corner ? { lens50CornerLpPerMm: value } : { lens50LpPerMm: value }),
      note,
    });
    show({
      text: `${optic.name} is reckoned with ${formatFigures(value, 3)} lp/mm ${corner ? 'in the corner' : ''} from now on.`.replace(
        '  ',
        ' ',
      ),
    });
  };
  return (
    <View style={{ gap: space.small }}>
      <Txt kind="small" tone="soft">
        {before === undefined
          ? `So far ${optic.name} is only taken to be of the class “${optic.detailClass}”.`
          : `So far ${formatFigures(before, 3)} lp/mm is entered for ${optic.name}${corner ? ', corner' : ''}.`}
      </Txt>
      <Key
        title={`Use it for ${optic.name}, ${corner ? 'corner' : 'middle'}`}
        icon="check"
        weight="strong"
        onPress={use}
        testID="use-sharpness"
      />
    </View>
  );
}
