import { computed, given, input, type Quantity } from '../quantity/quantity';
import type { CaptureInput, CapturePlan } from './capture';

export interface CaptureQuantities {
  framesPerSecond: Quantity;
  frames: Quantity;
  fileGb: Quantity;
  cardMinutes: Quantity;
}

/** The numbers of a recording with their reasons. */
export function captureQuantities(from: CaptureInput, plan: CapturePlan): CaptureQuantities {
  const frameMb = (plan.columns * plan.rows * from.bits) / 8e6;
  const exposure = given(from.exposureS, 's', 'Exposure of a frame', 'as set');
  const link = given(from.linkMbPerS, '1', 'MB a second the cable or card takes', 'as set');
  const frame = given(frameMb, 'MB', 'One frame', `${plan.columns} × ${plan.rows} pixels of ${from.bits} bits`);
  const readout = from.body.readoutWindows?.find((each) => each.columns === plan.columns && each.rows === plan.rows);
  const framesPerSecond = computed(plan.framesPerSecond, 'frames/s', () => ({
    name: 'Frame rate',
    formula: readout ? 'least of 1/t, link / frame, read-out' : 'least of 1/t, link / frame',
    inputs: [
      input('t', 'exposure', exposure),
      input('link', 'cable or card', link),
      input('frame', 'one frame', frame),
      ...(readout
        ? [
            input(
              'read-out',
              'of this window',
              given(readout.framesPerSecond, 'frames/s', 'Read-out of this window', 'the body’s table'),
            ),
          ]
        : []),
    ],
    source: 'the slowest of them holds the rate',
    ...(readout ? {} : { neglects: 'The read-out of the body, which is not entered: the rate may be less.' }),
  }));
  const duration = given(from.durationS, 's', 'Time recorded', 'as set, or until the turning smears');
  const frames = computed(plan.frames, '1', () => ({
    name: 'Frames',
    formula: 'rate · time',
    inputs: [input('rate', 'frame rate', framesPerSecond), input('time', 'time recorded', duration)],
    source: 'whole frames',
  }));
  return {
    framesPerSecond,
    frames,
    fileGb: computed(plan.fileBytes / 1e9, 'GB', () => ({
      name: 'File',
      formula: '178 B + frames · (frame + 8 B)',
      inputs: [input('frames', 'frames', frames), input('frame', 'one frame', frame)],
      source: 'the open SER layout, uncompressed, a time for each frame',
    })),
    cardMinutes: computed(plan.cardMinutes, 'min', () => ({
      name: 'Time on the card',
      formula: 'card / (rate · frame) / 60',
      inputs: [
        input('card', 'card', given(from.cardGb, 'GB', 'Card', 'as set')),
        input('rate', 'frame rate', framesPerSecond),
        input('frame', 'one frame', frame),
      ],
      source: '10⁹ bytes a gigabyte',
    })),
  };
}
