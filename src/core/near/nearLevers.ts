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
  verdictAfter: Verdict;
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

/**
 * What could be changed at close range, each with its gain and its price: focus nearer or farther until the subject fills
 * the frame, the best f-number, tubes, close-up lenses, converters, modes, other set-ups.
 */
export function nearLevers(situation: NearSituation): NearLever[] {
  const { subject, output, judgeBy, cocSchool, convention, handHoldRatio, threshold } = situation;
  const stateOf = (setup: SystemInput, ratio: number | undefined, fNumber: number | undefined): State | null => {
    const system = foldSystem(setup, convention);
    if (!system.ok) return null;
    const reading = readNear({
      system: system.value,
      subject,
      output,
      judgeBy,
      cocSchool,
      handHoldRatio,
      threshold,
      ratio,
      fNumber,
    });
    return reading.ok ? { system: system.value, reading: reading.value } : null;
  };
  const now = stateOf(situation.setup, situation.ratio, situation.fNumber);
  if (!now) return [];
  const offered: Offer[] = [];
  const range = ratioRange(now.system);
  const fill = (now.reading.ratio.value * FILLING_PERCENT) / now.reading.shareOfFrame.value;
  const reachable = range ? Math.min(range.highest, Math.max(range.lowest, fill)) : 0;
  if (range && Math.abs(reachable / now.reading.ratio.value - 1) > 0.03) {
    const ratio = Number(reachable.toPrecision(3));
    const held = Math.min(range.highest, Math.max(range.lowest, ratio));
    offered.push({
      id: 'ratio',
      kind: 'ratio',
      name: '',
      removes: false,
      setup: situation.setup,
      ratio: held,
      fNumber: situation.fNumber,
      patch: { nearRatio: held },
    });
  }
  const best = now.reading.bestFNumber.value;
  if (Math.abs(best / now.reading.setFNumber.value - 1) > 0.06) {
    offered.push({
      id: 'aperture',
      kind: 'aperture',
      name: '',
      removes: false,
      setup: situation.setup,
      ratio: situation.ratio,
      fNumber: best,
      patch: { nearFNumber: best },
    });
  }
  // A Barlow is for telescopes, which nobody points at an insect.
  const around = candidatesAround(situation.setup, situation.kit).filter(({ part }) => part !== 'barlow');
  return [...offered, ...around].flatMap((candidate: Offer): NearLever[] => {
    // A part put in or taken out is judged where it leads: at the same end of the focus.
    const ratio =
      candidate.kind === 'chain' || candidate.kind === 'setup' ? undefined : (candidate.ratio ?? situation.ratio);
    const after = stateOf(
      candidate.setup,
      ratio,
      candidate.kind === 'setup' ? undefined : (candidate.fNumber ?? situation.fNumber),
    );
    if (!after) return [];
    const { reading } = after;
    const room = reading.workingDistanceMm?.value;
    const roomBefore = now.reading.workingDistanceMm?.value;
    const dark = reading.warnings.find(
      (warning) => warning.code === 'coverage.dark' || warning.code === 'mount.mismatch',
    );
    const hint = reading.hints.find(
      (each) => each.code === 'near.touches' || each.code === 'near.shadow' || each.code === 'near.rough',
    );
    const caution = dark?.message ?? hint?.message;
    return [
      {
        id: candidate.id,
        kind: candidate.kind,
        name: candidate.name,
        removes: candidate.removes,
        patch: candidate.patch,
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
        verdictAfter: reading.verdict,
        ...(room === undefined ? {} : { workingAfterMm: room }),
        ...(room === undefined || roomBefore === undefined ? {} : { workingChangeMm: room - roomBefore }),
        gain: gainOf(now, after),
        ...(caution === undefined ? {} : { caution }),
      },
    ];
  });
}
