import { countedPixelsOf } from '@/contract/readingWords';
import type { ChangedRow, ChangesSince } from '@/contract/changesSince';
import type { Stored } from '@/contract/resources';
import { demoSubjects } from '@/demo/kit';
import { demoReadings } from '@/demo/readings';
import { openMirror } from './database';
import { isWhole, mirroredReadings, mirroredRow, mirroredRows, standing, takeAnswer, takeIn } from './index';

const subject = (id: string, version = 1, name = id): Stored<unknown> => ({
  id,
  version,
  createdAt: `2026-05-01T10:00:0${id.length}.000Z`,
  updatedAt: '2026-05-01T10:00:00.000Z',
  data: { ...demoSubjects.curlew.data, name },
});
const told = (changes: [string, Stored<unknown> | null][], rest: Partial<ChangesSince> = {}): ChangesSince => ({
  changes: changes.map(([id, row]): ChangedRow => ({ resource: 'subjects', id, row })),
  cursor: 'file.1',
  more: false,
  fromStart: false,
  ...rest,
});
const names = async () => (await mirroredRows('subjects')).map((row) => row.data.name);

beforeEach(async () => {
  const database = await openMirror();
  for (const store of ['rows', 'sought', 'standing'] as const) await database.clear(store);
});

it('is whole after the last part of everything, not before', async () => {
  expect(await isWhole()).toBe(false);
  await takeIn(told([['a', subject('a')]], { fromStart: true, more: true, cursor: 'file.1' }));
  expect(await isWhole()).toBe(false);
  await takeIn(told([['bb', subject('bb')]], { cursor: 'file.2' }));
  expect(await isWhole()).toBe(true);
  expect(await names()).toEqual(['a', 'bb']);
  expect((await standing()).cursor).toBe('file.2');
});

it('follows changes and deletions, and says which rows are not as they were', async () => {
  await takeIn(
    told(
      [
        ['a', subject('a')],
        ['bb', subject('bb')],
      ],
      { fromStart: true },
    ),
  );
  const touched = await takeIn(
    told([
      ['a', subject('a', 2, 'new')],
      ['bb', null],
      ['ccc', null],
    ]),
  );
  expect(touched.map((each) => each.id)).toEqual(['a', 'bb']);
  expect(await names()).toEqual(['new']);
  // The same once more changes nothing.
  expect(
    await takeIn(
      told([
        ['a', subject('a', 2, 'new')],
        ['bb', null],
      ]),
    ),
  ).toEqual([]);
});

it('an answer to a change made here is not undone by an older row on its way', async () => {
  await takeIn(told([['a', subject('a')]], { fromStart: true }));
  await takeAnswer('subjects', 'a', subject('a', 3, 'mine'));
  expect(await takeIn(told([['a', subject('a', 2, 'older')]]))).toEqual([]);
  expect((await mirroredRow('subjects', 'a'))?.data.name).toBe('mine');
});

it('another file takes the place of the first when all of it is here; until then the old rows stay', async () => {
  await takeIn(
    told(
      [
        ['a', subject('a')],
        ['bb', subject('bb')],
      ],
      { fromStart: true },
    ),
  );
  await takeIn(told([['bb', subject('bb')]], { fromStart: true, more: true, cursor: 'other.1' }));
  expect(await names()).toEqual(['a', 'bb']);
  expect(await isWhole()).toBe(true);
  const touched = await takeIn(told([['ccc', subject('ccc')]], { cursor: 'other.2' }));
  expect(await names()).toEqual(['bb', 'ccc']);
  expect(touched.map((each) => each.id).sort()).toEqual(['a', 'ccc']);
});

it('finds and sorts readings as the server does, a part at a time', async () => {
  const readings = demoReadings();
  await takeIn({
    ...told([], { fromStart: true }),
    changes: readings.map(({ id, data }) => ({
      resource: 'readings',
      id,
      row: { id, version: 1, createdAt: data.takenAt, updatedAt: data.takenAt, data },
    })),
  });
  const newest = await mirroredReadings({ sort: 'newest', limit: 2, offset: 1 });
  const byTime = readings
    .map((each) => each.data.takenAt)
    .sort()
    .reverse();
  expect(newest.total).toBe(readings.length);
  expect(newest.items.map((row) => row.data.takenAt)).toEqual(byTime.slice(1, 3));
  const oldest = await mirroredReadings({ sort: 'oldest', limit: 100, offset: 0 });
  expect(oldest.items.map((row) => row.data.takenAt)).toEqual([...byTime].reverse());
  const most = await mirroredReadings({ sort: 'most', limit: 100, offset: 0, desk: 'far' });
  const pixels = most.items.map((row) => (row.data.desk === 'far' ? countedPixelsOf(row.data) : NaN));
  expect(pixels).toEqual([...pixels].sort((a, b) => b - a));
  expect(pixels.length).toBe(readings.filter((each) => each.data.desk === 'far').length);
  const found = await mirroredReadings({ sort: 'subject', limit: 100, offset: 0, search: 'CURLEW' });
  expect(found.total).toBeGreaterThan(0);
  expect(found.total).toBeLessThan(readings.length);
  expect((await mirroredReadings({ sort: 'newest', limit: 1, offset: 0, id: readings[0]!.id })).items[0]?.id).toBe(
    readings[0]!.id,
  );
});
