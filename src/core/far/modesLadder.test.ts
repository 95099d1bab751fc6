import { demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import type { BodySpec, CropModeSpec } from '../kit/body';
import { modesLadder } from './modesLadder';

const ostrel = demoBodies.ostrel.data;
const ladder = (
  { whole, modes }: { whole?: Partial<BodySpec>; modes: Omit<CropModeSpec, 'id'>[] },
  change: Partial<Parameters<typeof modesLadder>[0]> = {},
) =>
  modesLadder({
    setup: {
      body: {
        ...ostrel,
        framesPerSecond: 10,
        fileSizeMb: 60,
        ...whole,
        cropModes: modes.map((mode) => ({ ...mode, id: mode.name })),
      },
      modeId: 'whole',
      chain: [demoOptics.tele600.data],
    },
    subject: demoSubjects.curlew.data,
    distanceM: 60,
    output: demoOutputs.web.data,
    judgeBy: 'resolved',
    convention: 'usual',
    ...change,
  });
const mode = (name: string, factor: number, framesPerSecond?: number, fileSizeMb?: number) => ({
  name,
  factor,
  ...(framesPerSecond === undefined ? {} : { framesPerSecond }),
  ...(fileSizeMb === undefined ? {} : { fileSizeMb }),
});
const advice = (...given: Parameters<typeof ladder>) => ladder(...given).advice;

describe('whether to crop in the camera or later', () => {
  it('a fifth more frames, or a fifth smaller files, is just enough, and only what gains is named', () => {
    expect(advice({ modes: [mode('Fast', 1.3, 12, 60)] })).toMatch(
      /^Crop in the camera with “Fast”.* it brings 12 instead of 10 frames\/s, for 41 % less around it\.$/,
    );
    expect(advice({ modes: [mode('Lean', 1.3, 10, 50)] })).toMatch(
      /^Crop in the camera with “Lean”.* it brings files 1\.2 times smaller, for 41 % less around it\.$/,
    );
    expect(advice({ modes: [mode('Neither', 1.3, 11.9, 50.5)] })).toMatch(
      /^Crop later: .* no crop mode is faster or smaller enough/,
    );
  });

  it('takes the fastest, and of two as fast the one that hides more, in whatever order they stand', () => {
    const slow = mode('Slow', 2, 15, 15);
    const fast = mode('Fast', 1.3, 20, 36);
    const tight = mode('Tight', 1.5, 20, 27);
    for (const modes of [
      [slow, fast],
      [fast, slow],
    ])
      expect(advice({ modes })).toContain('“Fast”');
    for (const modes of [
      [slow, fast, tight],
      [tight, fast, slow],
      [fast, tight, slow],
    ])
      expect(advice({ modes })).toContain('“Tight”');
  });

  it('says which numbers are not entered, for one mode of several too', () => {
    const said = (...modes: ReturnType<typeof mode>[]) => /its (.*) are not entered/.exec(advice({ modes }))?.[1];
    expect(said(mode('A', 1.3, 10))).toBe('file sizes');
    expect(said(mode('A', 1.3, undefined, 60))).toBe('frame rates');
    expect(said(mode('A', 1.3))).toBe('frame rates and file sizes');
    expect(said(mode('A', 1.3, 10, 60), mode('B', 1.5, 10))).toBe('file sizes');
    expect(said(mode('A', 1.3, 10, 60), mode('B', 1.5, 10, 60))).toBeUndefined();
    expect(advice({ whole: { framesPerSecond: undefined }, modes: [mode('A', 1.3, 40, 60)] })).toMatch(
      /its frame rates are not entered/,
    );
  });

  it('without an own speed nothing crosses the frame, nor does what stands still', () => {
    const modes = [mode('Fast', 1.5, 20, 27)];
    for (const speedMPerS of [undefined, 0, 0.1])
      expect(advice({ modes }, { speedMPerS })).toMatch(/^Crop in the camera/);
    expect(advice({ modes }, { speedMPerS: 40 })).toMatch(
      /^Crop later: .* it would cross the frame of “Fast” in 0\.0\d+ s/,
    );
  });

  it('a second in the frame is enough to follow', () => {
    const modes = [mode('Fast', 1.5, 20, 27)];
    const acrossM = ladder({ modes }).rungs[1]!.reading.fieldWidthM.value;
    expect(advice({ modes }, { speedMPerS: acrossM })).toMatch(/^Crop in the camera/);
    expect(advice({ modes }, { speedMPerS: acrossM * 1.001 })).toMatch(/^Crop later/);
  });

  it('takes a mode the subject fits into with room, though another has none', () => {
    const room = mode('Room', 1.2, 13, 40);
    const none = mode('None', 4, 30, 4);
    const { rungs } = ladder({ modes: [room, none] }, { distanceM: 20 });
    // 550 mm at 20 m with 600 mm: 16.5 to 17 mm of 36, of 30 and of 9.
    expect(rungs.map(({ overflows }) => overflows)).toEqual([false, false, true]);
    expect(advice({ modes: [room, none] }, { distanceM: 20 })).toContain('“Room”');
    expect(advice({ modes: [none] }, { distanceM: 20 })).toMatch(/it takes too much of the frame/);
    expect(advice({ modes: [mode('Dull', 1.2, 10, 60), none] }, { distanceM: 20 })).toMatch(/too much of the frame/);
    // 60 % of it leaves room, 75 % does not.
    expect(advice({ modes: [mode('Tight', 1.3, 20, 30)] }, { distanceM: 20 })).toMatch(/^Crop in the camera/);
    expect(advice({ modes: [mode('Tight', 1.62, 20, 30)] }, { distanceM: 20 })).toMatch(/too much of the frame/);
  });

  it('reads every rung by the threshold in hand', () => {
    const resolved = (threshold?: number) =>
      ladder({ modes: [mode('A', 1.3, 10, 60)] }, { threshold }).rungs[1]!.reading.resolvedPixels.value;
    expect(resolved(0.5)).toBeLessThan(0.8 * resolved(0.1));
    expect(resolved()).toBeGreaterThan(resolved(0.5));
  });

  it('leaves out what cannot be read there, and says so of a body without crop modes', () => {
    const setup = { body: ostrel, modeId: 'whole', chain: [] };
    expect(ladder({ modes: [] }, { setup }).rungs.length).toBe(0);
    expect(advice({ modes: [] })).toBe('This body has no crop mode: crop later, nothing is lost by it.');
  });
});
