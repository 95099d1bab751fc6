import { create } from 'zustand';
import type { KitFilter, KitSort } from './kitItems';

/** How the list of the kit stands, kept while the tab is open: it stays beside the cards one goes through. */
interface KitListState {
  sought: string;
  filter: KitFilter;
  sort: KitSort;
  /** Ticked to be compared. */
  ticked: string[];
  set: (change: Partial<Pick<KitListState, 'sought' | 'filter' | 'sort' | 'ticked'>>) => void;
}

export const useKitList = create<KitListState>()((set) => ({
  sought: '',
  filter: 'all',
  sort: 'name',
  ticked: [],
  set: (change) => set(change),
}));
