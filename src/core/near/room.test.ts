import { bareSetting } from '../chain/opticState';
import { lensFocus } from '../chain/lensFocus';
import type { LensSpec, Part } from '../chain/parts';
import type { BodySpec } from '../kit/body';
import { foldSystem, type EffectiveSystem, type SystemInput } from '../optics/foldSystem';
import { measured } from '../quantity/quantity';
import { nearHints } from './nearHints';
import { nearState } from './nearState';
import { ratioInUse } from './ratioInUse';
import { frontOffsetMm, roomInFront, workingDistance } from './workingDistance';

const body: BodySpec = {
  name: 'Odd',
  mount: 'A',
  flangeMm: 19,
  sensor: { widthMm: 31.2, heightMm: 17, columns: 7800, rows: 4250 },
  antiAliasFilter: 'none',
  cropModes: [],
};
const macro: LensSpec = {
  kind: 'lens',
  name: 'Macro',
  mount: 'A',
  focalWideMm: 95,
  focalTeleMm: 95,
  fNumberWide: 2.8,
  fNumberTele: 2.8,
  closestFocusM: 0.29,
  closestRatio: 1,
  detailClass: 'excellent',
  autofocus: true,
  lengthMm: 131,
  flangeMm: 19,
};
const front: LensSpec = { ...macro, name: 'Front', focalWideMm: 40, focalTeleMm: 40, flangeMm: 44 };
const objective = (correction: 'infinity' | 'finite', workingDistanceMm?: number): Part => ({
  kind: 'objective',
  name: '5×',
  magnification: 5,
  numericalAperture: 0.14,
  correction,
  ...(correction === 'infinity' ? { designTubeFocalMm: 200 } : { designTubeLengthMm: 160 }),
  workingDistanceMm,
});

function fold(chain: Part[], change: Partial<SystemInput> = {}): EffectiveSystem {
  const folded = foldSystem({ body, modeId: 'whole', chain, ...change });
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value;
}
function state(system: EffectiveSystem, ratio?: number) {
  const found = nearState(system, ratio, undefined);
  if (!found.ok) throw new Error(found.problem.message);
  return found.value;
}
const room = (chain: Part[], ratio?: number, change: Partial<SystemInput> = {}) => {
  const system = fold(chain, change);
  return workingDistance(system, state(system, ratio));
};

