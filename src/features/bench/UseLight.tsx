import { useState } from 'react';
import { View } from 'react-native';
import type { PhotonTransfer } from '@/core/measure/light/photonTransfer';
import { formatFigures } from '@/core/quantity/format';
import { useNotice } from '@/data/notice';
import { replaceRow } from '@/data/rowActions';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { space } from '@/ui/theme/measures';
import { withLight } from './lightOfBody';
import type { TakenWith } from './useTakenWith';

interface Props {
  taken: TakenWith;
  found: Pick<PhotonTransfer, 'fullWell' | 'readNoise'>;
  /** ISO the pictures tell, if they do. */
  isoTold: number | undefined;
}

/** Gives the body what was measured of its sensor at an ISO: Far, Near and Stars reckon noise with it from then on. */
export function UseLight({ taken, found, isoTold }: Props) {
  const show = useNotice((state) => state.show);
  const [typed, setTyped] = useState<number | null>(null);
  const iso = typed ?? isoTold ?? null;
  const row = taken.kit.bodies.find(({ id }) => id === taken.setupRow?.data.bodyId);
  if (!row) return null;
  const before = row.data.light?.map((each) => formatFigures(each.iso)).join(', ');
  const use = () => {
    if (iso === null) return;
    replaceRow('bodies', row, withLight(row.data, iso, found));
    show({ text: `Noise of ${row.data.name} at ISO ${formatFigures(iso)} is reckoned with what was measured.` });
  };
  return (
    <View style={{ gap: space.small }}>
      <Txt kind="small" tone="soft">
        {before
          ? `So far ${row.data.name} was measured at ISO ${before}.`
          : `So far ${row.data.name} is only taken for one of its class.`}
      </Txt>
      <NumberField
        label="ISO of these frames"
        value={iso}
        unit="none"
        minimum={1}
        maximum={1e7}
        optional
        onChange={setTyped}
        testID="light-iso"
      />
      <Key
        title={`Use it for ${row.data.name}`}
        icon="check"
        weight="strong"
        disabled={iso === null}
        why="The frames do not tell their ISO: type it above."
        onPress={use}
        testID="use-light"
      />
    </View>
  );
}
