import { useState } from 'react';
import { View } from 'react-native';
import { formatFigures } from '@/core/quantity/format';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import type { TakenWith } from './useTakenWith';

const BY: Record<TakenWith['by'], string> = {
  picture: 'by its EXIF and pixels',
  person: 'as you said',
  hand: 'what is in hand; the picture does not say',
};

/** With what a picture was taken, and what that makes of one of its pixels. */
export function WhosePicture({ taken }: { taken: TakenWith }) {
  const [choosing, setChoosing] = useState(false);
  const { setupRow, scale, problem, kit, by, choose, alsoFits } = taken;
  const names = alsoFits.flatMap((id) => kit.setups.find((row) => row.id === id)?.data.name ?? []);
  return (
    <View style={{ gap: space.small }} testID="taken-with">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space.medium, flexWrap: 'wrap' }}>
        <View style={{ flexGrow: 1, flexBasis: 200 }}>
          <Txt kind="label" tone="soft">
            Taken with
          </Txt>
          <Txt kind="strong">{setupRow?.data.name ?? 'no set-up in the kit'}</Txt>
          <Txt kind="small" tone="soft">
            {BY[by]}
            {scale ? ` · ${scale.modeName} · ${formatFigures(scale.pitchUm, 3)} µm a pixel` : ''}
          </Txt>
        </View>
        <Key
          title={choosing ? 'Done' : 'Another'}
          weight="plain"
          expanded={choosing}
          onPress={() => setChoosing(!choosing)}
        />
      </View>
      {names.length ? (
        <Txt kind="small" tone="caution">
          {`⚠ It may as well be ${names.join(', ')}: the picture does not say. Choose “Another” if so.`}
        </Txt>
      ) : null}
      {scale && scale.resized !== 1 ? (
        <Txt kind="small" tone="caution">
          {`⚠ Probably made ${scale.resized < 1 ? 'smaller' : 'larger'}, ${formatFigures(scale.resized, 3)} times, after it was taken: judged by its number of pixels, and put right for that. If it was cropped instead, bring it as it left the camera.`}
        </Txt>
      ) : null}
      {problem ? (
        <Txt kind="small" tone="caution" role="alert">
          {`⚠ ${problem.message}`}
        </Txt>
      ) : null}
      {choosing ? (
        <Choice
          label="It was taken with"
          options={kit.setups.map((row) => ({ value: row.id, name: row.data.name }))}
          value={setupRow?.id ?? null}
          onChange={(id) => {
            choose(id);
            setChoosing(false);
          }}
        />
      ) : null}
    </View>
  );
}
