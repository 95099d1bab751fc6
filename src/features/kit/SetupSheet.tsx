import { useState } from 'react';
import { View } from 'react-native';
import type { Adapter } from '@/contract/schemas/adapter';
import type { Body } from '@/contract/schemas/body';
import type { Optic } from '@/contract/schemas/optic';
import type { Setup } from '@/contract/schemas/setup';
import { useInHand } from '@/data/inHand';
import { useNotice } from '@/data/notice';
import { createRow, removeRow, replaceRow } from '@/data/rowActions';
import { useKit } from '@/data/useKit';
import { Group } from '@/ui/Group';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { NewBody } from './NewBody';
import { PartList } from './PartList';
import { RowForm } from './LazyRowForm';
import { SetupForm } from './SetupForm';
import { bodyBrief, partBrief, setupBrief } from './briefs';
import { FORMS } from './fields';

type PartResource = 'bodies' | 'optics' | 'adapters';
type View_ = { at: 'list' } | { at: 'setup'; id: string | null } | { at: 'part'; resource: PartResource; id: string | null };

const NEW_LENS: Optic = { kind: 'lens', name: 'New lens', focalWideMm: 400, focalTeleMm: 400, fNumberWide: 5.6, fNumberTele: 5.6, detailClass: 'good', autofocus: true };
const NEW_CONVERTER: Adapter = { kind: 'converter', name: 'Converter ×1.4', factor: 1.4, autofocus: true };
const TITLES: Record<PartResource, string> = { bodies: 'Body', optics: 'Lens', adapters: 'Converter or reducer' };

/** The kit as a sheet: choose a set-up with one tap; add, change and delete set-ups and their parts. */
export default function SetupSheet({ onClose }: { onClose: () => void }) {
  const { kit } = useKit();
  const [view, setView] = useState<View_>({ at: 'list' });
  const chosenId = useInHand((state) => state.setupId) ?? kit.setups[0]?.id;
  const chooseSetup = useInHand((state) => state.chooseSetup);
  const show = useNotice((state) => state.show);
  const back = () => setView({ at: 'list' });
  const chosen = kit.setups.find((row) => row.id === chosenId) ?? kit.setups[0];

  /** Mounts a body in front of the optics in hand, as a set-up of its own. */
  const mountBody = (bodyId: string, body: Body) => {
    const optic = chosen?.data.chain.find((link) => link.type === 'optic') ?? (kit.optics[0] ? { type: 'optic' as const, id: kit.optics[0].id } : null);
    if (!optic) {
      setView({ at: 'part', resource: 'optics', id: null });
      show({ text: `${body.name} is in the kit. Now add a lens for it.` });
      return;
    }
    const lens = kit.optics.find((row) => row.id === optic.id)?.data.name ?? '';
    chooseSetup(createRow('setups', { name: `${body.name} + ${lens}`.slice(0, 120), bodyId, modeId: 'whole', chain: [optic] }));
    onClose();
  };

  const makeBody = (body: Body) => {
    const id = createRow('bodies', body);
    show({ text: `${body.name} is in the kit.`, action: { title: 'Use it now', run: () => mountBody(id, body) } });
  };

  const makeLens = (lens: Optic) => {
    const id = createRow('optics', lens);
    const body = kit.bodies.at(-1);
    if (kit.setups.length === 0 && body) {
      chooseSetup(createRow('setups', { name: `${body.data.name} + ${lens.name}`.slice(0, 120), bodyId: body.id, modeId: 'whole', chain: [{ type: 'optic', id }] }));
      onClose();
    } else back();
  };

  if (view.at === 'setup') {
    const row = kit.setups.find((each) => each.id === view.id);
    const initial: Setup = row?.data ?? { name: '', bodyId: kit.bodies[0]?.id ?? '', modeId: 'whole', chain: [] };
    return (
      <Sheet title={row ? 'Change the set-up' : 'New set-up'} onClose={onClose} onBack={back}>
        <SetupForm
          key={view.id ?? 'new'}
          kit={kit}
          initial={initial}
          onSave={(setup) => {
            if (row) replaceRow('setups', row, setup);
            else chooseSetup(createRow('setups', setup));
            back();
          }}
          {...(row
            ? {
                onDelete: () => {
                  removeRow('setups', row, row.data.name);
                  back();
                },
              }
            : {})}
        />
      </Sheet>
    );
  }

  if (view.at === 'part') {
    const { resource, id } = view;
    const row = kit[resource].find((each) => each.id === id);
    const initial = row?.data ?? (resource === 'adapters' ? NEW_CONVERTER : NEW_LENS);
    return (
      <Sheet title={row ? row.data.name : `New ${TITLES[resource].toLowerCase()}`} onClose={onClose} onBack={back}>
        <RowForm
          key={`${resource}:${id}`}
          resource={resource}
          sections={FORMS[resource] ?? []}
          initial={initial as Body & Optic & Adapter}
          draftKey={`${resource}:${id ?? 'new'}`}
          onSave={(data) => {
            if (row) {
              replaceRow(resource, row as never, data as never);
              back();
            } else if (resource === 'optics') makeLens(data as Optic);
            else {
              createRow(resource, data as never);
              back();
            }
          }}
          {...(row
            ? {
                onDuplicate: (data: Body | Optic | Adapter) => {
                  createRow(resource, { ...data, name: `${data.name} (copy)`.slice(0, 120) } as never);
                  back();
                },
                onDelete: () => {
                  removeRow(resource, row as never, row.data.name);
                  back();
                },
              }
            : {})}
        />
      </Sheet>
    );
  }

  const edit = (resource: PartResource) => (id: string) => setView({ at: 'part', resource, id });
  return (
    <Sheet title="Set-ups" onClose={onClose} footer={<Key title="New set-up" icon="add" onPress={() => setView({ at: 'setup', id: null })} disabled={kit.bodies.length === 0 || kit.optics.length === 0} />}>
      {kit.setups.length ? (
        <PartList
          verb="Take"
          lines={kit.setups.map((row) => ({ id: row.id, name: row.data.name, brief: setupBrief(row.data, kit), chosen: row.id === chosen?.id }))}
          onPress={(id) => {
            chooseSetup(id);
            onClose();
          }}
          onEdit={(id) => setView({ at: 'setup', id })}
        />
      ) : (
        <Txt tone="soft">No set-up yet. Add a body below with two taps, then a lens.</Txt>
      )}
      <View>
        <Group title="Bodies" brief={String(kit.bodies.length)} startsOpen={kit.setups.length === 0}>
          <NewBody onMake={makeBody} />
          <PartList verb="Change" lines={kit.bodies.map((row) => ({ id: row.id, name: row.data.name, brief: bodyBrief(row.data) }))} onPress={edit('bodies')} />
        </Group>
        <Group title="Lenses" brief={String(kit.optics.length)} startsOpen={kit.setups.length === 0 && kit.bodies.length > 0}>
          <PartList verb="Change" lines={kit.optics.map((row) => ({ id: row.id, name: row.data.name, brief: partBrief(row.data) }))} onPress={edit('optics')} />
          <Key title="Add a lens" icon="add" onPress={() => setView({ at: 'part', resource: 'optics', id: null })} />
        </Group>
        <Group title="Converters and reducers" brief={String(kit.adapters.length)}>
          <PartList verb="Change" lines={kit.adapters.map((row) => ({ id: row.id, name: row.data.name, brief: partBrief(row.data) }))} onPress={edit('adapters')} />
          <Key title="Add a converter" icon="add" onPress={() => setView({ at: 'part', resource: 'adapters', id: null })} />
        </Group>
      </View>
    </Sheet>
  );
}
