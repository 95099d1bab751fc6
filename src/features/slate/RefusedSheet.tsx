import { View } from 'react-native';
import { nounOf } from '@/contract/resources';
import { keepMine, keepStored, type Refused } from '@/data/outbox';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';

const text = (value: unknown): string =>
  JSON.stringify(value, null, 1)
    .replace(/[{}"[\]]/g, '')
    .replace(/,$/gm, '')
    .replace(/^\s*\n/gm, '');

/** Both copies of a change the server refused, for the person to choose. */
export default function RefusedSheet({ refused, onClose }: { refused: Refused; onClose: () => void }) {
  const { change, problem } = refused;
  const stored = (problem.stored as { data?: unknown } | undefined)?.data;
  const inUse = problem.code === 'row.inUse';
  return (
    <Sheet title={`${problem.title}: ${nounOf(change.resource)}`} onClose={onClose}>
      <Txt>{problem.detail}</Txt>
      {'data' in change ? (
        <View>
          <Txt kind="strong">Yours</Txt>
          <Txt kind="small">{text(change.data)}</Txt>
        </View>
      ) : null}
      {stored ? (
        <View>
          <Txt kind="strong">As stored now</Txt>
          <Txt kind="small">{text(stored)}</Txt>
        </View>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
        {inUse ? null : (
          <Key
            title={change.verb === 'remove' ? 'Delete all the same' : 'Keep mine'}
            onPress={() => {
              onClose();
              void keepMine(refused);
            }}
          />
        )}
        <Key
          title={inUse ? 'Leave it as it is' : stored ? 'Keep the stored one' : 'Drop mine'}
          weight="strong"
          onPress={() => {
            onClose();
            void keepStored(refused);
          }}
        />
      </View>
    </Sheet>
  );
}
