import { candidatesAround, type Candidate, type KitAround, type Patch } from '../levers/candidates';
import type { SubjectSpec } from '../kit/subjects';
import { foldSystem, type CropConventionChoice, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import type { CocSchool } from '../output/circleOfConfusion';
import type { OutputSpec } from '../output/needs';
import type { Verdict } from '../output/verdict';
import type { JudgeBy } from '../detail/subjectCount';
import { computed, input, type Quantity } from '../quantity/quantity';
import { ratioRange } from './nearState';
import { readNear, type NearReading } from './readNear';

export type NearLeverKind = 'ratio' | 'aperture' | 'chain' | 'mode' | 'setup';

/** A change that is offered, with the ratio and f-number it would be read at. */
interface Offer extends Omit<Candidate, 'kind'> {
  kind: NearLeverKind;
  ratio?: number | undefined;
  fNumber?: number | undefined;
}

/** A change with its exact gain and its price. Ratios are "after ÷ before". */
export interface NearLever {
  id: string;
  kind: NearLeverKind;
  name: string;
  removes: boolean;
  patch: Patch;
  ratioAfter: number;
  ratioChange: number;
  resolvedChange: number;
  depthChange: number;
  /** How blur is judged: with another frame the same picture may be called deeper or less deep. */
  cocSchool: CocSchool;
  fieldAfterMm: number;
  fNumberAfter: number;
  /** Light on the sensor, stops. */
  stops: number;
  verdictAfter: Verdict | 'doesNotFit';
  workingAfterMm?: number;
  workingChangeMm?: number;
  gain: Quantity;
  caution?: string;
}

export interface NearSituation {
  setup: SystemInput;
  subject: SubjectSpec;
  output: OutputSpec;
  judgeBy: JudgeBy;
  cocSchool: CocSchool;
  convention: CropConventionChoice;
  ratio: number | undefined;
  fNumber: number | undefined;
  handHoldRatio?: number | undefined;
  threshold?: number | undefined;
  /** What else the kit has. */
  kit: KitAround;
}

interface State {
  system: EffectiveSystem;
  reading: NearReading;
}

const gainOf = (before: State, after: State): Quantity =>
  computed(after.reading.resolvedPixels.value / before.reading.resolvedPixels.value, '×', () => ({
    name: 'What this would change',
    formula: 'resolved after ÷ resolved before: r₁ / r₀',
    inputs: [
      input('r₀', 'resolved now', before.reading.resolvedPixels),
      input('r₁', 'resolved then', after.reading.resolvedPixels),
      input('m₀', 'ratio now', before.reading.ratio),
      input('m₁', 'ratio then', after.reading.ratio),
      input('N₀', 'working f-number now', before.reading.workingFNumber),
      input('N₁', 'working f-number then', after.reading.workingFNumber),
      input('d₀', 'depth now', before.reading.depthMm),
      input('d₁', 'depth then', after.reading.depthMm),
    ],
    source: 'both read on the same subject; stops are −2·log₂ of the working f-numbers',
  }));

/** Share of the frame's side that a subject fills with some air around it. */
const FILLING_PERCENT = 80;

/** A set-up folded and read as the situation has it, at a ratio and an f-number. */
function stateOf(situation: NearSituation, setup: SystemInput, ratio?: number, fNumber?: number): State | null {
  const { subject, output, judgeBy, cocSchool, handHoldRatio, threshold } = situation;
  const folded = foldSystem(setup, situation.convention);
  if (!folded.ok) return null;
  const system = folded.value;
  const reading = readNear({ system, subject, output, judgeBy, cocSchool, handHoldRatio, threshold, ratio, fNumber });
  return reading.ok ? { system, reading: reading.value } : null;
}

/** What is turned and not exchanged: the focus, until the subject fills the frame, and the f-number. */
function turnings({ setup, ratio, fNumber }: NearSituation, { system, reading }: State): Offer[] {
  const offers: Offer[] = [];
  const range = ratioRange(system);
  const fill = (reading.ratio.value * FILLING_PERCENT) / reading.shareOfFrame.value;
  const reachable = range ? Math.min(range.highest, Math.max(range.lowest, fill)) : 0;
  if (range && Math.abs(reachable / reading.ratio.value - 1) > 0.03) {
    const held = Math.min(range.highest, Math.max(range.lowest, Number(reachable.toPrecision(3))));
    const patch = { nearRatio: held };
    offers.push({ id: 'ratio', kind: 'ratio', name: '', removes: false, setup, ratio: held, fNumber, patch });
  }
  const best = reading.bestFNumber.value;
  if (Math.abs(best / reading.setFNumber.value - 1) > 0.06) {
    const patch = { nearFNumber: best };
    offers.push({ id: 'aperture', kind: 'aperture', name: '', removes: false, setup, ratio, fNumber: best, patch });
  }
  return offers;
}

/** What is worth a warning before the change is made. */
function cautionOf({ warnings, hints }: NearReading): string | undefined {
  const dark = warnings.find(({ code }) => code === 'coverage.dark' || code === 'mount.mismatch');
  const hint = hints.find(({ code }) => code === 'near.touches' || code === 'near.shadow' || code === 'near.rough');
  return dark?.message ?? hint?.message;
}

/** A change, judged by what is read before and after it. */
function leverOf({ id, kind, name, removes, patch }: Offer, cocSchool: CocSchool, now: State, after: State): NearLever {
  const { reading } = after;
  const room = reading.workingDistanceMm?.value;
  const roomBefore = now.reading.workingDistanceMm?.value;
  const caution = cautionOf(reading);
  return {
    id,
    kind,
    name,
    removes,
    patch,
    ratioAfter: reading.ratio.value,
    ratioChange: reading.ratio.value / now.reading.ratio.value,
    resolvedChange: reading.resolvedPixels.value / now.reading.resolvedPixels.value,
    depthChange: reading.depthMm.value / now.reading.depthMm.value,
    cocSchool,
    fieldAfterMm: reading.fieldWidthMm.value,
    fNumberAfter: reading.setFNumber.value,
    stops:
      -2 * Math.log2(reading.workingFNumber.value / now.reading.workingFNumber.value) -
      (after.system.optics.shadeStops - now.system.optics.shadeStops),
    verdictAfter: reading.overflow ? 'doesNotFit' : reading.verdict,
    ...(room === undefined ? {} : { workingAfterMm: room }),
    ...(room === undefined || roomBefore === undefined ? {} : { workingChangeMm: room - roomBefore }),
    gain: gainOf(now, after),
    ...(caution === undefined ? {} : { caution }),
  };
}

/**
 * What could be changed at close range, each with its gain and its price: focus nearer or farther until the subject fills
 * the frame, the best f-number, tubes, close-up lenses, converters, modes, other set-ups.
 */
export function nearLevers(situation: NearSituation): NearLever[] {
  const now = stateOf(situation, situation.setup, situation.ratio, situation.fNumber);
  if (!now) return [];
  // A Barlow is for telescopes, which nobody points at an insect.
  const around = candidatesAround(situation.setup, situation.kit).filter(({ part }) => part !== 'barlow');
  return [...turnings(situation, now), ...around].flatMap((offer: Offer): NearLever[] => {
    // A part put in or taken out is judged where it leads: at the same end of the focus.
    const moved = offer.kind === 'chain' || offer.kind === 'setup';
    const ratio = moved ? undefined : (offer.ratio ?? situation.ratio);
    const fNumber = offer.kind === 'setup' ? undefined : (offer.fNumber ?? situation.fNumber);
    const after = stateOf(situation, offer.setup, ratio, fNumber);
    return after ? [leverOf(offer, situation.cocSchool, now, after)] : [];
  });
}
