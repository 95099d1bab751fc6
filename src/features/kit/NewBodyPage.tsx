import { ScrollView } from 'react-native';
import { createRow } from '@/data/rowActions';
import { Page } from '@/ui/Page';
import { space } from '@/ui/theme/measures';
import { NewBody } from './NewBody';
import { useGo } from './useGo';

/** A new body: two taps, then its own page. */
export function NewBodyPage() {
  const go = useGo();
  return (
    <Page title="New body" up="/kit">
      <ScrollView
        contentContainerStyle={{ padding: space.page, width: '100%', maxWidth: 860, marginHorizontal: 'auto' }}
      >
        <NewBody onMake={(body) => go(`/kit/bodies/${createRow('bodies', body)}`)} />
      </ScrollView>
    </Page>
  );
}
