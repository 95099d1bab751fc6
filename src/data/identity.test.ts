import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSetups, demoSubjects } from '@/demo/kit';
import type { Stored } from '@/contract/resources';
import { mayMount, sameMount } from '@/core/chain/mounts';
import { candidatesAround } from '@/core/levers/candidates';
import { foldSystem } from '@/core/optics/foldSystem';
import { kitItems } from '@/features/kit/kitItems';
import { UNREADABLE } from '@/features/kit/unreadable';
import { EMPTY_HAND } from './hand';
import { situationOf, type Kit } from './situation';

const stored = <T>(id: string, data: T): Stored<T> => ({ id, version: 1, createdAt: '', updatedAt: '', data });
const rows = <T>(all: Record<string, { id: string; data: T }>) =>
  Object.values(all).map((row) => stored(row.id, row.data));
const [ONE, TWO] = ['20000000-0000-4000-8000-000000000001', '20000000-0000-4000-8000-000000000002'] as const;
const converter = (factor: number) => ({ ...demoAdapters.converter14.data, name: 'Converter', factor }) as never;

function kitWith(links: { type: 'optic' | 'adapter'; id: string }[]): Kit {
  const setup = { ...demoSetups.hide.data, chain: links };
  return {
    bodies: rows(demoBodies),
    optics: rows(demoOptics),
    adapters: [stored(ONE, converter(1.4)), stored(TWO, converter(2))],
    setups: [stored(demoSetups.hide.id, setup)],
    subjects: rows(demoSubjects),
    outputs: rows(demoOutputs),
    ratios: [],
  } as unknown as Kit;
}
const tele = { type: 'optic' as const, id: demoOptics.tele600.id };

const inHand = { ...EMPTY_HAND, setupId: demoSetups.hide.id, cropConvention: 'usual', judgeBy: 'resolved' } as const;
const behind = (...ids: string[]) => [tele, ...ids.map((id) => ({ type: 'adapter' as const, id }))];

function focalWith(kit: Kit, ids: string[] | null): number {
  const found = situationOf(kit, { ...inHand, chain: ids && behind(...ids) });
  if (typeof found === 'string') throw new Error(found);
  const folded = foldSystem(found.setup, found.convention);
  if (!folded.ok) throw new Error(folded.problem.message);
  return folded.value.focalMm.value;
}

it('tells two converters of the same name apart', () => {
  const bare = focalWith(kitWith([tele]), null);
  const kit = kitWith([tele, { type: 'adapter', id: ONE }]);
  expect(focalWith(kit, null) / bare).toBeCloseTo(1.4, 9);
  // The other one of that name is taken instead, not passed over because its name is there already.
  expect(focalWith(kit, [TWO]) / bare).toBeCloseTo(2, 9);
  expect(focalWith(kit, [ONE, TWO]) / bare).toBeCloseTo(2.8, 9);
  const found = situationOf(kit, inHand);
  expect(typeof found === 'string' ? [] : found.kit.parts.map((each) => each.id)).toEqual([ONE, TWO]);
});

it('knows one meaning of the same mount', () => {
  expect([sameMount('Ostrel R', ' ostrel r '), sameMount('Ostrel R', 'Quillon C')]).toEqual([true, false]);
  expect([mayMount(undefined, 'Ostrel R'), mayMount('ostrel R', 'Ostrel R'), mayMount('Merrow', 'Ostrel R')]).toEqual([
    true,
    true,
    false,
  ]);
  const kit = kitWith([tele]);
  (kit.adapters[0]!.data as { mount?: string }).mount =
    ` ${(demoOptics.tele600.data as { mount: string }).mount.toUpperCase()} `;
  const found = situationOf(kit, inHand);
  if (typeof found === 'string') throw new Error(found);
  expect(candidatesAround(found.setup, found.kit).map((each) => each.id)).toContain(`chain:${ONE}`);
});

it('shows the kit though a row of it cannot be read', () => {
  const kit = kitWith([tele]);
  const odd = stored('30000000-0000-4000-8000-000000000009', { name: 'From elsewhere', kind: 'hologram' }) as never;
  const items = kitItems({ ...kit, bodies: [odd, ...kit.bodies], optics: [odd, ...kit.optics] });
  expect(items.filter((item) => item.brief === UNREADABLE).map((item) => item.name)).toEqual([
    'From elsewhere',
    'From elsewhere',
  ]);
  expect(items).toHaveLength(kit.bodies.length + kit.optics.length + kit.adapters.length + 2);
});
