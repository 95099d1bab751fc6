import type { ReactNode } from 'react';
import type { NearReading } from '@/core/near/readNear';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { usePreferences } from '@/data/preferences';
import type { Kit, Situation } from '@/data/situation';
import { waitingText } from '../../desk/DeskGate';
import { DeskPage } from '../../desk/DeskPage';
import { TableFactsOf } from '@/ui/take/tableFacts';
import { deskFacts } from '../../desk/deskFacts';
import { NearWaysHost, useNearWays, type NearWays } from '../NearWays';
import { useNearDesk } from '../useNearDesk';

/** What a page below the Near desk is drawn from. */
export interface NearPageParts {
  situation: Situation;
  system: EffectiveSystem;
  /** Absent where the ratio is not known. */
  reading: NearReading | null;
  kit: Kit;
  ways: NearWays;
}

interface Props {
  title: string;
  keys?: ReactNode;
  /** Whether the page says anything without a reading. */
  worksWithout?: boolean;
  /** Whether what it shows takes the whole page and scrolls by itself. */
  fills?: boolean;
  children: (parts: NearPageParts) => ReactNode;
}

/** A page below the Near desk, with what is in hand, or what is missing. */
export function NearPage(props: Props) {
  return (
    <NearWaysHost>
      <Page {...props} />
    </NearWaysHost>
  );
}

function Page({ title, keys, worksWithout = false, fills = false, children }: Props) {
  const desk = useNearDesk();
  const ways = useNearWays();
  const units = usePreferences((state) => state.units);
  const ready = desk.status === 'ready' ? desk : null;
  const system = ready && (worksWithout || ready.now.reading) ? ready.now.system : null;
  const waiting = desk.status === 'ready' ? (desk.now.problem?.message ?? null) : waitingText(desk);
  return (
    <DeskPage title={title} up="/near" keys={keys} fills={fills} waiting={system ? null : (waiting ?? 'Opening …')}>
      {() =>
        ready && system ? (
          <TableFactsOf facts={deskFacts('near', ready.now.situation, units)}>
            {children({ situation: ready.now.situation, system, reading: ready.now.reading, kit: ready.kit, ways })}
          </TableFactsOf>
        ) : null
      }
    </DeskPage>
  );
}
