import { View } from 'react-native';
import type { Body } from '@/contract/schemas/body';
import { isCarried } from '@/core/levers/carrying';
import { PLACES } from '@/data/hand';
import { takeTo, useInHand, usePlace } from '@/data/inHand';
import { useCarrying } from '@/data/preferences';
import { systemInputOf } from '@/data/situation';
import { useChosen } from '@/data/useChosen';
import { createRow } from '@/data/rowActions';
import { useKit } from '@/data/useKit';
import { Group } from '@/ui/Group';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { PLACE_NAMES, PLACE_PATHS } from '../places';
import { CarryingChoice } from './CarryingChoice';
import { NewBody } from './NewBody';
import { PartList } from './PartList';
import { setupBrief } from './briefs';
import { partsName } from './setupName';
import { briefly } from './unreadable';
import { useGo } from './useGo';

/** The set-ups as a sheet: one tap takes one; a body takes two taps; everything else is on the Kit pages. */
export default function SetupSheet({ onClose }: { onClose: () => void }) {
  const { kit } = useKit();
  const go = useGo(onClose);
  const place = usePlace();
  const chosenId = useChosen().setupId ?? kit.setups[0]?.id;
  const chooseSetup = useInHand((state) => state.chooseSetup);
  const carrying = useCarrying();
  const present = kit.setups.filter((row) => !row.data.retired || row.id === chosenId);
  const offered = present.filter((row) => {
    const setup = row.id === chosenId ? null : systemInputOf(row.data, kit);
    return setup === null || isCarried(carrying, setup);
  });
  const heavier = present.length - offered.length;
  const chosen = kit.setups.find((row) => row.id === chosenId) ?? kit.setups[0];

  /** A new body comes before the optics in hand, as a set-up of its own, and is in hand at once. */
  const makeBody = (body: Body) => {
    const bodyId = createRow('bodies', body);
    const chain = chosen?.data.chain ?? (kit.optics[0] ? [{ type: 'optic' as const, id: kit.optics[0].id }] : []);
    if (!chain.length) return go('/kit/optics/new?kind=lens');
    const setup = { bodyId, modeId: 'whole', chain, namedAfterParts: true };
    const bodies = [...kit.bodies, { id: bodyId, version: 1, createdAt: '', updatedAt: '', data: body }];
    chooseSetup(createRow('setups', { ...setup, name: partsName(setup, { ...kit, bodies }) }));
    onClose();
  };

  return (
    <Sheet
      title="Set-ups"
      onClose={onClose}
      footer={
        <>
          <Key
            title="New set-up"
            icon="add"
            onPress={() => go('/kit/setups/new')}
            disabled={kit.bodies.length === 0 || kit.optics.length === 0}
            why="needs a body and a lens in the kit"
          />
          <Key title="Open the kit" icon="backpack" onPress={() => go('/kit')} />
        </>
      }
    >
      {offered.length ? (
        <PartList
          verb="Take"
          lines={offered.map((row) => ({
            id: row.id,
            name: row.data.name,
            // Named after its parts, its name says it already.
            brief: row.data.namedAfterParts ? '' : briefly(() => setupBrief(row.data, kit)),
            chosen: row.id === chosen?.id,
          }))}
          onPress={(id) => {
            chooseSetup(id);
            onClose();
          }}
          onEdit={(id) => go(`/kit/setups/${id}`)}
        />
      ) : (
        <Txt tone="soft">No set-up yet. Close this, and the page behind it leads to one in a few taps.</Txt>
      )}
      {heavier ? (
        <Txt kind="small" tone="soft" role="status">
          {heavier === 1 ? 'One set-up is heavier than that.' : `${heavier} set-ups are heavier than that.`}
        </Txt>
      ) : null}
      {present.length > 1 ? <CarryingChoice /> : null}
      {chosen ? (
        <Group title="Take it to another place" brief={chosen.data.name} startsOpen={false}>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
            {PLACES.filter((each) => each !== place).map((each) => (
              <Key
                key={each}
                title={PLACE_NAMES[each]}
                icon="arrow-forward"
                onPress={() => {
                  takeTo(each, chosen.id);
                  go(PLACE_PATHS[each]);
                }}
              />
            ))}
          </View>
        </Group>
      ) : null}
      <Group title="Add a body" brief="two taps" startsOpen={kit.setups.length === 0}>
        <NewBody onMake={makeBody} />
      </Group>
      {kit.setups.length === 0 && kit.bodies.length > 0 ? (
        <View style={{ gap: space.small }}>
          <Txt kind="small" tone="soft">
            {kit.bodies.length === 1 ? 'One body is' : `${kit.bodies.length} bodies are`} in the kit. A lens makes the
            first set-up.
          </Txt>
          <Key title="Add a lens" icon="add" onPress={() => go('/kit/optics/new?kind=lens')} />
        </View>
      ) : null}
    </Sheet>
  );
}
