import type { ReactNode } from 'react';
import { View } from 'react-native';
import { useSheets } from '@/data/sheets';
import { DeskMessage } from '@/ui/DeskFrame';
import { Key } from '@/ui/controls/Key';
import { SkyTabs, type SkyTab } from './SkyTabs';
import { useSkyDesk, type SkyDesk } from './useSkyDesk';

type Ready = Extract<SkyDesk, { status: 'ready' }>;

/** A Sky desk below its tabs, or what is missing and the way on. */
export function SkyDeskGate({ here, children }: { here: SkyTab; children: (desk: Ready) => ReactNode }) {
  const desk = useSkyDesk();
  return (
    <View style={{ flex: 1 }}>
      <SkyTabs here={here} />
      {desk.status === 'ready' ? children(desk) : <Message desk={desk} />}
    </View>
  );
}

function Message({ desk }: { desk: Exclude<SkyDesk, Ready> }) {
  const open = useSheets((state) => state.open);
  if (desk.status === 'loading') return <DeskMessage text="Reading the kit …" />;
  if (desk.status === 'failed') {
    return (
      <DeskMessage text="The server cannot be reached, so there is no kit to read. Start it again, then try again.">
        <Key title="Try again" weight="strong" onPress={desk.retry} />
      </DeskMessage>
    );
  }
  const needsSubject = desk.status === 'missing' && (desk.missing === 'subject' || desk.missing === 'output');
  const text =
    desk.status === 'problem'
      ? desk.problem.message
      : needsSubject
        ? 'Nothing says what the picture is for. Choose an output on the subject’s sheet.'
        : 'No set-up to read. Choose a body and a lens, and the reading starts.';
  return (
    <DeskMessage text={text}>
      <Key
        title={needsSubject ? 'Choose an output' : 'Choose a set-up'}
        weight="strong"
        onPress={() => open(needsSubject ? 'subject' : 'setup')}
      />
    </DeskMessage>
  );
}
