import type { ReactNode } from 'react';
import { useDemoEvening } from '@/data/demoEvening';
import { useSheets } from '@/data/sheets';
import { DeskMessage } from '@/ui/DeskFrame';
import { Key } from '@/ui/controls/Key';
import { DeskGate } from '../desk/DeskGate';
import { TableFactsOf } from '@/ui/take/tableFacts';
import { deskFacts } from '../desk/deskFacts';
import { UnderSkyTabs, type SkyTab } from './SkyTabs';
import { useSkyDesk, type SkyDesk } from './useSkyDesk';

type Ready = Extract<SkyDesk, { status: 'ready' }>;

/** A Sky desk below its tabs, or what is missing and the way on. */
export function SkyDeskGate({ here, children }: { here: SkyTab; children: (desk: Ready) => ReactNode }) {
  const desk = useSkyDesk();
  useDemoEvening();
  return (
    <UnderSkyTabs here={here}>
      {desk.status === 'ready' ? (
        <TableFactsOf facts={deskFacts('sky', desk.situation, 'metric')}>{children(desk)}</TableFactsOf>
      ) : (
        <Message desk={desk} />
      )}
    </UnderSkyTabs>
  );
}

function Message({ desk }: { desk: Exclude<SkyDesk, Ready> }) {
  const open = useSheets((state) => state.open);
  if (desk.status !== 'problem') return <DeskGate desk={desk} />;
  return (
    <DeskMessage text={desk.problem.message}>
      <Key title="Choose a set-up" weight="strong" onPress={() => open('setup')} />
    </DeskMessage>
  );
}
