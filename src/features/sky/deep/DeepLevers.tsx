import { memo, useMemo } from 'react';
import { deepLevers } from '@/core/sky/deepLevers';
import { suitsObject } from '@/core/sky/suitsObject';
import type { Quantity } from '@/core/quantity/quantity';
import type { IconName } from '@/ui/controls/Key';
import { LeverList } from '../../desk/LeverList';
import type { ReadySky } from '../useSkyDesk';
import { deepLeverText } from './deepWords';
import type { DeepState } from './useDeep';

const ICONS: Record<'chain' | 'mode' | 'setup', IconName> = {
  chain: 'add-circle-outline',
  mode: 'crop',
  setup: 'photo-camera',
};

interface Props {
  base: ReadySky['base'];
  asked: DeepState['asked'];
  onWhy: (gain: Quantity) => void;
}

/** The other set-ups, parts and modes on the same object. */
export const DeepLevers = memo(function DeepLevers({ base: { situation }, asked, onWhy }: Props) {
  const { setup, convention, kit } = situation;
  const key = JSON.stringify(asked);
  const levers = useMemo(
    () => deepLevers({ ...asked, setup, convention, kit }),
    // `key` holds all that is asked.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [key, setup, convention, kit],
  );
  return (
    <LeverList
      levers={levers.map((lever) => ({
        id: lever.id,
        kind: lever.kind,
        icon: lever.removes && lever.kind === 'chain' ? 'remove-circle-outline' : ICONS[lever.kind],
        text: deepLeverText(lever),
        verdict: lever.panels === 1 ? 'enough' : 'doesNotFit',
        suits: suitsObject(lever),
        gain: lever.gain,
        patch: lever.patch,
        trial: lever.kind,
        testID: `deep-lever-${lever.kind}`,
      }))}
      none="The kit has nothing else that reaches the stars."
      output="the object"
      onWhy={onWhy}
    />
  );
});
