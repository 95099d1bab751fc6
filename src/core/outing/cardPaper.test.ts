import fc from 'fast-check';
import { CARD_HEIGHT_MM, CARD_WIDTH_MM, cardPages, fitted, type Mark } from './cardPaper';
import { cardSvg } from './cardSvg';
import type { OutingWords, PictureWords } from './outingWords';

const picture = (title: string, change: Partial<PictureWords> = {}): PictureWords => ({
  wantId: title,
  title,
  under: 'from 60 m · Web page',
  enough: true,
  judgement: '● Enough for Web page',
  setup: ['Ostrel R45', 'Ostrel 600 f/5.6'],
  gives: '1,230 of 800 px',
  others: [],
  swap: '',
  big: [],
  lines: [{ name: 'f-number', text: 'f/5.6' }],
  closer: ['At 50 m: the distance to keep.'],
  missing: '',
  note: '',
  ...change,
});
const words = (pictures: PictureWords[], change: Partial<OutingWords> = {}): OutingWords => ({
  title: 'Marsh at first light',
  when: 'Sat 5 Dec 2026 · Sea wall',
  sky: [{ name: 'Sunrise', text: '07:57' }],
  load: [{ name: 'To carry', text: '8 kg' }],
  pack: ['Ostrel R45', 'Ostrel 600 f/5.6'],
  stayHome: [],
  missing: [],
  pictures,
  cautions: ['Keep the distance.'],
  note: '',
  ...change,
});
const texts = (marks: Mark[]) => marks.flatMap((mark) => (mark.kind === 'text' ? [mark.words] : []));

describe('the pocket card', () => {
  it('keeps every mark on its page, whatever is entered', () => {
    const text = fc.string({ minLength: 1, maxLength: 300 });
    fc.assert(
      fc.property(fc.array(fc.tuple(text, text, text), { maxLength: 6 }), text, (pictures, note) => {
        const pages = cardPages(
          words(
            pictures.map(([title, line, closer]) => picture(title, { note: line, closer: [closer, closer] })),
            { note },
          ),
        );
        for (const mark of pages.flat()) {
          expect(mark.y).toBeLessThanOrEqual(CARD_HEIGHT_MM - 5);
          expect(mark.y).toBeGreaterThan(5);
          expect(mark.x).toBeGreaterThanOrEqual(7);
          if (mark.kind === 'text') expect(mark.x + mark.words.length * mark.sizeMm * 0.5).toBeLessThan(CARD_WIDTH_MM);
        }
      }),
    );
  });

  it('loses no word', () => {
    const all = texts(
      cardPages(words([picture('Curlew', { note: 'Along the creek, two hours before high water' })])).flat(),
    );
    const told = all.join(' ');
    for (const word of ['Marsh at first light', 'Sunrise', '07:57', 'Curlew', 'f/5.6', 'creek,', 'water', 'To carry'])
      expect(told).toContain(word);
  });

  it('begins a new page for a picture that no longer fits on this one', () => {
    const tall = (title: string) => picture(title, { closer: Array.from({ length: 14 }, (_, i) => `Step ${i}`) });
    const pages = cardPages(words([tall('Curlew'), tall('Redshank'), tall('Harrier')]));
    for (const title of ['Curlew', 'Redshank', 'Harrier']) {
      const at = pages.findIndex((marks) => texts(marks).includes(title));
      const after = texts(pages[at]!).slice(texts(pages[at]!).indexOf(title));
      expect(after).toContain('Step 13');
    }
    expect(pages.length).toBe(3);
  });

  it('breaks what is longer than a line', () => {
    expect(fitted('aaaaaaaaaaaa', 5, 1).length).toBeGreaterThan(1);
    expect(fitted('a b', 90, 3)).toEqual(['a b']);
  });

  it('is drawn at true size, what was entered as text', () => {
    const svg = cardSvg(words([picture('<b>&"')]));
    expect(svg).toMatch(/^<svg [^>]*width="105mm" height="148mm"/);
    expect(svg).toContain('&lt;b&gt;&amp;&quot;');
    expect(svg).not.toContain('<b>');
  });
});
