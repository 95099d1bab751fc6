import { View } from 'react-native';
import type { Setup } from '@/contract/schemas/setup';
import { useInHand } from '@/data/inHand';
import { createRow, removeRow, replaceRow } from '@/data/rowActions';
import { useKit } from '@/data/useKit';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { Page } from '@/ui/Page';
import { SetupBuilder } from './builder/SetupBuilder';
import { useGo } from './useGo';

/** A copy has a name of its own, which its parts do not change. */
const copyOf = ({ namedAfterParts: _, ...setup }: Setup): Setup => ({
  ...setup,
  name: `${setup.name} (copy)`.slice(0, 120),
});

/** The builder on a page of its own; saving takes the set-up in hand and goes back to the desk. */
export function SetupPage({ id }: { id: string }) {
  const { kit, loading } = useKit();
  const go = useGo();
  const chooseSetup = useInHand((state) => state.chooseSetup);
  const row = kit.setups.find((each) => each.id === id) ?? null;
  const missing = id !== 'new' && !row;
  if (missing || (loading && id === 'new')) {
    return (
      <Page title={loading ? 'Opening …' : 'Not in the kit'} up="/kit">
        <View style={{ padding: space.wide }} role="status">
          {loading ? null : <Txt>There is no such set-up; it may have been deleted.</Txt>}
        </View>
      </Page>
    );
  }
  const taken = (setupId: string) => {
    chooseSetup(setupId);
    go('/far');
  };
  return (
    <Page title={row ? row.data.name : 'New set-up'} up="/far">
      <SetupBuilder
        key={id}
        kit={kit}
        row={row}
        onSave={(setup) => {
          if (row) replaceRow('setups', row, setup);
          taken(row ? row.id : createRow('setups', setup));
        }}
        {...(row
          ? {
              onDuplicate: (setup) => taken(createRow('setups', copyOf(setup))),
              onDelete: () => {
                removeRow('setups', row, row.data.name);
                go('/kit');
              },
            }
          : {})}
      />
    </Page>
  );
}
