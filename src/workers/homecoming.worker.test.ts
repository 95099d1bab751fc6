import type { HomeNews } from '@/core/log/homeOrder';
import { jpegFile, type ExifFields } from '../../tests/photoFiles';
import { workerScope } from '../../tests/support/workerScope';
import './homecoming.worker';

const fields = (takenAt: string): ExifFields => ({
  make: 'Ostrel',
  model: 'R45',
  columns: 8256,
  rows: 5504,
  takenAt,
});
const gone = () => Promise.reject(new DOMException('', 'NotReadableError'));

/** A picture on a card that can be read so many times before the card is taken out. */
function onCard(name: string, takenAt: string, readings = Infinity): File {
  const file = new File([jpegFile(fields(takenAt), { columns: 8256, rows: 5504 }) as Uint8Array<ArrayBuffer>], name);
  let left = readings;
  const slice = file.slice.bind(file);
  return Object.assign(file, {
    slice: (from: number, to: number) => (left-- > 0 ? slice(from, to) : ({ arrayBuffer: gone } as unknown as Blob)),
  });
}

const said = workerScope.said as HomeNews[];

const done = async (files: File[]): Promise<Extract<HomeNews, { kind: 'done' }>> => {
  said.length = 0;
  workerScope.ask({ files, pauseMin: 10 });
  for (let turn = 0; turn < 400; turn++) {
    const last = said.at(-1);
    if (last?.kind === 'done') return last;
    await new Promise((next) => setTimeout(next, 5));
  }
  throw new Error('it never came to an end');
};

describe('pictures on a card that is taken out while they are brought home', () => {
  it('are named, and the others are taken', async () => {
    const { groups, unread } = await done([
      onCard('HOL_1.JPG', '2026:05:03 05:00:00'),
      onCard('HOL_2.JPG', '2026:05:03 05:01:00', 0),
      onCard('HOL_3.JPG', '2026:05:03 06:00:00'),
    ]);
    expect(groups.map((group) => group.pictures.map(({ fileName }) => fileName))).toEqual([
      ['HOL_1.JPG'],
      ['HOL_3.JPG'],
    ]);
    expect(unread).toEqual([{ fileName: 'HOL_2.JPG', message: expect.stringMatching(/its card taken out/) as string }]);
    expect(said.filter((each) => each.kind === 'progress')).toHaveLength(3);
  });

  it('stay without a small picture where only that cannot be read any more', async () => {
    const { groups, unread } = await done([onCard('HOL_1.JPG', '2026:05:03 05:00:00', 1)]);
    expect(unread).toEqual([]);
    expect(groups).toHaveLength(1);
    expect(groups[0]!.preview).toBeUndefined();
  });
});
