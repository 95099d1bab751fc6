import { View } from 'react-native';
import { formatFigures } from '@/core/quantity/format';
import type { Quantity } from '@/core/quantity/quantity';
import { showFNumber } from '@/core/quantity/quantityText';
import { useNotice } from '@/data/notice';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { CORNER, knownOf } from './sharpnessOfLens';
import { giveLens, lensOf } from './useLens';
import type { TakenWith } from './useTakenWith';

interface Props {
  taken: TakenWith;
  lens50: Quantity;
  /** Where on the picture it was measured. */
  place: { share: number; name: string };
  /** f-number the picture tells; wide open where it tells none. */
  fNumber: number | undefined;
}

/** Gives the lens of the set-up the sharpness that was measured at this f-number and focal length, in the middle or in the corner. */
export function UseSharpness({ taken, lens50, place, fNumber: told }: Props) {
  const show = useNotice((state) => state.show);
  const found = lensOf(taken);
  if (!found || !taken.system) return null;
  const { row, lens, alone } = found;
  const { markedFocalMm: focalMm, markedFNumber } = taken.system;
  const corner = place.share > CORNER;
  const fNumber = told ?? markedFNumber;
  const measured = { focalMm, fNumber, lpPerMm: lens50.value, plusMinus: lens50.plusMinus ?? 0, corner };
  const where = `${showFNumber(fNumber)}${lens.focalWideMm === lens.focalTeleMm ? '' : `, ${formatFigures(focalMm, 3)} mm`}${corner ? ', corner' : ''}`;
  const use = () => {
    giveLens(row, lens, [measured]);
    show({ text: `${lens.name} is reckoned with ${formatFigures(lens50.value, 3)} lp/mm at ${where} from now on.` });
  };
  return (
    <View style={{ gap: space.small }}>
      <Txt kind="small" tone="soft">
        {`${knownOf(lens, measured)}${told === undefined ? ' The picture tells no f-number: taken to be wide open.' : ''}`}
      </Txt>
      <Key
        title={`Use it for ${lens.name} at ${where}`}
        icon="check"
        weight="strong"
        disabled={!alone}
        why="A converter or a lens in front had its share: take it off to measure the lens alone."
        onPress={use}
        testID="use-sharpness"
      />
    </View>
  );
}
