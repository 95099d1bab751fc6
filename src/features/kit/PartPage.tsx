import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { isPartResource } from '@/data/whereUsed';
import { Beside } from '@/ui/Beside';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { NewBodyPage } from './NewBodyPage';
import { NewPartPage } from './NewPartPage';
import { Page } from '@/ui/Page';
import KitList from './KitList';
import { PartCard } from './PartCard';
import { SetupPage } from './SetupPage';

/** The page of whatever an address of the kit names. */
export default function PartPage({ resource, id, kind }: { resource: string; id: string; kind: string | undefined }) {
  const router = useRouter();
  if (resource === 'setups') return <SetupPage key={id} id={id} />;
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
  if (id === 'new') return <NewPartPage key={kind ?? ''} resource={resource} kind={kind} />;
  return (
    <Beside
      main="open"
      list={<KitList openId={id} onOpen={(item) => router.setParams({ resource: item.resource, id: item.id })} />}
      open={<PartCard key={id} resource={resource} id={id} />}
    />
  );
}
