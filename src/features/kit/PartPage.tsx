import { View } from 'react-native';
import { isPartResource } from '@/data/whereUsed';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { NewBodyPage } from './NewBodyPage';
import { NewPartPage } from './NewPartPage';
import { Page } from '@/ui/Page';
import { PartCard } from './PartCard';
import { SetupPage } from './SetupPage';

/** The page of whatever an address of the kit names. */
export default function PartPage({ resource, id, kind }: { resource: string; id: string; kind: string | undefined }) {
  if (resource === 'setups') return <SetupPage id={id} />;
  if (!isPartResource(resource)) {
    return (
      <Page title="Not in the kit" up="/kit">
        <View style={{ padding: space.wide }}>
          <Txt>There is no such shelf in the kit. The address may be mistyped.</Txt>
        </View>
      </Page>
    );
  }
  if (id === 'new' && resource === 'bodies') return <NewBodyPage />;
  return id === 'new' ? <NewPartPage resource={resource} kind={kind} /> : <PartCard resource={resource} id={id} />;
}
