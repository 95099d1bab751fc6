import { ScrollView } from 'react-native';
import type { PartKind } from '@/core/chain/parts';
import { PART_WORDS } from '@/core/kit/words';
import { useKit } from '@/data/useKit';
import type { PartResource } from '@/data/whereUsed';
import { space } from '@/ui/theme/measures';
import { Page } from '@/ui/Page';
import { PartEditor } from './PartEditor';
import { useGo } from './useGo';

const FALLBACK: Record<PartResource, PartKind> = { bodies: 'lens', optics: 'lens', adapters: 'converter' };

/** The form of a new optic or adapter. */
export function NewPartPage({ resource, kind }: { resource: PartResource; kind: string | undefined }) {
  const go = useGo();
  // The first lens makes the first set-up: the desk has something to read then.
  const next = useKit().kit.setups.length === 0 ? '/far' : '/kit';
  const known = kind !== undefined && kind in PART_WORDS ? (kind as PartKind) : FALLBACK[resource];
  return (
    <Page title={`New ${PART_WORDS[known].name.toLowerCase()}`} up="/kit">
      <ScrollView
        contentContainerStyle={{ padding: space.page, width: '100%', maxWidth: 860, marginHorizontal: 'auto' }}
      >
        <PartEditor resource={resource} row={null} kind={known} onSaved={() => go(next)} onGone={() => go('/kit')} />
      </ScrollView>
    </Page>
  );
}
