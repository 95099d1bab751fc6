import type { ReactNode } from 'react';
import { UnderTabs } from '@/ui/PlaceTabs';

const TABS = [
  { href: '/sky', name: 'Stars' },
  { href: '/sky/planets', name: 'Planets' },
  { href: '/sky/deep', name: 'Deep sky' },
  { href: '/sky/night', name: 'Night' },
] as const;

export type SkyTab = (typeof TABS)[number]['href'];

/** A desk of the sky with the way to the other three. */
export const UnderSkyTabs = ({ here, children }: { here: SkyTab; children: ReactNode }) => (
  <UnderTabs label="Desks of the sky" tabs={TABS} here={here}>
    {children}
  </UnderTabs>
);
