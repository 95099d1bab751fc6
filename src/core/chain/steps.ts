import { arrange } from './arrangement';
import { foldOptics } from './fold';
import { mainLensOf } from './mainLens';
import { withMeasured } from './measuredRatio';
import { focusSpan } from './chainFocus';
import { subjectDistanceM, type OpticState } from './opticState';
import { standsTooNear } from '../optics/systemWarnings';
import type { SystemInput } from '../optics/foldSystem';
import { fNumberAt } from './zoomRange';
import { fail, ok, type Result } from '../quantity/result';
import type { PartKind } from './parts';

/** The numbers a part can change. */
export interface StepState {
  focalMm: number;
  fNumber: number;
  /** Largest ratio, at the lens's closest focus; of a chain that reaches no infinity, the smallest one when that is all. */
  ratio?: number;
  imageCircleMm?: number;
  closestFocusM?: number;
}

/** One part with what it made of the chain. `before` is absent for the part everything starts from. */
export interface ChainStep {
  /** Where the part stands in the chain, counted from the subject. */
  index: number;
  name: string;
  kind: PartKind;
  before?: StepState;
  after: StepState;
  /** Stops of light at infinity it gave or took: −2·log₂ of the f-numbers. */
  stops: number;
}

/** Nearest distance at a stage: its closest setting, or its only one. */
function nearestOf({ far, near }: OpticState): number | undefined {
  const metres = subjectDistanceM(near ?? far);
  return metres === Infinity ? undefined : metres;
}

function stateOf(state: OpticState, closestM = nearestOf(state)): StepState {
  const ratio = state.near?.ratio ?? (state.far.ratio > 0 ? state.far.ratio : undefined);
  return {
    focalMm: state.far.focalMm,
    fNumber: state.fNumber,
    ...(ratio === undefined || ratio <= 0 ? {} : { ratio }),
    ...(state.circleMm === undefined ? {} : { imageCircleMm: state.circleMm }),
    ...(closestM === undefined ? {} : { closestFocusM: closestM }),
  };
}

/** What each part of a chain changed, starting with what forms the picture, then in front of it, then behind. */
export function chainSteps({ body, chain, focalMm, measured }: SystemInput): Result<ChainStep[]> {
  const arranged = arrange(chain);
  if (!arranged.ok) return arranged;
  const lens = mainLensOf(arranged.value);
  const marked = Math.min(lens.focalTeleMm, Math.max(lens.focalWideMm, focalMm ?? lens.focalTeleMm));
  const fNumber = fNumberAt(marked, lens.focalWideMm, lens.focalTeleMm, lens.fNumberWide, lens.fNumberTele);
  const taken = new Set<number>();
  const placeOf = (stage: { name: string; kind: PartKind }) => {
    const index = chain.findIndex((part, i) => !taken.has(i) && part.name === stage.name && part.kind === stage.kind);
    taken.add(index);
    return index;
  };
  const estimated = foldOptics(arranged.value, lens, body, marked, fNumber);
  if (estimated.neverFocuses) return fail('focus.flange', standsTooNear(estimated, lens, body), 'chain');
  // What was measured holds for the whole chain: for what it is after its last part.
  const whole = measured?.length ? withMeasured(estimated, measured) : estimated;
  const { stages } = estimated;
  const closestMm = focusSpan(whole).closestMm;
  return ok(
    stages.map(({ name, kind, state: reckoned }, i) => {
      const previous = stages[i - 1]?.state;
      const last = i === stages.length - 1;
      const state = last ? whole.state : reckoned;
      return {
        index: placeOf({ name, kind }),
        name,
        kind,
        after: last
          ? stateOf(state, closestMm === undefined || closestMm === Infinity ? undefined : closestMm / 1000)
          : stateOf(state),
        stops: previous ? -2 * Math.log2(state.fNumber / previous.fNumber) : 0,
        ...(previous ? { before: stateOf(previous) } : {}),
      };
    }),
  );
}
