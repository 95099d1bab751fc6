import { memo } from 'react';
import { suitsClose } from '@/core/near/suitsClose';
import type { Quantity } from '@/core/quantity/quantity';
import { usePreferences } from '@/data/preferences';
import { LeverList, type ShownLever } from '../desk/LeverList';
import { nearLeverText } from './nearLeverText';
import { useNearLevers, type NearLevers } from './useNearLevers';

const ICONS = {
  ratio: 'center-focus-strong',
  aperture: 'camera',
  chain: 'add-circle-outline',
  mode: 'crop',
  setup: 'photo-camera',
} as const;
const NONE = 'Nothing else to try: add tubes or close-up lenses to the kit.';

/** Levers close up: focus, f-number, tubes, close-up lenses, converters, modes, other set-ups. */
export const NearLeverList = memo(function NearLeverList({ onWhy }: { onWhy: (gain: Quantity) => void }) {
  return <Shown found={useNearLevers()} onWhy={onWhy} />;
});

/** The list, drawn again only when it was reckoned anew. */
const Shown = memo(function Shown({ found, onWhy }: { found: NearLevers; onWhy: (gain: Quantity) => void }) {
  const { levers, situation, pending } = found;
  const units = usePreferences((state) => state.units);
  const shown = situation
    ? levers.map((lever): ShownLever => ({
        ...lever,
        icon: lever.removes && lever.kind === 'chain' ? 'remove-circle-outline' : ICONS[lever.kind],
        text: nearLeverText(lever, units),
        verdict: lever.verdictAfter,
        suits: suitsClose(lever),
        trial: lever.kind,
        testID: `lever-${lever.kind}`,
      }))
    : [];
  return <LeverList levers={shown} none={pending ? null : NONE} output={situation?.output.name ?? ''} onWhy={onWhy} />;
});
