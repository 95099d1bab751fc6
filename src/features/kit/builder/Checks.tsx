import { View } from 'react-native';
import type { CheckWeight, SetupCheck } from '@/core/kit/setupChecks';
import type { Mend } from '@/core/chain/kind';
import { Key } from '@/ui/controls/Key';
import { Txt, type TxtTone } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';

const MARKS: Record<CheckWeight, { mark: string; tone: TxtTone; words: string }> = {
  stop: { mark: '✕', tone: 'needle', words: 'Does not work' },
  caution: { mark: '⚠', tone: 'caution', words: 'Take care' },
  note: { mark: 'i', tone: 'soft', words: 'Good to know' },
};

/** The key of the one move that mends a warning. */
function MendKey({ mend, onMend }: { mend: Mend | undefined; onMend: (mend: Mend) => void }) {
  if (!mend) return null;
  const title = mend.does === 'order' ? mend.words : `${mend.does === 'add' ? 'Put in' : 'Use'} ${mend.name}`;
  return <Key title={title} icon="build" onPress={() => onMend(mend)} />;
}

/** What is worth saying about the set-up before it leaves the house. */
export function Checks({ checks, onMend }: { checks: SetupCheck[]; onMend: (mend: Mend) => void }) {
  return (
    <View style={{ gap: space.small }} role="status" aria-label="Checks of the set-up">
      {checks.length === 0 ? (
        <Txt tone="press">✓ It mounts, covers the frame, focuses to infinity, and autofocus works.</Txt>
      ) : null}
      {checks.map((check) => {
        const { mark, tone, words } = MARKS[check.weight];
        return (
          <View key={check.code + check.message} style={{ flexDirection: 'row', gap: space.medium }}>
            <Txt kind="strong" tone={tone} aria-label={words} style={{ width: 16 }}>
              {mark}
            </Txt>
            <View style={{ flex: 1, gap: space.small, alignItems: 'flex-start' }}>
              <Txt kind="small" tone={check.weight === 'note' ? 'ink' : tone}>
                {check.message}
              </Txt>
              <MendKey mend={check.mend} onMend={onMend} />
            </View>
          </View>
        );
      })}
    </View>
  );
}
