import type { ReactNode } from 'react';
import { ScrollView } from 'react-native';
import { Page } from '@/ui/Page';
import { Txt } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';

interface Props {
  title: string;
  up: '/far' | '/near' | '/sky';
  keys?: ReactNode;
  /** What the page says while it has nothing to show. */
  waiting: string | null;
  /** Whether what it shows takes the whole page and scrolls by itself. */
  fills?: boolean;
  children: () => ReactNode;
}

/** A page below a desk: what it shows, or why not. */
export function DeskPage({ title, up, keys, waiting, fills = false, children }: Props) {
  const styles = useStyles();
  return (
    <Page title={title} up={up} keys={keys}>
      {fills && waiting === null ? (
        children()
      ) : (
        <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
          {waiting === null ? (
            children()
          ) : (
            <Txt tone="soft" role="status">
              {waiting}
            </Txt>
          )}
        </ScrollView>
      )}
    </Page>
  );
}

const useStyles = stylesOf(() => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 860, marginHorizontal: 'auto' },
}));
