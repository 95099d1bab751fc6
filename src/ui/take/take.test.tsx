import { escaped } from '@/core/formats/escaped';
import { fireEvent, render, screen, waitFor } from '@testing-library/react-native';
import Papa from 'papaparse';
import { ComparedTable } from '../ComparedTable';
import { Table } from '../Table';
import { saveFile } from '../files';
import { DAY } from '../theme/palette';
import { Theme } from '../theme/theme';
import { placed, svgFile, type Drawing } from './drawing';
import { fileName } from './files';
import { brokenAt, pictureCard, type CardContent } from './pictureCard';
import { tableCsv } from './tableCsv';
import { TableFactsOf } from './tableFacts';

jest.mock('../files', () => ({ saveFile: jest.fn() }));
const saved = jest.mocked(saveFile);
beforeEach(() => saved.mockClear());

const drawing: Drawing = { inside: '<rect width="300" height="200"/>', widthPx: 300, heightPx: 200 };
const reading: CardContent = {
  title: 'Curlew at 60 m',
  lines: ['R45 & 600 <f/5.6>'],
  judgement: '● Enough for Web page',
  rows: [
    { name: 'Pixels on the subject', values: ['1,270 px'] },
    { name: 'Equivalent', values: ['600 mm f/5.6'] },
  ],
};
/** All texts of a drawing with where they stand. */
const textsOf = ({ inside }: Drawing) =>
  Array.from(inside.matchAll(/<text x="([\d.]+)" y="([\d.]+)"[^>]*font-size="([\d.]+)"[^>]*>([^<]*)</g), (match) => ({
    x: Number(match[1]),
    y: Number(match[2]),
    sizePx: Number(match[3]),
    text: match[4] ?? '',
  }));

describe('a drawing as a file', () => {
  it('is a whole SVG with its title, its ground and its fonts', () => {
    const file = svgFile(drawing, { title: 'A & B', ground: '#fff', fontFaces: '@font-face{}' });
    expect(file).toMatch(
      /^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg" width="300" height="200" viewBox="0 0 300 200">/,
    );
    expect(file).toContain('<title>A &amp; B</title>');
    expect(file).toContain('<style>@font-face{}</style>');
    expect(file.indexOf('fill="#fff"')).toBeLessThan(file.indexOf(drawing.inside));
    expect(escaped('"a" < b > c & d')).toBe('&quot;a&quot; &lt; b &gt; c &amp; d');
  });

  it('keeps its shape when it is placed in another one', () => {
    expect(placed(drawing, 10, 20, 600)).toContain('x="10" y="20" width="600" height="400" viewBox="0 0 300 200"');
  });

  it('gets a name that every file system takes', () => {
    expect(fileName('Curlew at 60\u202fm: f/5.6 “hide”', 'png')).toBe('curlew-at-60-m-f-5-6-hide.png');
    expect(fileName('…', 'csv')).toBe('jauge.csv');
    expect(fileName('x'.repeat(300), 'svg')).toHaveLength(64);
  });
});

