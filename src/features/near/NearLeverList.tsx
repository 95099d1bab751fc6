import { memo } from 'react';
import { View } from 'react-native';
import type { Quantity } from '@/core/quantity/quantity';
import { storedPatch } from '@/data/chainLinks';
import { useInHand } from '@/data/inHand';
import { usePreferences } from '@/data/preferences';
import { Txt } from '@/ui/Txt';
import { LeverHead } from '@/ui/levers/LeverHead';
import { LeverRow } from '@/ui/levers/LeverRow';
import { nearLeverText } from './nearLeverText';
import { useNearLevers } from './useNearLevers';

const ICONS = {
  ratio: 'center-focus-strong',
  aperture: 'camera',
  chain: 'add-circle-outline',
  mode: 'crop',
  setup: 'photo-camera',
} as const;

/** Levers close up: focus, f-number, tubes, close-up lenses, converters, modes, other set-ups. */
export const NearLeverList = memo(function NearLeverList({ onWhy }: { onWhy: (gain: Quantity) => void }) {
  const { levers, situation, pending } = useNearLevers();
  const trials = useInHand((state) => state.trials);
  const units = usePreferences((state) => state.units);
  const adoptTrials = useInHand((state) => state.adoptTrials);
  return (
    <View>
      <LeverHead trying={Object.keys(trials).length > 0} onAdopt={adoptTrials} />
      {levers.length === 0 && !pending ? (
        <Txt tone="soft">Nothing else to try: add tubes or close-up lenses to the kit.</Txt>
      ) : null}
      {situation
        ? levers.map((lever) => (
            <LeverRow
              key={lever.id}
              icon={lever.removes && lever.kind === 'chain' ? 'remove-circle-outline' : ICONS[lever.kind]}
              text={nearLeverText(lever, units)}
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
