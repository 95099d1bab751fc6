import { Suspense, useState } from 'react';
import { View } from 'react-native';
import type { ResourceTypes, StoredOf } from '@/contract/resources';
import { misfits } from '@/core/chain/mountPath';
import type { PartKind } from '@/core/chain/parts';
import { plainName } from '@/core/kit/plainName';
import { useNotice } from '@/data/notice';
import { createRow, removeRow, replaceRow } from '@/data/rowActions';
import { whereUsed, type PartResource } from '@/data/whereUsed';
import { useKit } from '@/data/useKit';
import { useChosen } from '@/data/useChosen';
import { useInHand } from '@/data/inHand';
import { RowForm } from './LazyRowForm';
import { NameRemark } from './NameRemark';
import { SensorRemarks } from './SensorRemarks';
import { BODY_FORM } from './bodyForm';
import { KIT_KINDS } from './kinds';
import { owned } from './owned';
import { renameSetups } from './renameSetups';
import { setupNameOf } from './setupName';
import { lazyPart } from '@/ui/lazyPart';

const InUse = lazyPart(() => import('./InUse'));

interface Props {
  resource: PartResource;
  /** The part to change; null: a new one of `kind`. */
  row: StoredOf<PartResource> | null;
  kind: PartKind;
  onSaved: (id: string) => void;
  onGone: () => void;
}

/** A new part whose suggested name was left is named after the numbers entered: the name suggested was of others. */
function named(data: ResourceTypes[PartResource], suggested: string): ResourceTypes[PartResource] {
  const name = 'kind' in data && data.name === suggested ? plainName(data) : null;
  return name === null ? data : { ...data, name };
}

/** The form of a part: save, save as a copy, delete; a part in use is replaced or retired instead. */
export function PartEditor({ resource, row, kind, onSaved, onGone }: Props) {
  const { kit } = useKit();
  const [asking, setAsking] = useState(false);
  const show = useNotice((state) => state.show);
  const { setupId } = useChosen();
  const chooseSetup = useInHand((state) => state.chooseSetup);
  const shownKind = resource === 'bodies' ? 'body' : row && 'kind' in row.data ? row.data.kind : kind;
  const initial = (row?.data ?? KIT_KINDS[kind].start) as ResourceTypes[PartResource];

  const save = (entered: ResourceTypes[PartResource]) => {
    // What was taken as typical is one's own once it was looked at and saved.
    const data = row ? owned(entered) : named(owned(entered), initial.name);
    if (row) {
      replaceRow(resource, row, data);
      if (data.name !== row.data.name) renameSetups(kit, row.id, data.name);
      return onSaved(row.id);
    }
    const id = createRow(resource, data);
    // The body in hand, or the newest one.
    const heldBodyId = kit.setups.find((each) => each.id === setupId)?.data.bodyId;
    const body = kit.bodies.find((each) => each.id === heldBodyId) ?? kit.bodies.at(-1);
    if (body && 'kind' in data && (data.kind === 'lens' || data.kind === 'builtIn')) {
      const take = () =>
        chooseSetup(
          createRow('setups', {
            name: setupNameOf([body.data.name, data.name]),
            namedAfterParts: true,
            bodyId: body.id,
            modeId: 'whole',
            chain: [{ type: 'optic', id }],
          }),
        );
      // The first lens makes the first set-up, so that there is a reading at once; a later one offers the one it makes.
      if (kit.setups.length === 0) {
        take();
        show({ text: `${body.data.name} + ${data.name} is in hand: your first set-up.` });
      } else if (misfits(body.data, [data]).length === 0) {
        show({ text: `${data.name} is in the kit.`, action: { title: `Take it on ${body.data.name}`, run: take } });
      }
    }
    return onSaved(id);
  };
  const remove = () => {
    if (!row) return;
    if (whereUsed(kit, resource, row.id).length) return setAsking(true);
    removeRow(resource, row, row.data.name);
    onGone();
  };
  return (
    <View>
      <RowForm
        resource={resource}
        sections={shownKind === 'body' ? BODY_FORM : KIT_KINDS[shownKind].form}
        initial={initial}
        draftKey={`${resource}:${row?.id ?? `new:${kind}`}`}
        remarks={
          <>
            <NameRemark resource={resource} id={row?.id ?? null} />
            {shownKind === 'body' ? <SensorRemarks /> : null}
          </>
        }
        onSave={save}
        {...(row
          ? {
              onDuplicate: (data: ResourceTypes[PartResource]) =>
                onSaved(createRow(resource, { ...data, name: `${data.name} (copy)`.slice(0, 120) })),
              onDelete: remove,
            }
          : {})}
      />
      {asking && row ? (
        <Suspense fallback={null}>
          <InUse resource={resource} row={row} onClose={() => setAsking(false)} onDone={onGone} />
        </Suspense>
      ) : null}
    </View>
  );
}
