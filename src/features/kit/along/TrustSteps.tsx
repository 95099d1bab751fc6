import { useState } from 'react';
import { View } from 'react-native';
import type { LanStanding } from '@/contract/lan';
import { TRUST_MEANS, TRUST_STEPS, TRUST_SYSTEMS, type TrustSystem } from '@/contract/trustWords';
import { whenText } from '@/features/book/whenText';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { space } from '@/ui/theme/measures';

/** How a phone comes to trust the computer's certificate, and what that means. */
export function TrustSteps({
  authority,
  start = 'android',
}: {
  authority: NonNullable<LanStanding['authority']>;
  start?: TrustSystem;
}) {
  const [system, setSystem] = useState<TrustSystem>(start);
  return (
    <View style={{ gap: space.medium }}>
      <Choice label="The phone" hideLabel options={TRUST_SYSTEMS} value={system} onChange={setSystem} />
      <View role="list" style={{ gap: space.medium }}>
        {TRUST_STEPS[system].map((step, i) => (
          <View key={step} role="listitem" style={{ flexDirection: 'row', gap: space.medium }}>
            <Txt kind="figure">{i + 1}</Txt>
            <Txt style={{ flex: 1 }}>{step}</Txt>
          </View>
        ))}
      </View>
      <Txt kind="small" tone="soft">
        Compare before you trust it. Fingerprint of the certificate, SHA-256:
      </Txt>
      <Txt kind="small" selectable testID="fingerprint">
        {authority.fingerprint.replace(/:/g, ' ').toLowerCase()}
      </Txt>
      <Txt kind="strong">⚠ What trusting means</Txt>
      <Txt>{TRUST_MEANS}</Txt>
      <Txt kind="small" tone="soft">
        {`It holds until ${whenText(authority.validUntil)}. Without it Jauge works on the phone while at home, but not without a signal.`}
      </Txt>
    </View>
  );
}
