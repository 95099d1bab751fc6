import { demoBodies, demoOptics } from '@/demo/kit';
import { inputsOf } from '../../../tests/support/recompute';
import type { LensSpec } from '../chain/parts';
import { foldSystem, type SystemInput } from '../optics/foldSystem';
import { lightAgainst } from './lightAgainst';

const body = demoBodies.ostrel.data;
const lens = (focalMm: number, fNumber: number, more: Partial<LensSpec> = {}): SystemInput => ({
  body,
  modeId: 'whole',
  chain: [
    {
      ...(demoOptics.tele600.data as LensSpec),
      name: `${focalMm}`,
      focalWideMm: focalMm,
      focalTeleMm: focalMm,
      fNumberWide: fNumber,
      fNumberTele: fNumber,
      ...more,
    },
  ],
});
const folded = (setup: SystemInput) => {
  const system = foldSystem(setup);
  if (!system.ok) throw new Error(system.problem.message);
  return system.value;
};
const against = (own: SystemInput, others: SystemInput[]) =>
  lightAgainst(
    folded(own),
    others.map((setup, index) => ({ id: `id${index}`, name: `Other ${index}`, setup })),
    'usual',
  );

describe('light against other set-ups', () => {
  it('goes with the area of the opening: 150 mm gather two stops more than 75 mm, one more than 106 mm', () => {
    const [half, less, more] = against(lens(600, 4), [lens(300, 4), lens(300, 2.828427), lens(600, 2.828427)]);
    expect(half!.stops.value).toBeCloseTo(2, 9);
    expect(less!.stops.value).toBeCloseTo(1, 5);
    expect(more!.stops.value).toBeCloseTo(-1, 5);
    expect(half!.stops.unit).toBe('stops');
    expect([half!.id, half!.name, half!.openingMm.value]).toEqual(['id0', 'Other 0', 75]);
    expect([less!.id, more!.id]).toEqual(['id1', 'id2']);
  });

  it('does not count what a mirror covers, though the entrance pupil is as wide', () => {
    const [mirror] = against(lens(500, 8), [lens(500, 8, { design: 'mirror', obstructionShare: 0.4 })]);
    expect(mirror!.openingMm.value).toBeCloseTo(62.5, 9);
    expect(mirror!.stops.value).toBeCloseTo(-Math.log2(1 - 0.4 ** 2), 6);
  });

  it('is told from the two openings, and each from its own focal length and f-number', () => {
    const [other] = against(lens(600, 5.6), [lens(400, 4.5)]);
    const why = other!.stops.why;
    expect([why.name, why.formula]).toEqual(['Light against Other 0', '2 · log₂(D / D₂)']);
    const [own, its] = why.inputs.map(({ quantity }) => quantity);
    expect(2 * Math.log2(own!.value / its!.value)).toBe(other!.stops.value);
    for (const [opening, focalMm, fNumber] of [
      [own!, 600, 5.6],
      [its!, 400, 4.5],
    ] as const) {
      const at = inputsOf(opening);
      expect([at('f'), at('N'), opening.unit, opening.why.formula]).toEqual([focalMm, fNumber, 'mm', 'f / N']);
      expect(opening.value).toBe(focalMm / fNumber);
    }
    expect(why.inputs.map(({ name }) => name)).toEqual(['opening in hand', 'opening of Other 0']);
  });

  it('leaves out what cannot be put together, and keeps the others', () => {
    const broken: SystemInput = { body, modeId: 'whole', chain: [] };
    expect(foldSystem(broken).ok).toBe(false);
    expect(against(lens(600, 4), [broken, lens(300, 4)]).map(({ id }) => id)).toEqual(['id1']);
  });
});
