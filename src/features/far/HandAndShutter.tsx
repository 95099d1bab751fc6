import { useMemo } from 'react';
import type { FarMore } from '@/core/far/farMore';
import { heldLimits, ownHold } from '@/core/far/ownHold';
import { engravedShutterS } from '@/core/far/shutter';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import type { OutputSpec } from '@/core/output/needs';
import type { Quantity } from '@/core/quantity/quantity';
import { quantityText, shutterText } from '@/core/quantity/quantityText';
import type { UnitSystem } from '@/core/quantity/units';
import { useRows } from '@/data/useRows';
import { Figure } from '@/ui/Figure';
import { Txt } from '@/ui/Txt';

interface HandProps {
  more: FarMore;
  system: EffectiveSystem;
  output: OutputSpec;
  units: UnitSystem;
  onWhy: (what: string | Quantity) => void;
}

/** Your own limit by hand where a series on the Bench told it, and what to set. */
export function HandAndShutter({ more, system, output, units, onWhy }: HandProps) {
  const { rows } = useRows('measurements');
  const own = useMemo(
    () =>
      ownHold(heldLimits(rows.map(({ data }) => data)), system.focalMm.value, (system.body.stabiliserStops ?? 0) > 0),
    [rows, system],
  );
  return (
    <>
      {own ? (
        <Figure label="Hand-hold, yours" quantity={own} units={units} name="ownHold" onWhy={() => onWhy(own)} />
      ) : null}
      <ShutterAdvice more={more} output={output} units={units} ownS={own?.value} />
    </>
  );
}

interface AdviceProps {
  more: FarMore;
  output: OutputSpec;
  units: UnitSystem;
  /** How long this person holds, s, where it was measured. */
  ownS: number | undefined;
}

function ShutterAdvice({ more, output, units, ownS }: AdviceProps) {
  const assumed = more.speedMPerS.note === 'assumed';
  const strict = engravedShutterS(more.longestShutter100S.value);
  const enough = engravedShutterS(more.longestShutterOutputS.value);
  const hand = engravedShutterS(ownS ?? more.handHoldPixelS.value);
  return (
    <Txt kind="small" tone="soft">
      {assumed ? `Nobody entered how fast it moves: at the usual ${quantityText(more.speedMPerS, units)} ` : ''}
      {strict === null
        ? `${assumed ? 'it would be too fast' : 'Too fast'} for any shutter: pan with it.`
        : `${assumed ? 'set' : 'Set'} ${shutterText(strict)} to freeze it at 100 %${enough !== null && enough !== strict ? `, ${shutterText(enough)} is enough for ${output.name}` : ''}.`}
      {hand === null
        ? ''
        : ` By hand ${shutterText(hand)} or shorter${ownS === undefined ? '' : ', as your own series showed'}.`}
    </Txt>
  );
}
