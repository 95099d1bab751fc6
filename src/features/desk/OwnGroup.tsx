import { Suspense, type ComponentProps } from 'react';
import { NOTHING_LEARNED } from '@/core/learned/own';
import { useOwn } from '@/data/own/learned';
import { lazyPart } from '@/ui/lazyPart';
import type OwnSaidType from './OwnSaid';

const OwnSaid = lazyPart(() => import('./OwnSaid'));

/** What one's own pictures say of what is in hand; fetched once they say anything, as nothing waits for it. */
export function OwnGroup(props: ComponentProps<typeof OwnSaidType>) {
  const own = useOwn();
  if (own === NOTHING_LEARNED) return null;
  return (
    <Suspense fallback={null}>
      <OwnSaid {...props} />
    </Suspense>
  );
}
