import { View } from 'react-native';
import type { CheckWeight, SetupCheck } from '@/core/kit/setupChecks';
import { Txt, type TxtTone } from '@/ui/Txt';
import { space } from '@/ui/theme/measures';

const MARKS: Record<CheckWeight, { mark: string; tone: TxtTone; words: string }> = {
  stop: { mark: '✕', tone: 'needle', words: 'Does not work' },
  caution: { mark: '⚠', tone: 'caution', words: 'Take care' },
  note: { mark: '·', tone: 'soft', words: 'Good to know' },
};

/** What is worth saying about the set-up before it leaves the house. */
export function Checks({ checks }: { checks: SetupCheck[] }) {
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
            <Txt kind="small" tone={check.weight === 'note' ? 'ink' : tone} style={{ flex: 1 }}>
              {check.message}
            </Txt>
          </View>
        );
      })}
    </View>
  );
}
