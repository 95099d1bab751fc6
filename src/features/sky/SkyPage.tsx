import type { ReactNode } from 'react';
import { waitingText } from '../desk/DeskGate';
import { DeskPage } from '../desk/DeskPage';
import { TableFactsOf } from '@/ui/take/tableFacts';
import { deskFacts } from '../desk/deskFacts';
import { useSkyDesk, type SkyDesk } from './useSkyDesk';

interface Props {
  title: string;
  children: (desk: Extract<SkyDesk, { status: 'ready' }>) => ReactNode;
}

/** A page below a Sky desk, with what is in hand, or what is missing. */
export function SkyPage({ title, children }: Props) {
  const desk = useSkyDesk();
  if (desk.status === 'ready')
    return (
      <DeskPage title={title} up="/sky" waiting={null}>
        {() => <TableFactsOf facts={deskFacts('sky', desk.situation, 'metric')}>{children(desk)}</TableFactsOf>}
      </DeskPage>
    );
  const waiting = desk.status === 'problem' ? desk.problem.message : waitingText(desk);
  return (
    <DeskPage title={title} up="/sky" waiting={waiting}>
      {() => null}
    </DeskPage>
  );
}
