import { stepsOf } from '../../../tests/support/chain';
import { demoKit } from '@/demo/demoKit';
import { demoAdapters, demoBodies, demoOptics, demoSetups } from '@/demo/kit';
import type { Part } from '@/core/chain/parts';
import { whereUsed, withReplaced } from '@/data/whereUsed';
import { validateResource } from '@/contract/validate';
import type { ChainRow } from '@/data/hand';
import { setupBrief } from './briefs';
import { addToChain, chainItems, moveInChain } from './builder/chainEdit';
import { stepText } from './builder/stepText';
import { bodiesTable, opticsTable } from './compare/tables';
import { KINDS, PART_KINDS } from '@/core/chain/kinds';
import { BODY_FORM } from './bodyForm';
import { kitItems, selectItems } from './kitItems';
import { bodyFacts } from './bodyFacts';
import { KIT_KINDS, partBrief, partFacts } from './kinds';

const kit = demoKit();
const plain = (text: string) => text.replace(/\u202f|\u00a0/g, ' ');
const optic = (key: keyof typeof demoOptics): ChainRow => ({ type: 'optic', id: demoOptics[key].id });
const adapter = (key: keyof typeof demoAdapters): ChainRow => ({ type: 'adapter', id: demoAdapters[key].id });
const named = (chain: ChainRow[]) => chainItems(chain, kit).map((item) => item.part?.name ?? 'gone');
const build = (...links: ChainRow[]) =>
  named(links.reduce<ChainRow[]>((chain, link) => addToChain(chain, link, kit), []));

describe('adding to a chain', () => {
  it('puts everything where it belongs, whatever comes first', () => {
    const whole = ['Merrow close-up +5', 'Ostrel 100 f/2.8 macro', 'Ostrel tube set'];
    expect(build(optic('macro100'), adapter('closeUp'), adapter('tubes'))).toEqual(whole);
    expect(build(adapter('tubes'), adapter('closeUp'), optic('macro100')).sort()).toEqual([...whole].sort());
  });
  it('lets a lens take the place of the lens', () => {
    expect(build(optic('tele600'), adapter('converter14'), optic('macro100'))).toEqual([
      'Ostrel 100 f/2.8 macro',
      'Ostrel ×1.4',
    ]);
  });
  it('keeps both lenses where a ring couples them, and a scope in front of a camera lens', () => {
    expect(build(optic('wide20'), adapter('coupling'), optic('macro100'))).toEqual([
      'Ostrel 20 f/1.8',
      'Coupling ring 62–67',
      'Ostrel 100 f/2.8 macro',
    ]);
    expect(build(optic('scope'), optic('pocketLens'), adapter('afocal'))).toEqual([
      'Merrow 65 spotting scope',
      'Phone clamp for eyepieces',
      'Merrow pocket main lens',
    ]);
  });
  it('ignores a part that is gone, but shows one that went missing later', () => {
    expect(addToChain([], { type: 'optic', id: 'gone' }, kit)).toEqual([]);
    expect(named([{ type: 'optic', id: 'gone' }])).toEqual(['gone']);
  });
  it('moves parts, and tells two of the same apart', () => {
    const chain = [optic('tele600'), adapter('converter14'), adapter('converter14')];
    expect(new Set(chainItems(chain, kit).map((item) => item.key)).size).toBe(3);
    expect(named(moveInChain([optic('tele600'), adapter('converter14'), adapter('converter20')], 2, 1, kit))).toEqual([
      'Ostrel 600 f/5.6',
      'Ostrel ×2',
      'Ostrel ×1.4',
    ]);
    expect(moveInChain(chain, 5, 0, kit)).toEqual(chain);
  });
});

describe('a step in words', () => {
  const texts = (...chain: Part[]) => {
    const steps = stepsOf({ body: demoBodies.ostrel.data, modeId: 'whole', chain });
    if (!steps.ok) throw new Error(steps.problem.message);
    return steps.value.map((step) => plain(stepText(step, 'metric').join(' · ')));
  };
  it('says what the lens brings and what a converter changes', () => {
    expect(texts(demoOptics.tele600.data, demoAdapters.converter14.data)).toEqual([
      '600 mm · f/5.6 · ratio 1 : 6.25 · circle 43.9 mm · closest 4.2 m',
      '600 mm → 840 mm · f/5.6 → f/7.8 · −1 stop · ratio 1 : 6.25 → 1 : 4.46 · circle 43.9 mm → 61.5 mm',
    ]);
  });
  it('says nothing of what stays', () => {
    expect(texts(demoOptics.mirror500.data, demoAdapters.slrAdapter.data)[1]).toBe('');
  });
  it('tells distances in feet and inches to those who read them', () => {
    const steps = stepsOf({ body: demoBodies.ostrel.data, modeId: 'whole', chain: [demoOptics.tele600.data] });
    if (!steps.ok) throw new Error(steps.problem.message);
    expect(plain(stepText(steps.value[0]!, 'imperial').join(' · '))).toMatch(/closest 14 ft$/);
  });
});