describe('one picture of a reading', () => {
  it('tells the gear, the verdict, the numbers and who made it, each line below the last', () => {
    const card = pictureCard(reading, { frame: [{ name: 'Viewfinder', drawing }], scale: [] }, DAY);
    const texts = textsOf(card);
    expect(texts.map(({ text }) => text)).toEqual([
      'Curlew at 60 m',
      'R45 &amp; 600 &lt;f/5.6&gt;',
      '● Enough for Web page',
      'Pixels on the subject',
      '1,270 px',
      'Equivalent',
      '600 mm f/5.6',
      'Made by Jauge',
    ]);
    texts.reduce((last, { y }) => {
      expect(y).toBeGreaterThanOrEqual(last);
      return y;
    }, 0);
    expect(Math.max(...texts.map(({ y }) => y))).toBeLessThan(card.heightPx);
    // The drawing stands between the gear and the verdict, over the whole width within the edges.
    expect(card.inside).toContain('width="648" height="432"');
    expect(texts[2]!.y - texts[1]!.y).toBeGreaterThan(432);
  });

  it('does without a drawing, and grows with a scale', () => {
    const bare = pictureCard(reading, { frame: [], scale: [] }, DAY);
    const scaled = pictureCard(reading, { frame: [], scale: [{ name: 'Scale', drawing }] }, DAY);
    expect(bare.inside).not.toContain('<svg');
    expect(scaled.heightPx - bare.heightPx).toBe(432 + 24);
  });

  it('sets what is compared in columns of one width', () => {
    const card = pictureCard(
      {
        title: 'Side by side',
        lines: [],
        heads: ['A one', 'B two', 'C three'],
        rows: [{ name: 'Reach', values: ['1', '2', '3'] }],
      },
      { frame: [], scale: [] },
      DAY,
    );
    const [, ...texts] = textsOf(card);
    expect(texts.slice(0, 3).map(({ x }) => x)).toEqual([36, 252, 468]);
    expect(texts.slice(4, 7).map(({ x, text }) => [x, text])).toEqual([
      [36, '1'],
      [252, '2'],
      [468, '3'],
    ]);
  });

  it('breaks lines at words and loses none', () => {
    const text = 'From the same spot Marsh hide wins with 83 % more resolved pixels than Dune walk';
    const lines = brokenAt(text, 200, 17);
    expect(lines.join(' ')).toBe(text);
    expect(Math.max(...lines.map((line) => line.length))).toBeLessThanOrEqual(Math.floor(200 / (17 * 0.54)));
    expect(brokenAt('Unbreakablylongwordthatdoesnotfit', 50, 17)).toEqual(['Unbreakablylongwordthatdoesnotfit']);
  });
});

