import { ScrollView } from 'react-native';
import useSWR from 'swr';
import { api } from '@/data/api';
import { Page } from '@/ui/Page';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { OnThisDevice } from '../bring/OnThisDevice';
import { AtComputer } from './AtComputer';
import { OnDevice } from './OnDevice';
import { Block } from './blocks';

/** How Jauge comes onto a phone, and how far this device can do without the computer. */
export default function AlongPage() {
  return (
    <Page title="Take it along" up="/kit">
      <ScrollView
        contentContainerStyle={{
          padding: space.page,
          gap: space.wide,
          width: '100%',
          maxWidth: 1060,
          marginHorizontal: 'auto',
        }}
      >
        <Along />
      </ScrollView>
    </Page>
  );
}

function Along() {
  const { data, error } = useSWR('lan', api.lan.standing, { refreshInterval: 30_000 });
  if (data?.here === 'device') return <OnDevice standing={data} />;
  if (data) return <AtComputer standing={data} />;
  return (
    <Block title="On this device">
      <OnThisDevice />
      <Txt tone="soft" role="status">
        {error ? 'The computer cannot be reached from here. At home this page shows how a phone comes in.' : 'Asking …'}
      </Txt>
    </Block>
  );
}
