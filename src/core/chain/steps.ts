import { focusSpan } from './chainFocus';
import { lightOf, type FoldedOptics } from './fold';
import { subjectDistanceM, type OpticState } from './opticState';
import type { Part, PartKind } from './parts';

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
  /** Stops of light at infinity it gave or took: −2·log₂ of the f-numbers, less what it swallows. */
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

/**
 * What each part of a chain changed, starting with what forms the picture, then in front of it, then behind.
 *
 * @param optics the chain folded, with what was measured of the whole
 * @param chain its parts, the very objects it was folded from
 */
export function chainSteps(optics: FoldedOptics, chain: readonly Part[]): ChainStep[] {
  const { stages } = optics;
  const closestMm = focusSpan(optics).closestMm;
  const closestM = closestMm === undefined || closestMm === Infinity ? undefined : closestMm / 1000;
  return stages.map(({ part, name, kind, state: reckoned }, i) => {
    const previous = stages[i - 1]?.state;
    // What was measured holds for the whole chain: for what it is after its last part.
    const last = i === stages.length - 1;
    const state = last ? optics.state : reckoned;
    const light = lightOf(part);
    const swallowed = light.does === 'shade' ? light.stops : 0;
    return {
      index: chain.indexOf(part),
      name,
      kind,
      after: last ? stateOf(state, closestM) : stateOf(state),
      stops: previous ? -2 * Math.log2(state.fNumber / previous.fNumber) - swallowed : 0,
      ...(previous ? { before: stateOf(previous) } : {}),
    };
  });
}