describe('room in front', () => {
  it('is what the subject’s distance from the lens leaves, drawn nearer by dioptres', () => {
    // 100 mm at 1 : 2 see 300 mm away; 40 mm of them inside the barrel.
    const half = bareSetting(100, 0.5);
    expect(roomInFront(half, 40, 0)).toBeCloseTo(260, 9);
    expect(roomInFront(half, 40, 5)).toBeCloseTo(1 / (0.005 + 1 / 260), 9);
    // From infinity it is drawn to the focal length of what stands in front.
    const infinity = bareSetting(100, 0);
    expect(roomInFront(infinity, 40, 0)).toBe(Infinity);
    expect(roomInFront(infinity, 40, 5)).toBeCloseTo(200, 9);
    // Inside the glass it stays inside the glass.
    expect(roomInFront(half, 400, 0)).toBeCloseTo(-100, 9);
    expect(roomInFront(half, 400, 5)).toBeCloseTo(-100, 9);
  });

  it('of a lens begins where its stated closest distance says', () => {
    // f′ = 72.5 mm at life size: its plane stands 145 mm before the sensor, what is stated measures 290 in all.
    const lens = lensFocus(95, 290, 1);
    expect(frontOffsetMm(lens, 150)).toBeCloseTo(150 - 145, 9);
    // A lens of which no closest focus is known is a thin one.
    expect(frontOffsetMm(lensFocus(95), 150)).toBeCloseTo(150 - 95, 9);
  });

  it('falls by what stands between lens and body, and needs both lengths', () => {
    expect(room([macro])).toEqual({
      mm: expect.closeTo(290 - 131 - 19, 9) as number,
      plusMinusMm: expect.closeTo(29, 9) as number,
      entered: false,
      how: 'sensor to subject − lens length − flange distance − extension',
    });
    expect(room([{ ...macro, lengthMm: undefined }])).toBeNull();
    expect(room([macro], undefined, { body: { ...body, flangeMm: undefined } })).toBeNull();
    // Made for 44 mm, adapted by 25: the same room less what the adapter adds.
    const slr: LensSpec = { ...macro, mount: 'B', flangeMm: 44 };
    const adapter = (addsMm: number): Part => ({
      kind: 'mountAdapter',
      name: 'B to A',
      lensMount: 'B',
      mount: 'A',
      addsMm,
      autofocus: true,
    });
    expect(room([slr, adapter(25)])!.mm).toBeCloseTo(290 - 131 - 25 - 19, 9);
    // Two millimetres too long, it acts as two of tube: m = 1 + 2/72.5, the lens's plane 145 mm before where it belongs.
    const long = fold([slr, adapter(27)]);
    const close = state(long);
    expect(close.ratio).toBeCloseTo(1 + 2 / 72.5, 9);
    expect(workingDistance(long, close)!.mm).toBeCloseTo(72.5 * (1 + 1 / close.ratio) - (131 + 44 - 145), 6);
  });

  it('is never said to be more than a person could stand back: at infinity there is no such distance', () => {
    const far: LensSpec = { ...macro, closestFocusM: undefined, closestRatio: undefined };
    const tube: Part = { kind: 'tubes', name: 'T', lengthsMm: [19], autofocus: true };
    // A lens that is only known at infinity: with 19 mm of tube at 19/95, focused there.
    expect(room([far, tube], 0.2)!.mm).toBeCloseTo(95 * (1 + 5) - (131 + 19 - 95), 6);
    const dioptres: Part = { kind: 'closeUp', name: '+3', dioptres: 3 };
    const behind = room([dioptres, far])!;
    expect(behind.mm).toBeCloseTo(1000 / 3, 6);
    expect(behind.how).toBe('where the lens alone is focused, drawn nearer by the close-up lenses');
    expect(room([{ kind: 'closeUp', name: '+0.5', dioptres: 0.5 }, macro])!.how).toMatch(/drawn nearer/);
  });

  it('behind an objective is the one entered, whichever way it stands', () => {
    for (const chain of [[objective('infinity', 31), macro], [objective('finite', 12)]] as Part[][])
      expect(room(chain)).toEqual({
        mm: chain.length === 2 ? 31 : 12,
        plusMinusMm: 0,
        entered: true,
        how: 'working distance of 5×',
      });
    expect(room([objective('infinity'), macro])).toBeNull();
    expect(room([objective('finite')])).toBeNull();
  });

  it('of a lens turned round is its flange distance and the focal length over the ratio', () => {
    const ring: Part = { kind: 'reversing', name: 'Ring' };
    const system = fold([macro, ring], { measured: [{ at: 'closest', ratio: 1.9, plusMinus: 0.1, how: 'ruler' }] });
    const turned = state(system);
    const found = workingDistance(system, turned)!;
    expect(found.mm).toBeCloseTo(19 + turned.setting.frontFocalMm / turned.setting.ratio, 9);
    expect(found.mm).toBeGreaterThan(19);
    // A tenth of 19 mm would be less than one can know.
    expect([found.plusMinusMm, found.entered, found.how]).toEqual([
      5,
      false,
      'flange distance of the reversed lens + f/m',
    ]);
    const unknown = fold([{ ...macro, flangeMm: undefined }, ring], {
      measured: [{ at: 'closest', ratio: 1.9, plusMinus: 0.1, how: 'ruler' }],
    });
    expect(workingDistance(unknown, state(unknown))).toBeNull();
  });

  it('of a coupled lens is its flange distance', () => {
    const coupling: Part = { kind: 'coupling', name: 'C' };
    expect(room([front, coupling, macro])).toMatchObject({
      mm: 44,
      plusMinusMm: 5,
      how: 'flange distance of the reversed lens',
    });
    expect(room([{ ...front, flangeMm: undefined }, coupling, macro])).toBeNull();
  });
});

