import { useMemo } from 'react';
import type { FarMore } from '@/core/far/farMore';
import { handInUse } from '@/core/far/handInUse';
import { ownHandS } from '@/core/learned/ownSchools';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import type { OutputSpec } from '@/core/output/needs';
import { quantityText } from '@/core/quantity/quantityText';
import type { Quantity } from '@/core/quantity/quantity';
import { dialText, fastestOf, markWithin } from '@/core/quantity/shutterDial';
import type { UnitSystem } from '@/core/quantity/units';
import { useOwn } from '@/data/own/learned';
import { usePreferences } from '@/data/preferences';
import { Figure } from '@/ui/Figure';
import { Txt } from '@/ui/Txt';

interface HandProps {
  more: FarMore;
  system: EffectiveSystem;
  output: OutputSpec;
  units: UnitSystem;
  onWhy: (what: string | Quantity) => void;
}

/** How long the hand holds by the school chosen; nothing until there is what it is reckoned from. */
export function useHandInUse(system: EffectiveSystem | null, more: FarMore | null) {
  const own = useOwn();
  const by = usePreferences((state) => state.handBy);
  return useMemo(
    () =>
      system && more
        ? { handInUse: handInUse({ ...more, ownS: ownHandS(own, system.body.name, system.focalMm.value) }, by) }
        : null,
    [system, more, own, by],
  );
}

/** The limit by hand that counts, with the other ways to reckon it, and what to set. */
export function HandAndShutter({ more, system, output, units, onWhy }: HandProps) {
  const hand = useHandInUse(system, more)?.handInUse;
  if (!hand) return null;
  const own = hand.why.schools?.some(({ choice, chosen }) => choice === 'own' && chosen) ?? false;
  return (
    <>
      <Figure label="Hand-hold that counts" quantity={hand} units={units} name="handInUse" onWhy={onWhy} />
      <ShutterAdvice
        more={more}
        output={output}
        units={units}
        handS={hand.value}
        own={own}
        fastestS={fastestOf(system.body)}
      />
    </>
  );
}

interface AdviceProps {
  more: FarMore;
  output: OutputSpec;
  units: UnitSystem;
  handS: number;
  /** Whether that is what this person's own pictures showed. */
  own: boolean;
  /** What the body has, s. */
  fastestS: number;
}

function ShutterAdvice({ more, output, units, handS, own, fastestS }: AdviceProps) {
  const assumed = more.speedMPerS.note === 'assumed';
  const strict = markWithin(more.longestShutter100S.value, fastestS);
  const enough = markWithin(more.longestShutterOutputS.value, fastestS);
  const hand = markWithin(handS, fastestS);
  return (
    <Txt kind="small" tone="soft">
      {assumed ? `Nobody entered how fast it moves: at the usual ${quantityText(more.speedMPerS, units)} ` : ''}
      {strict === null
        ? `${assumed ? 'it would be too fast' : 'Too fast'} for a shutter of ${dialText(fastestS)} at 100 %${enough === null ? '' : `; ${dialText(enough)} is enough for ${output.name}`}: pan with it.`
        : `${assumed ? 'set' : 'Set'} ${dialText(strict)} to freeze it at 100 %${enough !== null && enough !== strict ? `, ${dialText(enough)} is enough for ${output.name}` : ''}.`}
      {hand === null ? '' : ` By hand ${dialText(hand)} or shorter${own ? ', as your own pictures showed' : ''}.`}
    </Txt>
  );
}
