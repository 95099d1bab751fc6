import { memo } from 'react';
import { suitsSubject } from '@/core/far/suitsSubject';
import type { Quantity } from '@/core/quantity/quantity';
import { usePreferences } from '@/data/preferences';
import { LeverList, type ShownLever } from '../desk/LeverList';
import { leverText } from './leverText';
import { useLevers } from './useLevers';

const ICONS = {
  distance: 'straighten',
  focal: 'zoom-in',
  chain: 'add-circle-outline',
  mode: 'crop',
  setup: 'photo-camera',
} as const;
const NONE = 'Nothing else to try: add set-ups, converters or crop modes to the kit.';

/** Levers of a distant subject: what could be changed, each with its gain and its price. */
export const FarLeverList = memo(function FarLeverList({ onWhy }: { onWhy: (gain: Quantity) => void }) {
  const { levers, pending, situation } = useLevers();
  const units = usePreferences((state) => state.units);
  const shown = situation
    ? levers.map((lever): ShownLever => ({
        ...lever,
        icon: ICONS[lever.kind],
        text: leverText(lever, situation.subject, situation.distanceM, units),
        verdict: lever.verdictAfter,
        suits: suitsSubject(lever),
        trial: lever.kind,
        testID: `lever-${lever.kind}`,
      }))
    : [];
  return <LeverList levers={shown} none={pending ? null : NONE} output={situation?.output.name ?? ''} onWhy={onWhy} />;
});
