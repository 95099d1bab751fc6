import { memo } from 'react';
import { View } from 'react-native';
import type { Quantity } from '@/core/quantity/quantity';
import { storedPatch } from '@/data/chainLinks';
import { useInHand } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { Txt } from '@/ui/Txt';
import { LeverHead } from '@/ui/levers/LeverHead';
import { LeverRow } from '@/ui/levers/LeverRow';
import { leverText } from './leverText';
import { useLevers } from './useLevers';

/** Levers: what could be changed, each with its gain and its price. A tap tries one, a second tap takes it back. */
export const LeverList = memo(function LeverList({ onWhy }: { onWhy: (gain: Quantity) => void }) {
  const { levers, pending, situation } = useLevers();
  const trials = useInHand((state) => state.trials);
  const units = usePreferences((state) => state.units);
  const adoptTrials = useInHand((state) => state.adoptTrials);
  return (
    <View>
      <LeverHead trying={Object.keys(trials).length > 0} onAdopt={adoptTrials} />
      {levers.length === 0 && !pending ? (
        <Txt tone="soft">Nothing else to try: add set-ups, converters or crop modes to the kit.</Txt>
      ) : null}
      {situation
        ? levers.map((lever) => (
            <LeverRow
              key={lever.id}
              icon={ICONS[lever.kind]}
              text={leverText(lever, situation.subject, situation.distanceM, units)}
              verdict={lever.verdictAfter}
              output={situation.output.name}
              on={trials[lever.kind]?.leverId === lever.id}
              pressing={JSON.stringify(lever.patch)}
              onPress={() =>
                useInHand.now().toggleTrial(lever.kind, { leverId: lever.id, patch: storedPatch(lever.patch) })
              }
              onWhy={() => onWhy(lever.gain)}
              testID={`lever-${lever.kind}`}
            />
          ))
        : null}
    </View>
  );
});

const ICONS = {
  distance: 'straighten',
  focal: 'zoom-in',
  chain: 'add-circle-outline',
  mode: 'crop',
  setup: 'photo-camera',
} as const;