describe('the kit as a list', () => {
  const items = kitItems(kit);
  const found = (...args: [string, Parameters<typeof selectItems>[2]?, Parameters<typeof selectItems>[3]?]) =>
    selectItems(items, args[0], args[1] ?? 'all', args[2] ?? 'name').map((item) => item.name);
  it('has every part with where it is used', () => {
    expect(items).toHaveLength(kit.bodies.length + kit.optics.length + kit.adapters.length);
    expect(items.find((item) => item.name === 'Ostrel R45')!.usedBy).toEqual([
      'Marsh hide',
      'Heath macro',
      'Dark sky',
      'Small refractor',
    ]);
  });
  it('is sought by any word of name, maker, kind or what it is', () => {
    expect(found('ostrel macro')).toEqual(['Ostrel 100 f/2.8 macro']);
    expect(found('FOCAL reducer')).toEqual(['Quillon ×0.8 reducer']);
    expect(found('65 mm')).toEqual(['Merrow 65 spotting scope']);
  });
  it('sorts what has no value last, and the largest pupil first', () => {
    const bodies = found('', 'bodies', 'pitch');
    expect(bodies[0]).toBe('Merrow pocket phone');
    expect(found('', 'all', 'weight').at(-1)).toBe('Merrow pocket main lens');
    expect(found('', 'optics', 'pupil').slice(0, 2)).toEqual(['Merrow 180 long reflector', 'Ostrel 600 f/5.6']);
  });
  it('hides what is retired, except where it is asked for', () => {
    const retired = items.map((item) => (item.name === 'Merrow T20' ? { ...item, retired: true } : item));
    expect(selectItems(retired, '', 'bodies', 'name').map((item) => item.name)).not.toContain('Merrow T20');
    expect(selectItems(retired, '', 'retired', 'name').map((item) => item.name)).toEqual(['Merrow T20']);
  });
});

describe('where a part is used', () => {
  it('is found, and another can take its place', () => {
    expect(whereUsed(kit, 'adapters', demoAdapters.tubes.id).map((row) => row.data.name)).toEqual(['Heath macro']);
    expect(whereUsed(kit, 'optics', demoOptics.mirror500.id)).toEqual([]);
    expect(withReplaced(demoSetups.heath.data, 'adapters', demoAdapters.tubes.id, 'new').chain[1]).toEqual({
      type: 'adapter',
      id: 'new',
    });
    expect(
      withReplaced({ ...demoSetups.hide.data, modeId: 'c15' }, 'bodies', demoBodies.ostrel.id, 'new'),
    ).toMatchObject({ bodyId: 'new', modeId: 'whole' });
    expect(withReplaced(demoSetups.hide.data, 'bodies', 'another', 'new')).toBe(demoSetups.hide.data);
  });
});

describe('beside each other', () => {
  const cell = (rows: ReturnType<typeof bodiesTable>, name: string) => rows.find((row) => row.name === name)!;
  it('bodies show their pitch, four crop factors and the megapixels of every mode', () => {
    const rows = bodiesTable([demoBodies.ostrel.data, demoBodies.merrow.data]);
    expect(cell(rows, 'Pixel pitch').values.map(plain)).toEqual(['4.36 µm', '3.35 µm']);
    expect(cell(rows, 'Crop factor by the width').values[1]).toBe('2.069');
    expect(cell(rows, 'Crop factor by the height').values[1]).toBe('1.846');
    expect(rows.filter((row) => row.name.includes('crop mode'))).toHaveLength(3);
    expect(cell(rows, '… in crop mode 3').values).toEqual(['30.3 (Square)', '–']);
    expect(cell(rows, 'Weight').best).toBe(1);
  });
  it('optics show light against the first in stops, and a dash where nothing was entered', () => {
    const rows = opticsTable([demoOptics.tele600.data, demoOptics.tele300.data, demoOptics.scope.data], 'metric');
    // 107.1 mm against 75 mm: 2·log2 = 1.03 stops.
    expect(cell(rows, 'Light against the first').values.map(plain)).toEqual(['+0 stops', '−1 stops', '−1.4 stops']);
    expect(cell(rows, '50 % frequency').values[2]).toBe('–');
    expect(cell(rows, 'Entrance pupil').best).toBe(0);
  });
  it('names no best where a value is missing or shared', () => {
    expect(
      cell(bodiesTable([demoBodies.ostrel.data, { ...demoBodies.ostrel.data, name: 'Twin' }]), 'Weight').best,
    ).toBeUndefined();
    expect(cell(bodiesTable([demoBodies.ostrel.data, demoBodies.pocket.data]), 'Autofocus up to').best).toBeUndefined();
  });
});

describe('forms and cards', () => {
  it('every kind has a form that starts from something valid, once it has a name', () => {
    expect(BODY_FORM[0]!.fields[0]).toMatchObject({ path: 'name' });
    for (const kind of PART_KINDS) {
      expect(KIT_KINDS[kind].form[0]!.fields[0]).toMatchObject({ path: 'name' });
      const start = { ...KIT_KINDS[kind].start, ...(kind === 'mountAdapter' ? { lensMount: 'X' } : {}) };
      expect([kind, validateResource(KINDS[kind].shelf === 'optic' ? 'optics' : 'adapters', start).ok]).toEqual([
        kind,
        true,
      ]);
    }
  });
  it('every part has a line and facts without empty values', () => {
    const ofKit = [...Object.values(demoOptics), ...Object.values(demoAdapters)].map((row) => row.data as Part);
    for (const part of [...ofKit, ...PART_KINDS.map((kind) => KIT_KINDS[kind].start as Part)]) {
      expect(partBrief(part).length).toBeGreaterThan(1);
      for (const [name, value] of partFacts(part, 'metric'))
        expect([name, value.length > 0 && !value.includes('undefined') && !value.includes('NaN')]).toEqual([
          name,
          true,
        ]);
    }
    expect(bodyFacts(demoBodies.ostrel.data).map(([name]) => name)).toEqual(
      expect.arrayContaining(['Burst buffer', 'Flange distance', 'Weight']),
    );
    expect(setupBrief({ ...demoSetups.hide.data, bodyId: 'gone' }, kit)).toBe('body gone + Ostrel 600 f/5.6');
  });
});
