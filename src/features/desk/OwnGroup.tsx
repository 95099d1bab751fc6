import { Suspense, type ComponentProps } from 'react';
import { lazyPart } from '@/ui/lazyPart';
import type OwnSaidType from './OwnSaid';

const OwnSaid = lazyPart(() => import('./OwnSaid'));

/** What one's own pictures say of what is in hand; fetched later, as nothing waits for it. */
export const OwnGroup = (props: ComponentProps<typeof OwnSaidType>) => (
  <Suspense fallback={null}>
    <OwnSaid {...props} />
  </Suspense>
);
