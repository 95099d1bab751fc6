import { useState } from 'react';
import { View } from 'react-native';
import { findObjects } from '@/core/sky/findObjects';
import { useSky } from '@/data/inHand';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { TextField } from '@/ui/controls/TextField';
import { space } from '@/ui/theme/measures';
import { objectBrief } from './deepWords';

/** The objects of the catalogue, found by number, name or kind. */
export function ObjectSearch({ onChoose }: { onChoose: (id: string) => void }) {
  const targetId = useSky((sky) => sky.targetId);
  const [sought, setSought] = useState('');
  const found = findObjects(sought);
  return (
    <View style={{ gap: space.medium }}>
      <TextField label="Number, name or kind" placeholder="M 31, Veil, cluster" value={sought} onChange={setSought} />
      {found.length ? (
        <Choice
          label={found.length === 1 ? '1 object' : `${found.length} objects`}
          value={targetId}
          options={found.map((each) => ({ value: each.id, name: each.name, gloss: objectBrief(each) }))}
          onChange={onChoose}
        />
      ) : (
        <Txt role="status">
          {`No “${sought.trim()}” among the bright objects kept here. Try its number, as M 42 or NGC 7000, or its kind.`}
        </Txt>
      )}
    </View>
  );
}
