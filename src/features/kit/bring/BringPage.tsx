import { ScrollView } from 'react-native';
import { space } from '@/ui/theme/measures';
import { Page } from '@/ui/Page';
import { Key } from '@/ui/controls/Key';
import { Block } from '../along/blocks';
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
        <Block title="On this device">
          <OnThisDevice />
          <Key title="Take it along" icon="phone-iphone" onPress={() => go('/kit/along')} />
        </Block>
        <Block title="From a photo">
          <FromPhoto />
        </Block>
        <Block title="From a file">
          <FromFile />
        </Block>
        <Block title="Take out">
          <TakeOut />
        </Block>
        <Block title="Start anew">
          <EmptyKit />
        </Block>
        <Block title="Backups">
          <Backups />
        </Block>
      </ScrollView>
    </Page>
  );
}
