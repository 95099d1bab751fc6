import { memo, useState } from 'react';
import { View } from 'react-native';
import { suitsSubject } from '@/core/far/suitsSubject';
import type { Quantity } from '@/core/quantity/quantity';
import { usePreferences } from '@/data/preferences';
import { Key } from '@/ui/controls/Key';
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
  const [all, setAll] = useState(false);
  const offered = all ? levers : levers.filter(suitsSubject);
  const others = levers.length - offered.length;
  const units = usePreferences((state) => state.units);
  const shown = situation
    ? offered.map((lever): ShownLever => ({
        ...lever,
        icon: ICONS[lever.kind],
        text: leverText(lever, situation.subject, situation.distanceM, units),
        verdict: lever.verdictAfter,
        trial: lever.kind,
        testID: `lever-${lever.kind}`,
      }))
    : [];
  return (
    <View>
      <LeverList levers={shown} none={pending ? null : NONE} output={situation?.output.name ?? ''} onWhy={onWhy} />
      {others > 0 ? (
        <Key
          title={`${others} more ${others === 1 ? 'set-up' : 'set-ups'}, not for this subject`}
          weight="plain"
          icon="expand-more"
          onPress={() => setAll(true)}
        />
      ) : null}
    </View>
  );
});
