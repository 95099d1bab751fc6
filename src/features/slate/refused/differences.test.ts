import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSetups, demoSubjects } from '@/demo/kit';
import { demoReadings } from '@/demo/readings';
import { RESOURCE_NAMES, type ResourceName } from '@/contract/resources';
import { differencesOf } from './differences';
import { nameAndUnit, valueWords } from './fieldWords';

const noName = () => undefined;
const subject = demoSubjects.curlew.data;
const body = demoBodies.ostrel.data;

describe('two copies of a row', () => {
  it('differ in the words of its form, with units, and say how much is the same', () => {
    const { differences, same } = differencesOf(
      'subjects',
      { ...subject, distanceM: 12.5, kind: 'raptor' },
      { ...subject, distanceM: 40, note: 'by the weir' },
      noName,
    );
    expect(differences).toEqual([
      {
        label: 'Shape, and how its size is measured',
        mine: 'Raptor in flight',
        stored: expect.stringMatching(/wader/i) as string,
      },
      { label: 'Usual distance', mine: '12.5 m', stored: '40 m' },
      { label: 'Note', mine: subject.note ?? 'not given', stored: 'by the weir' },
    ]);
    expect(same).toBeGreaterThan(1);
  });

  it('name an item of a list by its name, and one that only one has by the list', () => {
    const [first, ...rest] = body.cropModes;
    const changed = { ...body, cropModes: [{ ...first!, factor: 1.3 }, ...rest] };
    const fewer = { ...body, cropModes: rest };
    expect(differencesOf('bodies', changed, body, noName).differences).toEqual([
      { label: `Crop modes › “${first!.name}” › Factor`, mine: '1.3', stored: String(first!.factor) },
    ]);
    const { differences } = differencesOf('bodies', body, fewer, noName);
    expect(differences).toHaveLength(1);
    expect(differences[0]).toMatchObject({ label: 'Crop modes' });
    expect(differences[0]!.mine).toContain(first!.name);
    expect(differences[0]!.stored).not.toContain(first!.name);
  });

  it('tell other parts by their names', () => {
    const [setup] = Object.values(demoSetups);
    const mine = setup!.data;
    const stored = { ...mine, bodyId: '11111111-1111-4111-8111-111111111111' };
    const { differences } = differencesOf('setups', mine, stored, (id) =>
      id === mine.bodyId ? 'Ostrel R45' : undefined,
    );
    expect(differences).toEqual([{ label: 'Body', mine: 'Ostrel R45', stored: 'one that is not here any more' }]);
  });

  it('that are the same do not differ, whatever the order of their fields', () => {
    const turned = Object.fromEntries(Object.entries(subject).reverse());
    expect(differencesOf('subjects', subject, turned, noName)).toMatchObject({ differences: [] });
  });

  it('are told in words for every kind of row: no brackets, no codes', () => {
    const rows: [ResourceName, unknown][] = [
      ...Object.values(demoBodies).map((row): [ResourceName, unknown] => ['bodies', row.data]),
      ...Object.values(demoOptics).map((row): [ResourceName, unknown] => ['optics', row.data]),
      ...Object.values(demoAdapters).map((row): [ResourceName, unknown] => ['adapters', row.data]),
      ...Object.values(demoSetups).map((row): [ResourceName, unknown] => ['setups', row.data]),
      ...Object.values(demoSubjects).map((row): [ResourceName, unknown] => ['subjects', row.data]),
      ...Object.values(demoOutputs).map((row): [ResourceName, unknown] => ['outputs', row.data]),
      ...demoReadings().map((row): [ResourceName, unknown] => ['readings', row.data]),
    ];
    for (const [resource, row] of rows) {
      expect(RESOURCE_NAMES).toContain(resource);
      for (const { label, mine, stored } of differencesOf(resource, row, {}, noName).differences) {
        for (const words of [label, mine, stored]) {
          expect(words).not.toMatch(/[{}[\]]|undefined|NaN|null|\bobject\b/);
          expect(words).not.toMatch(/[0-9a-f]{8}-[0-9a-f]{4}-/);
        }
        expect(label).toMatch(/^[A-Z±“0-9(…]/);
        // No name as it stands in the program.
        expect(label).not.toMatch(/[a-z][A-Z]/);
      }
    }
  });
});

describe('a field without a form', () => {
  it.each([
    ['keepDistanceM', 'Keep distance', 'm'],
    ['cardWriteMbPerS', 'Card write', 'MB/s'],
    ['speedMPerS', 'Speed', 'm/s'],
    ['shareOfFramePercent', 'Share of frame', '%'],
    ['pitchUm', 'Pitch', 'µm'],
    ['equivalentFNumber', 'Equivalent f-number', ''],
    ['exposureS', 'Exposure', 's'],
    ['iso', 'ISO', ''],
    ['takenAt', 'When', ''],
  ])('%s reads “%s” in %s', (field, name, unit) => {
    expect(nameAndUnit(field)).toEqual({ name, unit });
  });

  it.each([
    [undefined, '', 'not given'],
    ['', '', 'not given'],
    [false, '', 'no'],
    [0.1 + 0.2, 'm', '0.3 m'],
    [1290, 'px', '1290 px'],
    [[1, 2], 'mm', '1 mm, 2 mm'],
    [[], '', 'none'],
    ['handSharp', '', 'hand sharp'],
    ['Ostrel R45', '', 'Ostrel R45'],
    ['data:image/png;base64,AAAA', '', 'a picture'],
  ])('%p %s is told as “%s”', (value, unit, words) => {
    expect(valueWords(value, unit, noName)).toBe(words);
  });
});
