import { createContext, useContext, useMemo, type ReactNode } from 'react';
import type { Kit } from './situation';
import { useRows } from './useRows';

/** The whole kit with subjects and outputs, and how far its loading is. */
export interface KitState {
  kit: Kit;
  loading: boolean;
  failed: boolean;
  retry: () => void;
}

const KitContext = createContext<KitState | null>(null);

/** Loads the kit once for everything below it; it is read in many places on every step of a drag. */
export function KitProvider({ children }: { children: ReactNode }) {
  const bodies = useRows('bodies');
  const optics = useRows('optics');
  const adapters = useRows('adapters');
  const setups = useRows('setups');
  const subjects = useRows('subjects');
  const outputs = useRows('outputs');
  const ratios = useRows('ratios');
  const all = [bodies, optics, adapters, setups, subjects, outputs, ratios];
  const loading = all.some((rows) => rows.loading);
  const failed = all.some((rows) => rows.failed);
  const state = useMemo(
    () => ({
      kit: {
        bodies: bodies.rows,
        optics: optics.rows,
        adapters: adapters.rows,
        setups: setups.rows,
        subjects: subjects.rows,
        outputs: outputs.rows,
        ratios: ratios.rows,
      },
      loading,
      failed,
      retry: () => all.forEach((rows) => rows.retry()),
    }),
    // The rows stand for all that `retry` closes over.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [bodies.rows, optics.rows, adapters.rows, setups.rows, subjects.rows, outputs.rows, ratios.rows, loading, failed],
  );
  return <KitContext.Provider value={state}>{children}</KitContext.Provider>;
}

export function useKit(): KitState {
  const state = useContext(KitContext);
  if (!state) throw new Error('useKit needs a KitProvider above it');
  return state;
}
