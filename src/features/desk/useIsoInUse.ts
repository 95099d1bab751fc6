import { useMemo } from 'react';
import { ownIso } from '@/core/learned/ownSchools';
import { isoInUse } from '@/core/noise/isoInUse';
import { pixelsPerOutputPixel } from '@/core/noise/signalToNoise';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import type { OutputSpec } from '@/core/output/needs';
import { useOwn } from '@/data/own/learned';
import { usePreferences } from '@/data/preferences';

/** The highest ISO that passes with the whole frame on the output, by the school chosen; nothing where none is that clean. */
export function useIsoInUse(system: EffectiveSystem | null, output: OutputSpec) {
  const own = useOwn();
  const by = usePreferences((state) => state.isoBy);
  return useMemo(() => {
    if (!system) return null;
    const { body, used } = system;
    return { isoInUse: isoInUse(body, pixelsPerOutputPixel(used, output), ownIso(own, body.name), by) ?? undefined };
  }, [system, output, own, by]);
}
