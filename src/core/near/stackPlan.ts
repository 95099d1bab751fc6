import { fail, ok, type Result } from '../quantity/result';

/** What a focus stack is to cover, and with what. */
export interface StackInput {
  /** From the nearest point that must be sharp to the farthest, mm. */
  coverMm: number;
  /** Depth of field of one frame, mm. */
  depthMm: number;
  /** Share by which neighbouring frames overlap, 0 to 0.9. */
  overlap: number;
  /** Rail: how far one step of the motor, or one turn of the knob, moves it, µm. */
  railStepUm: number;
  /** Flash recycling, or exposure with settling, s a frame. */
  secondsPerFrame: number;
  fileSizeMb?: number | undefined;
}

/** One line of the table that is read out loud at the rail. */
export interface StackFrame {
  frame: number;
  positionMm: number;
  railSteps: number;
}

export interface StackPlan {
  stepMm: number;
  frames: StackFrame[];
  /** Steps of the rail between two frames; they are whole where the rail is finer than the stack. */
  railStepsPerFrame: number;
  seconds: number;
  cardMb?: number;
}

/** More frames than this are a mistake in the input. */
const MOST_FRAMES = 2000;

/**
 * Plans a focus stack.
 *
 * @source step = DoF·(1 − overlap); frames = ⌈depth/step⌉ + 1
 */
export function stackPlan({
  coverMm,
  depthMm,
  overlap,
  railStepUm,
  secondsPerFrame,
  fileSizeMb,
}: StackInput): Result<StackPlan> {
  if (!(coverMm > 0)) return fail('stack.cover', 'Enter how deep the stack must be: more than 0 mm.', 'coverMm');
  const wanted = depthMm * (1 - overlap);
  const perFrame = (wanted * 1000) / railStepUm;
  // A rail moves in whole steps; rounding down keeps the overlap. A rail coarser than that is turned by a part.
  const railStepsPerFrame = perFrame >= 1 ? Math.floor(perFrame * (1 + 1e-12)) : perFrame;
  const stepMm = (railStepsPerFrame * railStepUm) / 1000;
  const count = Math.ceil((coverMm / stepMm) * (1 - 1e-12)) + 1;
  if (count > MOST_FRAMES)
    return fail(
      'stack.tooMany',
      `That would take ${count.toLocaleString('en')} frames. Stop down, choose a smaller ratio, or cover less depth.`,
      'coverMm',
    );
  const frames = Array.from({ length: count }, (_, i) => ({
    frame: i + 1,
    positionMm: i * stepMm,
    railSteps: i * railStepsPerFrame,
  }));
  return ok({
    stepMm,
    frames,
    railStepsPerFrame,
    seconds: count * secondsPerFrame,
    ...(fileSizeMb === undefined ? {} : { cardMb: count * fileSizeMb }),
  });
}
