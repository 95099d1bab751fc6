import type { ReactNode } from 'react';
import { ScrollView } from 'react-native';
import type { NearReading } from '@/core/near/readNear';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import type { Kit, Situation } from '@/data/situation';
import { Page } from '@/ui/Page';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { useNearDesk, type NearWays } from '../useNearDesk';

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
  children: (parts: NearPageParts) => ReactNode;
}

/** A page below the Near desk, with what is in hand, or what is missing. */
export function NearPage({ title, keys, worksWithout = false, children }: Props) {
  const styles = useStyles();
  const desk = useNearDesk();
  const ready = desk.status === 'ready' && desk.now.system && (worksWithout || desk.now.reading) ? desk : null;
  return (
    <Page title={title} up="/near" keys={keys}>
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        {ready?.now.system ? (
          children({
            situation: ready.now.situation,
            system: ready.now.system,
            reading: ready.now.reading,
            kit: ready.kit,
            ways: ready.ways,
          })
        ) : (
          <Txt tone="soft" role="status">
            {desk.status === 'loading'
              ? 'Opening …'
              : desk.status === 'ready'
                ? desk.now.problem?.message
                : 'Take a set-up and a subject in hand first.'}
          </Txt>
        )}
      </ScrollView>
    </Page>
  );
}

const useStyles = stylesOf(() => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 860, marginHorizontal: 'auto' },
}));