describe('hints', () => {
  const system = fold([macro]);
  const known = measured(1, ':1', () => ({ name: '', formula: '', inputs: [], source: '' }), 0.2);
  const codes = (workingMm: number | undefined, ratio = 1, holds = 2) =>
    nearHints(state(system, ratio), workingMm, holds, known, 'metric').map(({ code }) => code);

  it('follow the room, from none to touching', () => {
    expect(codes(undefined)).toEqual([]);
    expect([120, 119.9, 50, 49.9, 0.1, 0, -3].map((mm) => codes(mm))).toEqual([
      [],
      ['near.shy'],
      ['near.shy'],
      ['near.shadow'],
      ['near.shadow'],
      ['near.touches'],
      ['near.touches'],
    ]);
    const said = (units: 'metric' | 'imperial') => nearHints(state(system), 80, 2, known, units)[0]!.message;
    expect(said('metric')).toMatch(/^About 80\smm in front/);
    expect(said('imperial')).toMatch(/^About 3\.1\sin in front/);
  });

  it('follow the ratio: above the hand, below a tenth', () => {
    expect(codes(200, 1, 1)).toEqual([]);
    expect(codes(200, 1, 0.99)).toEqual(['near.hand']);
    expect(codes(200, 0.1)).toEqual([]);
    expect(codes(200, 0.099)).toEqual(['near.far']);
  });
});

describe('the ratio in use', () => {
  const tubes: Part = { kind: 'tubes', name: 'T', lengthsMm: [25], autofocus: true };
  const at = (ratio: number, measuredEnds: SystemInput['measured'] = []) => {
    const system = fold([macro, tubes], { measured: measuredEnds });
    return { system, used: ratioInUse(system, state(system, ratio)) };
  };
  const closest = { at: 'closest', ratio: 1.4, plusMinus: 0.07, how: 'ruler' } as const;
  const infinity = { at: 'infinity', ratio: 0.25, plusMinus: 0.005, how: 'ruler' } as const;

  it('is that of an end where it stands there', () => {
    const { system, used } = at(1.4, [closest, infinity]);
    expect(used).toBe(system.ratioAtClosest);
    const far = at(0.25, [closest, infinity]);
    expect(far.used).toBe(far.system.ratioAtInfinity);
  });

  it('between them takes its relative error from both, by how far the focus is turned', () => {
    const { system, used } = at(0.8, [closest, infinity]);
    const { turned } = state(system, 0.8);
    expect(turned).toBeGreaterThan(0.2);
    expect(turned).toBeLessThan(0.9);
    // 5 % at the closest, 2 % at infinity.
    expect(used.plusMinus).toBeCloseTo(0.8 * (0.02 + 0.03 * turned), 9);
    expect(used.kind).toBe('measured');
    expect(used.why.inputs.map(({ symbol, quantity }) => [symbol, quantity.value])).toEqual([
      ['m₁', 1.4],
      ['m₀', 0.25],
    ]);
    expect(used.why.source).toContain(`turned ${Math.round(turned * 100)} % of the way`);
  });

  it('is measured only where both ends are', () => {
    expect(at(0.8, [closest]).used.kind).toBe('computed');
    expect(at(0.8, [infinity]).used.kind).toBe('computed');
    expect(at(0.8).used.kind).toBe('computed');
  });

  it('has no error where neither end has one', () => {
    const system = fold([macro]);
    const used = ratioInUse(system, state(system, 0.5));
    expect([used.value, used.plusMinus, used.kind]).toEqual([0.5, undefined, 'computed']);
    expect(used.why.inputs.map(({ symbol }) => symbol)).toEqual(['m₁']);
  });
});
