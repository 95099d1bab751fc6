import type { BodySpec } from '../kit/body';
import { readFar } from '../far/readFar';
import { readNear } from '../near/readNear';
import { candidatesAround } from '../levers/candidates';
import { foldSystem, type SystemInput } from '../optics/foldSystem';
import { sunBlock } from '../sky/sunGuard';
import { checksOf, stepsOf } from '../../../tests/support/chain';
import { fits, move, put, replace, take } from './edit';
import { KINDS, PART_KINDS } from './kinds';
import { linksOf, partsOf, type Link } from './link';
import type { LensSpec, Part } from './parts';

const body: BodySpec = {
  name: 'Body',
  mount: 'A',
  flangeMm: 18,
  sensor: { widthMm: 31.2, heightMm: 17, columns: 7800, rows: 4250 },
  antiAliasFilter: 'none',
  cropModes: [],
};
const lens: LensSpec = {
  kind: 'lens',
  name: 'Long',
  mount: 'A',
  focalWideMm: 390,
  focalTeleMm: 390,
  fNumberWide: 2.9,
  fNumberTele: 2.9,
  closestFocusM: 2.7,
  closestRatio: 0.19,
  imageCircleWideMm: 43,
  lens50LpPerMm: 84,
  detailClass: 'excellent',
  autofocus: true,
};
const macro: LensSpec = {
  ...lens,
  name: 'Macro',
  focalWideMm: 95,
  focalTeleMm: 95,
  closestFocusM: 0.31,
  closestRatio: 1,
};
const bellows: Part = { kind: 'bellows', name: 'Bellows', mount: 'A', shortestMm: 41, longestMm: 163 };
const inner: Part = { kind: 'innerConverter', name: 'Inside', factor: 1.4, detailClass: 'good', builtInto: 'Long' };
const grey: Part = { kind: 'filter', name: 'Grey', stops: 3 };
const solar: Part = { kind: 'filter', name: 'Film', stops: 16.6, solar: true };
const closeUp: Part = { kind: 'closeUp', name: '+3', dioptres: 3 };
const converter: Part = { kind: 'converter', name: '×2', mount: 'A', factor: 2, autofocus: true };

const setup = (...chain: (Part | Link)[]): SystemInput => ({ body, modeId: 'whole', chain });
function fold(...chain: (Part | Link)[]) {
  const folded = foldSystem(setup(...chain));
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}
const ids = (chain: readonly Link[]) => chain.map(({ id }) => id).join(' ');
const link = (id: string, part: Part): Link => ({ id, part });

it('every kind says where it stands, what it does and what it is called', () => {
  for (const kind of PART_KINDS) {
    const { name, gloss, shelf, place } = KINDS[kind];
    expect([name.length > 2, gloss.length > 4]).toEqual([true, true]);
    expect(['optic', 'adapter']).toContain(shelf);
    // What forms the picture can be read as a lens.
    if (place === 'main') expect(KINDS[kind].asLens).toBeDefined();
  }
});

describe('bellows', () => {
  const drawn = (extensionMm: number): Link => ({ id: 'b', part: bellows, used: { extensionMm } });

  it.each([41, 77, 163])('add e/f to the ratio of a lens at infinity: %i mm', (mm) => {
    const system = fold(macro, drawn(mm));
    expect(system.ratioAtInfinity!.value).toBeCloseTo(mm / 95, 9);
    // At its closest the lens draws 1 : 1 with 310/4 mm.
    expect(system.ratioAtClosest!.value).toBeCloseTo(1 + mm / 77.5, 9);
    expect(system.autofocus.state).toBe('off');
  });

  it('are read as set, drawn in where nothing is set, and only within their rail', () => {
    const near = readNear({
      system: fold(macro, drawn(95)),
      subject: { name: 'Beetle', kind: 'beetle', sizeMm: 9, distanceM: 0.3 },
      output: { kind: 'screen', name: 'Web', longSidePx: 1500, subjectShare: 0.5 },
      ratio: 1,
    });
    if (!near.ok) throw new Error(near.problem.message);
    expect(near.value.ratio.value).toBeCloseTo(1, 9);
    expect(fold(macro, bellows).ratioAtInfinity!.value).toBeCloseTo(41 / 95, 9);
    expect(foldSystem(setup(macro, drawn(170)))).toMatchObject({
      ok: false,
      problem: {
        code: 'bellows.range',
        message: 'Bellows goes from 41 to 163 mm, not to 170 mm. Set an extension between the two.',
      },
    });
    const wrong = { ...bellows, shortestMm: 163, longestMm: 41 } as Part;
    expect(foldSystem(setup(macro, wrong))).toMatchObject({ ok: false, problem: { code: 'bellows.swapped' } });
  });

  it('take room a telescope must leave', () => {
    const telescope: Part = {
      kind: 'telescope',
      name: 'Tube',
      mount: 'A',
      apertureMm: 80,
      focalMm: 480,
      backFocusMm: 58,
      detailClass: 'good',
    };
    const codes = (chain: Part[]) => checksOf(setup(...chain)).map((each) => each.code);
    // 18 mm of flange and 41 of bellows against 58.
    expect(codes([telescope, bellows])).toContain('focus.backFocus');
    expect(codes([telescope])).not.toContain('focus.backFocus');
  });
});

