import { withoutKnown } from './groupRows';
import { PDFDocument } from 'pdf-lib';
import { demoBodies, demoOptics, demoAdapters, demoOutputs, demoSubjects } from '@/demo/kit';
import { demoOutings } from '@/demo/outings';
import { chainName } from '@/core/bag/pieces';
import type { OutingWords } from '@/core/outing/outingWords';
import type { Kit } from '../situation';
import { cardPdf, inFont } from './cardPdf';
import { bagKitOf, isLost, packedOf, pictureOf } from './outingKit';

const stored = <T>({ id, data }: { id: string; data: T }) => ({
  id,
  data,
  version: 1,
  createdAt: '2026-01-01T00:00:00Z',
  updatedAt: '2026-01-01T00:00:00Z',
});
const kit = {
  bodies: Object.values(demoBodies).map(stored),
  optics: Object.values(demoOptics).map(stored),
  adapters: Object.values(demoAdapters).map(stored),
  setups: [],
  subjects: Object.values(demoSubjects).map(stored),
  outputs: Object.values(demoOutputs).map(stored),
  ratios: [],
} as unknown as Kit;
const { marsh, darkNight } = demoOutings;

describe('the pictures of an outing', () => {
  it('come with subject, output and distance, and with what is told of the sky', () => {
    const [curlew] = marsh.data.wants.map((want) => pictureOf(want, kit));
    expect(curlew).toMatchObject({
      subject: { name: 'Curlew' },
      output: { name: 'Web page' },
      distanceM: 60,
      pictures: 400,
    });
    const beetle = marsh.data.wants.find(({ kind }) => kind === 'near')!;
    expect(pictureOf(beetle, kit)).not.toHaveProperty('distanceM');
    expect(pictureOf(darkNight.data.wants[0]!, kit)).toMatchObject({
      name: 'Winter triangle',
      declinationDeg: 2,
      fieldDeg: 60,
    });
  });
  it('say what of them is gone from the lists', () => {
    const [want] = marsh.data.wants;
    const bare = { ...kit, subjects: [] };
    expect(pictureOf(want!, bare)).toEqual({ id: 'curlew', name: 'Curlew', lost: 'subject' });
    const lost = pictureOf(want!, { ...kit, outputs: [] });
    expect(isLost(lost) && lost.lost).toBe('output');
  });
});

describe('pictures that are in the log already', () => {
  const picture = (at: number, print?: string) => ({ fileName: `${at}.JPG`, at, tags: {}, print });
  const group = (...pictures: ReturnType<typeof picture>[]) => ({ pictures, takenFrom: 'a', takenTo: 'b' });

  it('are known by their contents, in whatever group and under whatever name they come again', () => {
    const known = [{ prints: ['p1', 'p2'] }, { prints: ['p3'] }, {}];
    const { groups, known: again } = withoutKnown(
      [group(picture(1, 'p1'), picture(2, 'p9')), group(picture(3, 'p3'), picture(4, 'p2')), group(picture(5))],
      known,
    );
    expect(again).toBe(3);
    expect(groups.map(({ pictures }) => pictures.map(({ at }) => at))).toEqual([[2], [5]]);
  });
});

describe('the kit a bag is packed from', () => {
  it('leaves out what is retired or wished for, unless it is packed', () => {
    const [first, ...others] = kit.optics;
    const retired = { ...kit, optics: [{ ...first!, data: { ...first!.data, retired: true } }, ...others] } as Kit;
    const ids = (packed: string[]) => bagKitOf(retired, new Set(packed)).parts.map(({ id }) => id);
    expect(ids([])).not.toContain(first!.id);
    expect(ids([first!.id])).toContain(first!.id);
    expect(packedOf(marsh.data).size).toBe(marsh.data.bag.length);
  });
  it('brings what was measured with a chain', () => {
    const id = demoOptics.macro100.id;
    const ratio = stored({
      id: '00000000-0000-4000-8000-000000000001',
      data: {
        chain: [{ type: 'optic', id }],
        at: 'closest',
        ratio: 0.98,
        plusMinus: 0.01,
        method: 'pixels',
        measuredAt: '2026-01-01T00:00:00Z',
      },
    });
    const { measured } = bagKitOf({ ...kit, ratios: [ratio] } as unknown as Kit, new Set());
    expect(measured).toMatchObject([
      { chain: chainName([{ id, part: demoOptics.macro100.data }]), ratios: [{ ratio: 0.98 }] },
    ]);
  });
});

describe('the card as a PDF', () => {
  const words = (title: string): OutingWords => ({
    title,
    when: 'Sat 5 Dec 2026 · Sea wall',
    sky: [],
    load: [],
    pack: [],
    stayHome: [],
    missing: [],
    pictures: [],
    cautions: [],
    note: '',
  });
  it('has A6 pages, and says when a letter had to be left out', async () => {
    const { bytes, lettersMissing } = await cardPdf(words('Marsh − at 60\u202fm ● dawn'));
    expect(lettersMissing).toBe(false);
    const file = await PDFDocument.load(bytes);
    const { width, height } = file.getPage(0).getSize();
    expect([width, height].map((points) => Math.round((points / 72) * 25.4))).toEqual([105, 148]);
    expect(file.getTitle()).toBe('Marsh − at 60\u202fm ● dawn');
    expect((await cardPdf(words('湿地'))).lettersMissing).toBe(true);
  });
  it('puts near letters in the place of those the font has not', () => {
    const has = new Set(Array.from('abc ?-o1/3', (letter) => letter.codePointAt(0)!));
    expect(inFont('a−b●\u202fć⅓', has)).toBe('a-bo c 1/3');
    expect(inFont('漢', has)).toBe('?');
  });
});
