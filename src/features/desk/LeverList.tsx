import { useState } from 'react';
import { View } from 'react-native';
import type { Patch } from '@/core/levers/candidates';
import type { Quantity } from '@/core/quantity/quantity';
import { storedPatch } from '@/data/chainLinks';
import type { TrialKind } from '@/data/hand';
import { useInHand } from '@/data/inHand';
import { Key, type IconName } from '@/ui/controls/Key';
import { Txt } from '@/ui/Txt';
import { LeverHead } from '@/ui/levers/LeverHead';
import { LeverRow, type LeverText, type LeverVerdict } from '@/ui/levers/LeverRow';

/** A lever ready to be shown: its words, and what pressing it does where it changes no set-up. */
export interface ShownLever {
  id: string;
  kind: string;
  icon: IconName;
  text: LeverText;
  verdict: LeverVerdict;
  /** False where it is for another purpose: it stands behind a key. */
  suits?: boolean;
  gain: Quantity;
  /** What of the hand it would change, and which trial it is. */
  patch?: Patch;
  trial?: TrialKind;
  /** A lever of something else, such as the pointing. */
  own?: { on: boolean; press: () => void; pressing: string };
  testID: string;
}

interface Props {
  levers: readonly ShownLever[];
  /** What is said when there is none; nothing while they are still reckoned. */
  none: string | null;
  output: string;
  /** Something besides the hand is being tried. */
  tryingElse?: boolean;
  onAdoptElse?: () => void;
  onWhy: (gain: Quantity) => void;
}

/** The levers of a desk: a tap tries one, a second tap takes it back, a key keeps what is tried. */
export function LeverList({ levers, none, output, tryingElse = false, onAdoptElse, onWhy }: Props) {
  const [all, setAll] = useState(false);
  const trials = useInHand((state) => state.trials);
  // What is being tried stays in sight.
  const shown = levers.filter(
    ({ suits = true, trial, id }) => all || suits || (trial && trials[trial]?.leverId === id),
  );
  const others = levers.length - shown.length;
  const adopt = () => {
    useInHand.now().adoptTrials();
    onAdoptElse?.();
  };
  const press = ({ id, own, patch, trial }: ShownLever) => {
    if (own) own.press();
    else if (patch && trial) useInHand.now().toggleTrial(trial, { leverId: id, patch: storedPatch(patch) });
  };
  return (
    <View testID="levers">
      <LeverHead trying={Object.keys(trials).length > 0 || tryingElse} onAdopt={adopt} />
      {levers.length === 0 && none !== null ? <Txt tone="soft">{none}</Txt> : null}
      {shown.map((lever) => (
        <LeverRow
          key={lever.id}
          icon={lever.icon}
          text={lever.text}
          verdict={lever.verdict}
          output={output}
          on={lever.own ? lever.own.on : lever.trial !== undefined && trials[lever.trial]?.leverId === lever.id}
          pressing={lever.own?.pressing ?? JSON.stringify(lever.patch && storedPatch(lever.patch))}
          onPress={() => press(lever)}
          onWhy={() => onWhy(lever.gain)}
          testID={lever.testID}
        />
      ))}
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
}
