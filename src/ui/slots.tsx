import { createContext, useContext, type ReactNode } from 'react';

/** What is shown at the places of a layout, by name. */
type Filling = Readonly<Record<string, ReactNode>>;

const FillingContext = createContext<Filling>({});

/**
 * Gives a layout its contents. Put a layout that never changes below it, with a `Slot` at every place: what changes is then
 * drawn anew alone, and not the scrolls and boxes around it. A drag changes some contents with every frame, and no layout.
 */
export function Filled({ slots, children }: { slots: Filling; children: ReactNode }) {
  return <FillingContext.Provider value={slots}>{children}</FillingContext.Provider>;
}

/** The place of one content in the layout next above. */
export function Slot({ name }: { name: string }) {
  return useContext(FillingContext)[name] ?? null;
}