describe('a table as CSV', () => {
  it('reads back cell for cell, with plain blanks and minus signs, and nothing a spreadsheet would run', () => {
    const text = tableCsv(
      ['Mode', 'On it'],
      [
        ['Whole, “3:2”', '1,270\u202fpx'],
        ['=1+1', '\u22120.5'],
      ],
    );
    expect(Papa.parse<string[]>(text.trim()).data).toEqual([
      ['Mode', 'On it'],
      ['Whole, “3:2”', '1,270 px'],
      ["'=1+1", '-0.5'],
    ]);
  });

  const contentOf = async () => {
    await waitFor(() => expect(saved).toHaveBeenCalledTimes(1));
    const [name, blob] = saved.mock.calls[0]!;
    const text = await (blob as unknown as { text(): Promise<string> }).text();
    return { name, lines: Papa.parse<string[]>(text.trim()).data };
  };

  it.each([
    [
      'plain',
      <Table
        key="t"
        label="Modes"
        heads={['Mode', 'Hidden']}
        rows={[{ key: 'a', cells: ['Whole', { text: '⚠ 3 %', tone: 'caution' }] }]}
      />,
      [
        ['Mode', 'Hidden (%)', 'Hidden, mark'],
        ['Whole', '3', '⚠'],
      ],
    ],
    [
      'compared',
      <ComparedTable
        key="c"
        label="Modes"
        columns={[{ key: 'a', letter: 'A', name: 'One' }]}
        rows={[{ name: 'Reach', values: ['138'], best: 0 }]}
      />,
      [
        ['Name', 'Reach'],
        ['A One', '138'],
      ],
    ],
  ])('is taken by the small key below a %s table', async (_, table, lines) => {
    render(<Theme look="day">{table}</Theme>);
    fireEvent.press(screen.getByLabelText('CSV of Modes'));
    expect(await contentOf()).toEqual({ name: 'modes.csv', lines });
  });

  it('has units in its heads and bare numbers in its cells', () => {
    const heads = ['Set-up', 'On it', 'Depth', 'Verdict', 'Room', 'Stops'];
    const rows = [
      ['A', '1,230\u202fpx', '1.5 m', '● enough', '–', '\u22120.5 stops'],
      ['B', '980\u202fpx', '85 cm', '▽ not enough', '12 mm', '1 stops'],
    ];
    expect(Papa.parse<string[]>(tableCsv(heads, rows, { Subject: 'Curlew', Distance: '60 m' }).trim()).data).toEqual([
      ['Set-up', 'On it (px)', 'Depth (m)', 'Verdict', 'Room (mm)', 'Stops (stops)', 'Subject', 'Distance (m)'],
      ['A', '1230', '1.5', '● enough', '', '-0.5', 'Curlew', '60'],
      ['B', '980', '0.85', '▽ not enough', '12', '1', 'Curlew', '60'],
    ]);
  });

  it.each([
    ['its ± in the same unit', ['1,230 ± 40 px', '980 ± 5 px'], ['X (px)', 'X, ± (px)'], ['1230', '40', '980', '5']],
    ['its ± behind the unit', ['60 m ± 2', '55 m ± 2'], ['X (m)', 'X, ± (m)'], ['60', '2', '55', '2']],
    ['a difference', ['1,230 px', '980 px (\u221224 %)'], ['X (px)', 'X, difference (%)'], ['1230', '', '980', '-24']],
    ['a mark', ['f/5.6 ●', 'f/8'], ['X', 'X, mark'], ['5.6', '●', '8', '']],
    ['a time', ['12°, 03:40', '9°, 22:00'], ['X (°)', 'X, time'], ['12', '03:40', '9', '22:00']],
    ['a lens', ['550 mm f/6.3', '600 mm f/8'], ['X (mm)', 'X, f-number'], ['550', '6.3', '600', '8']],
    ['rows', ['640 × 480', '1,280 × 960'], ['X', 'X, rows'], ['640', '480', '1280', '960']],
    ['how it is known', ['± 0.7 %, measured', '± 4 %'], ['X (%)', 'X, how'], ['0.7', 'measured', '4', '']],
  ])('has a column of its own for %s', (_, cells, heads, data) => {
    const text = tableCsv(
      ['Name', 'X'],
      cells.map((cell) => ['a', cell]),
    );
    const own = Papa.parse<string[]>(text.trim()).data.map((line) => line.slice(1));
    expect(own).toEqual([heads, data.slice(0, 2), data.slice(2)]);
  });

  it('leaves names whole, whatever they look like', () => {
    const text = tableCsv(['Lens'], [['100 mm f/2.8'], ['Old (24 %)']], { Subject: '550 mm f/6.3' });
    expect(Papa.parse<string[]>(text.trim()).data).toEqual([
      ['Lens', 'Subject'],
      ['100 mm f/2.8', '550 mm f/6.3'],
      ['Old (24 %)', '550 mm f/6.3'],
    ]);
  });

  it('tells shutter speeds in seconds, which no spreadsheet takes for a date, and nothing as nought', () => {
    const text = tableCsv(
      ['Shutter', 'To swap'],
      [
        ['1/125 s', '2'],
        ['2 s', 'nothing'],
      ],
    );
    expect(Papa.parse<string[]>(text.trim()).data).toEqual([
      ['Shutter (s)', 'To swap'],
      ['0.008', '2'],
      ['2', '0'],
    ]);
  });

  it('has what holds for the page and for the table as columns', async () => {
    render(
      <Theme look="day">
        <TableFactsOf facts={{ Subject: 'Curlew' }}>
          <Table label="Modes" heads={['Mode']} rows={[{ key: 'a', cells: ['Whole'] }]} facts={{ Distance: '60 m' }} />
        </TableFactsOf>
      </Theme>,
    );
    fireEvent.press(screen.getByLabelText('CSV of Modes'));
    expect((await contentOf()).lines).toEqual([
      ['Mode', 'Subject', 'Distance (m)'],
      ['Whole', 'Curlew', '60'],
    ]);
  });

  it('says so when no file can be made', async () => {
    saved.mockImplementationOnce(() => {
      throw new Error('full');
    });
    render(
      <Theme look="day">
        <Table label="Modes" heads={['Mode']} rows={[]} />
      </Theme>,
    );
    fireEvent.press(screen.getByLabelText('CSV of Modes'));
    expect(await screen.findByText(/No file could be made of it/)).toBeTruthy();
  });
});
