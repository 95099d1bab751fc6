import { createContext, useContext, useMemo, type ReactNode } from 'react';

/** What holds for every table of a page, such as subject and distance, by its head. */
export type TableFacts = Readonly<Record<string, string>>;

const Around = createContext<TableFacts>({});

/** Says what holds for all tables within: a column each in their files. Nested ones add to it. */
export function TableFactsOf({ facts, children }: { facts: TableFacts; children: ReactNode }) {
  const around = useContext(Around);
  const all = useMemo(() => ({ ...around, ...facts }), [around, facts]);
  return <Around.Provider value={all}>{children}</Around.Provider>;
}

/** What holds for all tables here. */
export const useTableFacts = (): TableFacts => useContext(Around);