describe('a converter built into a lens', () => {
  const lever = (switchedIn?: boolean): Link => ({
    id: 'i',
    part: inner,
    ...(switchedIn === undefined ? {} : { used: { switchedIn } }),
  });

  it('multiplies when switched in, and is not there when switched out', () => {
    const [bare, out, inside] = [fold(lens), fold(lens, lever(false)), fold(lens, lever(true))];
    expect(out.focalMm.value).toBe(bare.focalMm.value);
    expect(out.lens50LpPerMm.value).toBe(bare.lens50LpPerMm.value);
    expect(inside.focalMm.value).toBeCloseTo(390 * 1.4, 9);
    expect(inside.fNumber.value).toBeCloseTo(2.9 * 1.4, 9);
    expect(inside.autofocus.state).toBe(bare.autofocus.state);
    expect(inside.converterFactor.why.inputs.map((each) => each.name)).toEqual(['Inside']);
    expect(out.converterFactor.why.inputs).toEqual([]);
  });

  it('draws by its class, twice as fine as a lens of it, and carries the error of that', () => {
    const { value, plusMinus } = fold(lens, lever(true)).lens50LpPerMm;
    const expected = 1 / Math.hypot(1.4 / 84, 1 / 140);
    expect(value).toBeCloseTo(expected, 9);
    // ∂ν/∂ν₂ · 20 % of ν₂, with ν = 1/√((t/ν₁)² + 1/ν₂²).
    expect(plusMinus).toBeCloseTo((expected ** 3 / 140 ** 3) * 0.2 * 140, 9);
    const measured = { ...inner, lens50LpPerMm: 210 } as Part;
    expect(fold(lens, measured).lens50LpPerMm.plusMinus).toBeUndefined();
  });

  it('works in its own lens only, and its lever is offered both ways', () => {
    const codes = (...chain: Part[]) => checksOf(setup(...chain)).map((each) => each.code);
    expect(codes(lens, inner)).not.toContain('converter.builtIn');
    expect(codes(macro, inner)).toContain('converter.builtIn');
    expect(fits(linksOf([macro]), link('i', inner), body)).toBe(false);
    const offered = (chain: (Part | Link)[]) =>
      candidatesAround(setup(...chain), { parts: [], setups: [] }).find((each) => each.part === 'innerConverter')!;
    const out = offered([lens, lever(true)]);
    expect(out.removes).toBe(true);
    expect(fold(...(out.setup.chain as Link[])).focalMm.value).toBe(390);
    const back = offered([lens, lever(false)]);
    expect(back.removes).toBe(false);
    expect(fold(...(back.setup.chain as Link[])).focalMm.value).toBeCloseTo(546, 9);
  });
});

