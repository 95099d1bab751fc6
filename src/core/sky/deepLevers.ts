import { foldSystem, type CropConventionChoice, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import { candidatesAround, type Candidate, type KitAround, type Patch } from '../levers/candidates';
import { computed, given, input, type Quantity } from '../quantity/quantity';
import type { SeeingStand } from './mosaic';
import { readDeep, type DeepInput, type DeepReading } from './readDeep';

/** Another set-up, part or mode on the same object. */
export interface DeepLever {
  id: string;
  kind: Candidate['kind'];
  name: string;
  removes: boolean;
  patch: Patch;
  panels: number;
  fillPercent: number;
  pixelScaleArcsec: number;
  stand: SeeingStand;
  /** Light on a point of the sensor, stops. */
  stops: number;
  gain: Quantity;
}

export interface DeepSituation extends Omit<DeepInput, 'system'> {
  setup: SystemInput;
  convention: CropConventionChoice;
  kit: KitAround;
}

interface State {
  system: EffectiveSystem;
  reading: DeepReading;
}

function stateOf(situation: DeepSituation, setup: SystemInput): State | null {
  const folded = foldSystem(setup, situation.convention);
  // Something in the chain keeps it from focusing on the stars.
  if (!folded.ok || folded.value.optics.state.far.ratio > 0) return null;
  return { system: folded.value, reading: readDeep({ ...situation, system: folded.value }) };
}

const gainOf = (now: State, after: State): Quantity =>
  computed(after.reading.fillPercent.value / now.reading.fillPercent.value, '×', () => ({
    name: 'What this would change',
    formula: 'filled after ÷ filled before: q₁ / q₀',
    inputs: [
      input('q₀', 'of the frame filled now', now.reading.fillPercent),
      input('q₁', 'of the frame filled then', after.reading.fillPercent),
      input('n₀', 'frames now', given(now.reading.plan.panels, '1', 'Frames now')),
      input('n₁', 'frames then', given(after.reading.plan.panels, '1', 'Frames then')),
      input('N₀', 'f-number now', now.system.fNumber),
      input('N₁', 'f-number then', after.system.fNumber),
    ],
    source: 'both read on the same object, with the frame turned alike; stops are −2·log₂ of the f-numbers',
  }));

/**
 * What else the kit could do on this object: parts one piece away, modes, other set-ups. What holds it in fewest frames
 * comes first, and of these what fills most of them.
 */
export function deepLevers(situation: DeepSituation): DeepLever[] {
  const now = stateOf(situation, situation.setup);
  if (!now) return [];
  return candidatesAround(situation.setup, situation.kit)
    .flatMap(({ id, kind, name, removes, setup, patch }): DeepLever[] => {
      const after = stateOf(situation, setup);
      if (!after) return [];
      const { plan, fillPercent, pixelScaleArcsec, stand } = after.reading;
      // A part or a mode is worth a tap only where it needs no more frames; other set-ups are compared all.
      if (kind !== 'setup' && plan.panels > now.reading.plan.panels) return [];
      const fNumbers = after.system.fNumber.value / now.system.fNumber.value;
      return [
        {
          id,
          kind,
          name,
          removes,
          patch,
          panels: plan.panels,
          fillPercent: fillPercent.value,
          pixelScaleArcsec: pixelScaleArcsec.value,
          stand,
          stops: -2 * Math.log2(fNumbers),
          gain: gainOf(now, after),
        },
      ];
    })
    .sort((a, b) => a.panels - b.panels || b.fillPercent - a.fillPercent);
}
