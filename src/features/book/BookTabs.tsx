import type { ReactNode } from 'react';
import { UnderTabs } from '@/ui/PlaceTabs';

const TABS = [
  { href: '/book', name: 'Kept' },
  { href: '/book/outings', name: 'Outings' },
  { href: '/book/says', name: 'What it says' },
  { href: '/book/eye', name: 'The eye' },
  { href: '/book/seek', name: 'Seek' },
] as const;

export type BookTab = (typeof TABS)[number]['href'];

/** A page of the Book with the way to its others. */
export const UnderBookTabs = ({ here, children }: { here: BookTab; children: ReactNode }) => (
  <UnderTabs label="Pages of the Book" tabs={TABS} here={here}>
    {children}
  </UnderTabs>
);
