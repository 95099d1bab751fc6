import { useState } from 'react';
import { View } from 'react-native';
import type { WholeData } from '@/contract/wholeData';
import { ApiRefusal, ApiUnreachable } from '@/data/api';
import { useNotice } from '@/data/notice';
import { bringIn } from '@/data/transfer';
import { Txt } from '@/ui/Txt';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { DemoKey } from '../DemoKit';

/** The kit without anything in it. Kept readings and what pictures are for stay. */
const EMPTY: WholeData = {
  format: 'jauge',
  formatVersion: 1,
  rows: { bodies: [], optics: [], adapters: [], setups: [], subjects: [], ratios: [], starTests: [] },
};

/** Puts the demo kit in or away, and empties the kit: asked twice, with a backup made first. */
export function EmptyKit() {
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const show = useNotice((state) => state.show);
  const empty = async () => {
    setAsking(false);
    setProblem(null);
    try {
      const { removed } = await bringIn(EMPTY, 'only');
      show({ text: `The kit is empty: ${removed} entries taken out. The backup made before stands below.` });
    } catch (error) {
      if (!(error instanceof ApiRefusal) && !(error instanceof ApiUnreachable)) throw error;
      setProblem(`${error.message} Nothing was taken out.`);
    }
  };
  return (
    <View style={{ gap: space.medium }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
        <DemoKey />
        {asking ? null : <Key title="Empty the kit" icon="delete-outline" onPress={() => setAsking(true)} />}
      </View>
      {asking ? (
        <View style={{ gap: space.small }} role="alert">
          <Txt>
            All bodies, optics, adapters, set-ups, subjects and what was measured go. A backup is made first; the Book
            stays.
          </Txt>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space.medium }}>
            <Key title="Empty it" weight="strong" onPress={() => void empty()} />
            <Key title="Leave it" onPress={() => setAsking(false)} />
          </View>
        </View>
      ) : null}
      {problem ? (
        <Txt tone="needle" role="alert">
          {problem}
        </Txt>
      ) : null}
    </View>
  );
}
