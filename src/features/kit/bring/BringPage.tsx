import { ScrollView, View } from 'react-native';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { Page } from '@/ui/Page';
import { Key } from '@/ui/controls/Key';
import { useGo } from '../useGo';
import { Backups } from './Backups';
import { EmptyKit } from './EmptyKit';
import { FromFile } from './FromFile';
import { FromPhoto } from './FromPhoto';
import { OnThisDevice } from './OnThisDevice';
import { TakeOut } from './TakeOut';

/** What comes into the kit from pictures and files, and what goes out of it. */
export default function BringPage() {
  const go = useGo();
  return (
    <Page title="In and out" up="/kit">
      <ScrollView
        contentContainerStyle={{
          padding: space.page,
          gap: space.wide,
          width: '100%',
          maxWidth: 760,
          marginHorizontal: 'auto',
        }}
      >
        <Part title="On this device">
          <OnThisDevice />
          <Key title="Take it along" icon="phone-iphone" onPress={() => go('/kit/along')} />
        </Part>
        <Part title="From a photo">
          <FromPhoto />
        </Part>
        <Part title="From a file">
          <FromFile />
        </Part>
        <Part title="Take out">
          <TakeOut />
        </Part>
        <Part title="Start anew">
          <EmptyKit />
        </Part>
        <Part title="Backups">
          <Backups />
        </Part>
      </ScrollView>
    </Page>
  );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <View style={{ gap: space.medium }}>
      <Txt kind="title" level={2}>
        {title}
      </Txt>
      {children}
    </View>
  );
}