describe('a filter in front', () => {
  it('takes light and nothing else', () => {
    const [bare, behind] = [fold(lens), fold(grey, lens)];
    for (const key of [
      'focalMm',
      'fNumber',
      'entrancePupilMm',
      'lens50LpPerMm',
      'closestFocusM',
      'ratioAtClosest',
    ] as const)
      expect(behind[key]!.value).toBe(bare[key]!.value);
    expect(behind.lightFNumber / bare.lightFNumber).toBeCloseTo(2 ** 1.5, 12);
    expect(behind.optics.shadeStops).toBe(3);
    expect(behind.optics.plain).toBe(true);
    const steps = stepsOf(setup(grey, lens));
    if (!steps.ok) throw new Error(steps.problem.message);
    expect(steps.value.map(({ index, kind, stops }) => [index, kind, stops])).toEqual([
      [1, 'lens', 0],
      [0, 'filter', -3],
    ]);
  });

  it('is a lever that costs its stops and no pixel', () => {
    const subject = { name: 'Bird', kind: 'wader' as const, sizeMm: 400, distanceM: 40 };
    const output = { kind: 'screen' as const, name: 'Web', longSidePx: 1500, subjectShare: 0.5 };
    const read = (system: ReturnType<typeof fold>) => {
      const reading = readFar({ system, subject, output, distanceM: 40 });
      if (!reading.ok) throw new Error(reading.problem.message);
      return reading.value.resolvedPixels.value;
    };
    expect(read(fold(grey, lens))).toBe(read(fold(lens)));
    const [offered] = candidatesAround(setup(lens), { parts: [link('g', grey)], setups: [] });
    expect([offered!.part, offered!.removes, ids(offered!.patch.chain!)]).toEqual(['filter', false, 'g 0']);
    // One for the Sun is for nothing else; where it is in, it may come out.
    expect(candidatesAround(setup(lens), { parts: [link('s', solar)], setups: [] })).toEqual([]);
    const filtered = { ...setup(lens), chain: [link('s', solar), link('0', lens)] };
    const [out] = candidatesAround(filtered, { parts: [link('s', solar)], setups: [] });
    expect([out!.part, out!.removes, ids(out!.patch.chain!)]).toEqual(['filter', true, '0']);
  });

  it('lifts the block on the Sun only where it is certified and before everything', () => {
    expect(sunBlock([solar, lens])).toBeNull();
    expect(sunBlock([lens])).toMatchObject({
      code: 'sun.unfiltered',
      message: expect.stringMatching(/no certified/) as string,
    });
    // A grey filter of as many stops lets heat through.
    expect(sunBlock([{ ...grey, stops: 16.6 } as Part, lens])).not.toBeNull();
    expect(sunBlock([closeUp, solar, lens])).toMatchObject({
      message: expect.stringMatching(/in front of everything/) as string,
    });
    expect(checksOf(setup({ ...grey, stops: 10 } as Part, lens)).map((each) => each.code)).toContain('filter.notSolar');
    expect(checksOf(setup(solar, lens)).map((each) => each.code)).toContain('filter.solar');
  });
});

describe('a chain is changed', () => {
  const chain = [link('c', closeUp), link('l', macro), link('t', bellows)];

  it('by putting a part where it belongs', () => {
    expect(ids(put(chain, link('x', converter)))).toBe('c l x t');
    expect(ids(put(put(chain, link('x', converter)), link('y', converter)))).toBe('c l x y t');
    expect(ids(put(chain, link('f', grey)))).toBe('f c l t');
    expect(ids(put(chain, link('d', closeUp)))).toBe('c d l t');
    expect(ids(put(chain, link('n', lens)))).toBe('c n t');
    expect(ids(put([], link('x', converter)))).toBe('x');
  });

  it('behind a mount adapter where only there its mount is met', () => {
    const old = link('o', { ...lens, mount: 'Old', name: 'Old' });
    const ring = link('r', {
      kind: 'mountAdapter',
      name: 'Ring',
      mount: 'A',
      lensMount: 'Old',
      addsMm: 20,
      autofocus: false,
    });
    expect(ids(put([old, ring], link('x', converter)))).toBe('o r x');
    expect(fits([old, ring], link('x', converter), body)).toBe(true);
    expect(fits([old], link('x', { ...converter, mount: 'B' } as Part), body)).toBe(false);
  });

  it('by taking, replacing and moving, and never in place', () => {
    expect(ids(take(chain, 'c'))).toBe('l t');
    expect(ids(replace(chain, 'l', link('n', lens)))).toBe('c n t');
    expect(ids(move(chain, 0, 2))).toBe('l t c');
    expect(ids(chain)).toBe('c l t');
  });

  it('keeps what plain parts say of their use', () => {
    const tubes: Part = { kind: 'tubes', name: 'Set', lengthsMm: [11, 23], usedMm: [23], autofocus: true };
    const scope: Part = {
      kind: 'scope',
      name: 'Scope',
      objectiveMm: 65,
      magnificationLow: 20,
      magnificationHigh: 48,
      magnificationSet: 31,
      detailClass: 'fair',
    };
    const plain = [scope, tubes, { ...bellows, extensionMm: 60 } as Part, { ...inner, switchedIn: false } as Part];
    expect(linksOf(plain).map(({ used }) => used)).toEqual([
      { magnification: 31 },
      { tubesMm: [23] },
      { extensionMm: 60 },
      { switchedIn: false },
    ]);
    expect(partsOf(plain)).toEqual(plain);
    const [twice, again] = partsOf([closeUp, closeUp]);
    expect(twice).not.toBe(again);
  });
});
