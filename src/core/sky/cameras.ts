import type { BodySpec } from '../kit/body';
import { foldSystem, type CropConventionChoice, type SystemInput } from '../optics/foldSystem';
import { planCapture, type CaptureInput } from './capture';
import { discPx } from './planet';

/** What one body makes of a recording behind the same optics. */
export interface CameraCompared {
  id: string;
  name: string;
  discPx: number;
  /** The window it reads out, px; absent: always the whole frame. */
  window?: { columns: number; rows: number };
  framesPerSecond: number;
  /** How its frames are packed: not at all, as video, or as stills. */
  packed: 'none' | 'video' | 'stills';
  weightG?: number | undefined;
}

/** What is recorded, without what depends on the body. */
export type Recording = Omit<CaptureInput, 'body' | 'discPx'>;

/** The frames a photographic body takes: those of its first video mode, else its stills; no more than the exposure allows. */
function photographicRate({ videoModes, framesPerSecond = 0 }: BodySpec, exposureS: number): number {
  const [video] = videoModes ?? [];
  return video ? Math.min(Math.max(...video.framesPerSecond), 1 / exposureS) : framesPerSecond;
}

/**
 * The same optics on several bodies: what a recording of a planet would be. Without a table of windows nothing smaller than
 * the frame is read out.
 *
 * @param discArcsec diameter of the planet, ″
 */
export function camerasCompared(
  setup: SystemInput,
  bodies: readonly { id: string; body: BodySpec }[],
  discArcsec: number,
  recording: Recording,
  convention: CropConventionChoice,
): CameraCompared[] {
  return bodies.flatMap(({ id, body }): CameraCompared[] => {
    const folded = foldSystem({ ...setup, body, modeId: 'whole' }, convention);
    if (!folded.ok) return [];
    const { pitchUm, focalMm } = folded.value;
    const disc = discPx(discArcsec, focalMm.value, pitchUm.value);
    const plan = planCapture({ ...recording, body, discPx: disc });
    const windowed = (body.readoutWindows?.length ?? 0) > 0;
    return [
      {
        id,
        name: body.name,
        discPx: disc,
        ...(windowed ? { window: { columns: plan.columns, rows: plan.rows } } : {}),
        framesPerSecond: windowed ? plan.framesPerSecond : photographicRate(body, recording.exposureS),
        packed: windowed ? 'none' : body.videoModes?.length ? 'video' : 'stills',
        weightG: body.weightG,
      },
    ];
  });
}
