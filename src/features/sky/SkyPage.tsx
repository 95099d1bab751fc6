import type { ReactNode } from 'react';
import { ScrollView } from 'react-native';
import { Page } from '@/ui/Page';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { useSkyDesk, type SkyDesk } from './useSkyDesk';

interface Props {
  title: string;
  children: (desk: Extract<SkyDesk, { status: 'ready' }>) => ReactNode;
}

/** A page below a Sky desk, with what is in hand, or what is missing. */
export function SkyPage({ title, children }: Props) {
  const styles = useStyles();
  const desk = useSkyDesk();
  return (
    <Page title={title} up="/sky">
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        {desk.status === 'ready' ? (
          children(desk)
        ) : (
          <Txt tone="soft" role="status">
            {desk.status === 'loading'
              ? 'Opening …'
              : desk.status === 'problem'
                ? desk.problem.message
                : 'Take a set-up in hand first.'}
          </Txt>
        )}
      </ScrollView>
    </Page>
  );
}

const useStyles = stylesOf(() => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 860, marginHorizontal: 'auto' },
}));
