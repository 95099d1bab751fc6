import { useState } from 'react';
import { View } from 'react-native';
import { nounOf } from '@/contract/resources';
import { isConflict, keepMine, keepStored, storedOf, useOutbox, type Refused } from '@/data/outbox';
import { useKit } from '@/data/useKit';
import { whenText } from '@/features/book/whenText';
import { Sheet } from '@/ui/Sheet';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { CheckBox } from '@/ui/rne';
import { space } from '@/ui/theme/measures';
import { BothCopies } from './BothCopies';
import { nameOfChange } from './nameOfChange';

/** What a key does to a refused change. */
type Decide = (refused: Refused) => Promise<void>;

/** The changes the server did not take, one after the other: both copies, and one tap for the one to keep. */
export default function RefusedSheet({ onClose }: { onClose: () => void }) {
  const all = useOutbox((state) => state.refused);
  const [allTheSame, setAllTheSame] = useState(false);
  const refused = all[0];
  if (!refused) return <Done onClose={onClose} />;
  const decide = async (how: Decide) => {
    const those = allTheSame
      ? all.filter((each) => isConflict(each.problem) === isConflict(refused.problem))
      : [refused];
    if (those.length === all.length) onClose();
    for (const each of those) await how(each);
  };
  const title = `${refused.problem.title}: ${nounOf(refused.change.resource)}${nameOfChange(refused.change, refused.problem)}`;
  return (
    <Sheet title={title} onClose={onClose}>
      {all.length > 1 ? (
        <Txt kind="small" tone="soft" role="status">
          {`One of ${all.length} to decide`}
        </Txt>
      ) : null}
      <Copies refused={refused} />
      {all.length > 1 ? (
        <CheckBox
          title={`For all ${all.length} the same`}
          checked={allTheSame}
          onPress={() => setAllTheSame(!allTheSame)}
          aria-checked={allTheSame}
          aria-label={`For all ${all.length} the same`}
        />
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
        <Keys refused={refused} decide={(how) => void decide(how)} />
      </View>
    </Sheet>
  );
}

const Done = ({ onClose }: { onClose: () => void }) => (
  <Sheet title="Decided" onClose={onClose}>
    <Txt>Nothing is left to decide.</Txt>
  </Sheet>
);

function Copies({ refused: { change, problem } }: { refused: Refused }) {
  const { kit } = useKit();
  const names = new Map(
    [...kit.bodies, ...kit.optics, ...kit.adapters, ...kit.setups, ...kit.subjects, ...kit.outputs].map((row) => [
      row.id,
      row.data.name,
    ]),
  );
  if (!isConflict(problem)) return <Txt>{problem.detail}</Txt>;
  const stored = storedOf(problem);
  const mine = change.verb === 'remove' ? null : change.data;
  return (
    <>
      <Txt>{meeting(nounOf(change.resource), mine === null, stored === null)}</Txt>
      <BothCopies
        resource={change.resource}
        mine={mine}
        stored={stored?.data ?? null}
        mineWhen={whenText(change.madeAt)}
        storedWhen={stored ? whenText(stored.updatedAt) : null}
        nameOf={(id) => names.get(id)}
      />
    </>
  );
}

function meeting(noun: string, deletedHere: boolean, deletedThere: boolean): string {
  if (deletedThere) return `You changed this ${noun} here; elsewhere it was deleted meanwhile.`;
  return deletedHere
    ? `You deleted this ${noun} here; elsewhere it was changed meanwhile.`
    : `This ${noun} was changed here and elsewhere. Where the two differ:`;
}

/** The two ways to decide; where only one makes sense, that one and a new try. */
function Keys({ refused, decide }: { refused: Refused; decide: (how: Decide) => void }) {
  const { change, problem } = refused;
  if (problem.code === 'row.inUse')
    return <Key title="Leave it as it is" weight="strong" onPress={() => decide(keepStored)} />;
  if (!isConflict(problem))
    return (
      <>
        <Key title="Try again" weight="strong" onPress={() => decide(keepMine)} />
        <Key title="Drop mine" onPress={() => decide(keepStored)} />
      </>
    );
  const stored = storedOf(problem);
  return (
    <>
      <Key
        title={change.verb === 'remove' ? 'Delete all the same' : 'Keep mine'}
        weight="strong"
        onPress={() => decide(keepMine)}
      />
      <Key
        title={stored ? 'Keep the stored one' : 'Leave it deleted'}
        weight="strong"
        onPress={() => decide(keepStored)}
      />
    </>
  );
}
