import { useState } from 'react';
import { View } from 'react-native';
import type { StoredOf } from '@/contract/resources';
import { useNotice } from '@/data/notice';
import { createRow, removeRow, replaceRow } from '@/data/rowActions';
import { whereUsed, withReplaced, type PartResource } from '@/data/whereUsed';
import { useKit } from '@/data/useKit';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';

interface Props {
  resource: PartResource;
  row: StoredOf<PartResource>;
  onClose: () => void;
  /** The part is out of the way: deleted or retired. */
  onDone: () => void;
}

/** Deleting a part that is in use: says where, and offers to put another in its place or to retire it. */
export default function InUse({ resource, row, onClose, onDone }: Props) {
  const { kit } = useKit();
  const [otherId, setOtherId] = useState<string | null>(null);
  const show = useNotice((state) => state.show);
  const users = whereUsed(kit, resource, row.id);
  const kind = 'kind' in row.data ? row.data.kind : null;
  const others = (kit[resource] as StoredOf<PartResource>[]).filter(
    (each) =>
      each.id !== row.id && !each.data.retired && (kind === null || ('kind' in each.data && each.data.kind === kind)),
  );
  const other = others.find((each) => each.id === otherId);

  const replace = () => {
    if (!other) return;
    for (const user of users) replaceRow('setups', user, withReplaced(user.data, resource, row.id, other.id));
    removeRow(resource, row, row.data.name);
    show({
      text: `${other.data.name} took the place of ${row.data.name} in ${users.length === 1 ? 'one set-up' : `${users.length} set-ups`}.`,
      action: { title: 'Undo', run: () => undo() },
    });
    onDone();
  };
  const undo = () => {
    // Under its old id, so that the set-ups find it again; then the set-ups as they were.
    createRow(resource, row.data, row.id);
    for (const user of users) replaceRow('setups', { ...user, version: user.version + 1 }, user.data);
  };
  const retire = () => {
    replaceRow(resource, row, { ...row.data, retired: true });
    show({
      text: `${row.data.name} is retired: its set-ups keep it, nothing offers it any more.`,
      action: {
        title: 'Undo',
        run: () => replaceRow(resource, { ...row, version: row.version + 1 }, row.data),
      },
    });
    onDone();
  };

  return (
    <Sheet title={`${row.data.name} is in use`} onClose={onClose}>
      <Txt>
        It is in {users.length === 1 ? 'the set-up' : 'the set-ups'}{' '}
        {users.map((user) => `“${user.data.name}”`).join(', ')}. Kept readings are not touched, whatever you choose.
      </Txt>
      <View style={{ gap: space.medium }}>
        {others.length ? (
          <>
            <Choice
              label="Put another in its place"
              options={others.map((each) => ({ value: each.id, name: each.data.name }))}
              value={otherId}
              onChange={setOtherId}
            />
            <Key
              title={other ? `Replace by ${other.data.name}, then delete` : 'Replace, then delete'}
              weight="strong"
              disabled={!other}
              why="Choose above what takes its place."
              onPress={replace}
            />
          </>
        ) : (
          <Txt kind="small" tone="soft">
            There is no other of its kind to put in its place.
          </Txt>
        )}
      </View>
      <View style={{ gap: space.small }}>
        <Txt kind="small" tone="soft">
          Or keep it for what it was used for, without being offered any more:
        </Txt>
        <Key title="Retire it" onPress={retire} />
      </View>
    </Sheet>
  );
}
