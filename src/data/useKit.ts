import { useMemo } from 'react';
import type { Kit } from './situation';
import { useRows } from './useRows';

/** The whole kit with subjects and outputs, and how far its loading is. */
export interface KitState {
  kit: Kit;
  loading: boolean;
  failed: boolean;
  retry: () => void;
}

export function useKit(): KitState {
  const bodies = useRows('bodies');
  const optics = useRows('optics');
  const adapters = useRows('adapters');
  const setups = useRows('setups');
  const subjects = useRows('subjects');
  const outputs = useRows('outputs');
  const all = [bodies, optics, adapters, setups, subjects, outputs];
  const kit = useMemo(
    () => ({ bodies: bodies.rows, optics: optics.rows, adapters: adapters.rows, setups: setups.rows, subjects: subjects.rows, outputs: outputs.rows }),
    [bodies.rows, optics.rows, adapters.rows, setups.rows, subjects.rows, outputs.rows],
  );
  return {
    kit,
    loading: all.some((rows) => rows.loading),
    failed: all.some((rows) => rows.failed),
    retry: () => all.forEach((rows) => rows.retry()),
  };
}
