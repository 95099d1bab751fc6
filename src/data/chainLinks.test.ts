import { demoKit } from '@/demo/demoKit';
import { demoAdapters, demoBodies, demoOptics } from '@/demo/kit';
import type { Ratio } from '@/contract/schemas/ratio';
import { linksOfRows, measuredHow, measuredWith, rowOfLink } from './chainLinks';
import type { ChainRow } from './hand';
import { ratioKitOf, storedLinks } from './ratioPlans';

const kit = demoKit();
const lens: ChainRow = { type: 'optic', id: demoOptics.macro100.id };
const tubes = (...usedMm: number[]): ChainRow => ({ type: 'adapter', id: demoAdapters.tubes.id, usedMm });
const ratio = (change: Partial<Ratio> = {}): Ratio => ({
  name: 'macro',
  chain: [lens, tubes(20, 36)],
  at: 'closest',
  method: 'ruler',
  visibleMm: 20,
  frameWidthMm: 36,
  ratio: 1.8,
  plusMinus: 0.04,
  measuredAt: '2026-05-02T09:00:00Z',
  ...change,
});
const stored = (data: Ratio) => ({ id: 'x', version: 1, createdAt: '', updatedAt: '', data });

it('finds what was measured with a chain, whatever the order in which its tubes were ticked', () => {
  expect(measuredWith([lens, tubes(36, 20)], [stored(ratio())])).toMatchObject([{ ratio: 1.8, at: 'closest' }]);
  expect(measuredWith([lens, tubes(36)], [stored(ratio())])).toEqual([]);
  expect(measuredWith([lens], [stored(ratio())])).toEqual([]);
  expect(measuredHow(ratio())).toBe('measured 2026-05-02: 20 mm of a ruler across 36 mm');
  expect(measuredHow(ratio({ method: 'marks', pixels: 4120, realMm: 10 }))).toContain('px between marks 10 mm apart');
});

it('gives every place of a chain an id of its own, and stores what it was given', () => {
  const closeUp: ChainRow = { type: 'adapter', id: demoAdapters.closeUp.id };
  const chain = [closeUp, closeUp, lens, tubes(20)];
  const links = linksOfRows(chain, kit)!;
  expect(links.map((link) => link.id)).toEqual([closeUp.id, `${closeUp.id}#2`, lens.id, demoAdapters.tubes.id]);
  expect(links[3]!.used).toEqual({ tubesMm: [20] });
  expect(links.map(rowOfLink)).toEqual(chain);
  expect(linksOfRows([{ type: 'optic', id: 'gone' }], kit)).toBeNull();
});

it('stores every use a part can be put to', () => {
  const row: ChainRow = { type: 'adapter', id: demoAdapters.tubes.id, extensionMm: 80, switchedIn: false };
  expect(linksOfRows([row], kit)!.map(rowOfLink)).toEqual([row]);
  const scope: ChainRow = { type: 'optic', id: demoOptics.scope.id, magnificationSet: 30 };
  expect(linksOfRows([scope], kit)!.map(rowOfLink)).toEqual([scope]);
});

it('offers a body what mounts on it', () => {
  const { kit: parts, means } = ratioKitOf(kit, demoBodies.ostrel.data);
  expect(parts.lenses.map((each) => each.spec.name)).toEqual([
    'Ostrel 600 f/5.6',
    'Ostrel 100 f/2.8 macro',
    'Ostrel 20 f/1.8',
  ]);
  expect(parts.converters.map((each) => each.spec.name)).toEqual(['Ostrel ×1.4', 'Ostrel ×2']);
  expect(means.reversing).toHaveLength(1);
  // Another mount has none of them, but close-up lenses have no mount.
  const merrow = ratioKitOf(kit, demoBodies.merrow.data).kit;
  expect(merrow.tubes).toEqual([]);
  expect(merrow.closeUps).toHaveLength(1);
  expect(storedLinks([{ id: lens.id }, { id: demoAdapters.tubes.id, usedMm: [12] }], kit)).toEqual([lens, tubes(12)]);
});
