import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import { parseISO } from 'date-fns';
import type { Kit } from '../bag/pieces';
import type { Want } from '../bag/serve';
import { given } from '../quantity/quantity';
import { outingCalendar } from './calendar';
import { closerText, engravedIso } from './cardWords';
import { outingMarkdown, outingText } from './markdown';
import { outingNight } from './outingNight';
import { outingWords, type OutingFacts, type OutingParts } from './outingWords';
import { planOuting } from './planOuting';
import { batteriesFor, cardSpaceGb } from './supplies';

const part = ({ id, data }: { id: string; data: Kit['parts'][number]['part'] }) => ({ id, part: data });
const { ostrel } = demoBodies;
const { tele600, macro100 } = demoOptics;
const { converter14 } = demoAdapters;
const kit: Kit = {
  bodies: [{ id: ostrel.id, body: ostrel.data }],
  parts: [part(tele600), part(macro100), part(converter14)],
};
const wants: (Want & { pictures?: number; note?: string })[] = [
  {
    id: 'c',
    subject: demoSubjects.curlew.data,
    output: demoOutputs.web.data,
    distanceM: 60,
    pictures: 500,
    note: 'Low *light*',
  },
  { id: 'b', subject: demoSubjects.tigerBeetle.data, output: demoOutputs.web.data, pictures: 400 },
];
const facts: OutingFacts = {
  name: 'Marsh',
  dayText: 'Sat 5 Dec 2026',
  span: 'day',
  placeName: 'Sea wall',
  tide: 'High water 09:40',
  note: '',
  supportWeightG: 2400,
  batteries: 1,
  cardGb: 16,
};
const noonMs = parseISO('2026-12-05T12:00:00Z').getTime();
const site = { latitudeDeg: 53.4, longitudeDeg: 0.2, heightM: 5 };
const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16);

function partsWith(
  change: Partial<OutingParts> = {},
  carriedIds = [ostrel.id, tele600.id, converter14.id],
): OutingParts {
  const carried = new Set(carriedIds);
  const plan = planOuting({ kit, carried, wants });
  return {
    facts,
    kit,
    carried,
    wants,
    plan,
    by: { supported: true },
    night: outingNight(site, noonMs),
    clock,
    ...change,
  };
}
const told = outingWords(partsWith());
const line = (name: string, lines: { name: string; text: string }[]) => lines.find((each) => each.name === name)?.text;

describe('an outing in words', () => {
  it('says what to bring too, and what is short', () => {
    expect(told.missing.join('\n')).toMatch(/Tiger beetle: Bring Ostrel 100 f\/2\.8 macro too/);
    expect(told.missing.join('\n')).toMatch(/2 full batteries are needed, 1 in the bag/);
    expect(told.pictures[1]!.setup).not.toContain(macro100.data.name);
  });

  it('names key, mode and what to do when it comes closer', () => {
    const [picture] = told.pictures;
    expect(line('Crop mode', picture!.lines)).toBe(`Crop 1.5 · ${ostrel.data.cropModeKey} · 15 frames/s`);
    expect(line('Zoom in camera', picture!.lines)).toMatch(/off \(video dial\)/);
    expect(picture!.closer[0]).toBe('At 50\u202fm: the distance to keep. Draw back, or stay still and let it go.');
    expect(picture!.closer[1]).toMatch(/crop mode off \(front key, held\), the pixels stay the same/);
    expect(picture!.judgement).toMatch(/Enough for Web page/);
  });

  it('weighs what is carried, with the support', () => {
    const sum = 905 + 2150 + 190 + 2400;
    expect(line('To carry', told.load)).toBe(`${(sum / 1000).toPrecision(3)}\u202fkg`);
    // The converter is in no set-up that is needed.
    expect(told.stayHome).toEqual([converter14.data.name]);
  });

  it('tells the light of a day from its morning to its evening, of a night to the next morning', () => {
    expect(told.sky.map(({ name }) => name)).toEqual(['First light', 'Sunrise', 'Sunset', 'Dark', 'Moon', 'Tide']);
    expect(line('Dark', told.sky)).toMatch(/^until 05:4\d, from 17:5\d$/);
    const night = outingWords(partsWith({ facts: { ...facts, span: 'night', tide: undefined } }));
    expect(night.sky.map(({ name }) => name)).toEqual(['Sunset', 'Sunrise', 'Dark', 'Moon', 'Dark without the Moon']);
    expect(line('Dark', night.sky)).toMatch(/^17:5\d to 05:\d\d, 1[12](\.\d)?\u202fh$/);
    expect(night.when).toBe('Night of Sat 5 Dec 2026 · Sea wall');
    const polar = outingNight(
      { latitudeDeg: 80, longitudeDeg: 15, heightM: 0 },
      parseISO('2026-06-21T12:00:00Z').getTime(),
    );
    expect(line('Dark', outingWords(partsWith({ night: polar })).sky)).toBe('not fully');
  });

  it('says that a place without coordinates has no light worked out', () => {
    const bare = outingWords(partsWith({ night: null }));
    expect(bare.sky.map(({ name }) => name)).toEqual(['Tide']);
    expect(bare.missing.join(' ')).toMatch(/no coordinates/);
  });

  it('puts cautions where they arise', () => {
    expect(told.cautions.join(' ')).toMatch(/distance the law and the site ask for.*leave the flats/);
    const bare = outingWords(partsWith({ facts: { ...facts, tide: undefined, span: 'night' } }));
    expect(bare.cautions.join(' ')).toMatch(/tell somebody where you are/);
    expect(bare.cautions.join(' ')).not.toMatch(/flats/);
  });
});

describe('the files of an outing', () => {
  it('are Markdown in which nothing entered becomes a mark', () => {
    const text = outingMarkdown(told);
    expect(text).toMatch(/^# Marsh\n\nSat 5 Dec 2026 · Sea wall\n/);
    expect(text).toContain('- **Note:** Low \\*light\\*');
    expect(text).toContain('- **With:** Ostrel R45 + Ostrel 600 f/5.6');
    expect(text).toContain('When it comes closer:\n\n- At 50\u202fm');
    expect(outingMarkdown({ ...told, title: '[a](b)\n# c' })).toMatch(/^# \\\[a\\\]\(b\) \\# c\n/);
  });

  it('are plain text for a calendar, without marks', () => {
    const text = outingText(told);
    expect(text).not.toMatch(/\*\*|^#|\\\*/m);
    expect(text).toContain('Note: Low *light*');
    expect(text).toContain('With: Ostrel R45 + Ostrel 600 f/5.6');
  });

  it('are a calendar whose dark hours are those of the place', () => {
    const night = outingNight(site, noonMs);
    const outing = {
      id: 'x',
      name: 'Marsh; at dawn',
      day: '2026-12-31',
      span: 'day' as const,
      place: { name: 'Sea wall', latitudeDeg: 53.4, longitudeDeg: 0.2 },
      description: 'a\nb',
      version: 3,
      changedMs: noonMs,
    };
    const file = outingCalendar(outing, night);
    const text = file.ok ? file.value : '';
    const stamp = (ms: number) => new Date(Math.round(ms / 1000) * 1000).toISOString().replace(/[-:]|\.\d+/g, '');
    expect(text).toMatch(/DTSTART;VALUE=DATE:20261231\r\nDTEND;VALUE=DATE:20270101\r\nSEQUENCE:2/);
    expect(text).toMatch(/SUMMARY:Marsh\\; at dawn\r\n/);
    // A day has its light: first light (the Sun 6° below), sunrise and sunset, and nothing of the dark.
    expect(text.match(/SUMMARY:.*/g)!.map((each) => each.slice(8).trim())).toEqual([
      'Marsh\\; at dawn',
      'First light at Sea wall',
      'Sunrise at Sea wall',
      'Sunset at Sea wall',
    ]);
    for (const ms of [night.before.civil!.toMs, night.before.sunrise!, night.night.sunset!])
      expect(text).toContain(`DTSTART:${stamp(ms).slice(0, 13)}`);
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(4);
    const whole = outingCalendar({ ...outing, span: 'night' }, night);
    const dark = whole.ok ? whole.value : '';
    expect(dark).toContain('SUMMARY:Dark at Sea wall');
    expect(dark).not.toContain('Sunrise at');
    expect(whole.ok && whole.value).toMatch(new RegExp(`DTSTART:${stamp(night.night.sunset!).slice(0, 13)}`));
    const bare = outingCalendar({ ...outing, place: { name: 'Somewhere' } }, null);
    expect(bare.ok && bare.value.match(/BEGIN:VEVENT/g)).toHaveLength(1);
  });
});

describe('supplies', () => {
  const body = ostrel.data;
  it('are room for so many files, and batteries rounded up', () => {
    const shootings = [
      { body, fileSizeMb: 48, pictures: 500 },
      { body, fileSizeMb: 21.5, pictures: 400 },
    ];
    expect(cardSpaceGb(shootings)!.value).toBeCloseTo((48 * 500 + 21.5 * 400) / 1000, 9);
    expect(batteriesFor(shootings)).toMatchObject([{ batteries: { value: 2 } }]);
    expect(batteriesFor([{ body, pictures: 1 }])).toMatchObject([{ batteries: { value: 1 } }]);
  });
  it('say at least where a size is not known, and nothing where none is', () => {
    const unknown = { body: { ...body, picturesPerBattery: undefined }, pictures: 10 };
    expect(cardSpaceGb([unknown])).toBeUndefined();
    expect(cardSpaceGb([unknown, { body, fileSizeMb: 10, pictures: 100 }])!.note).toBe('atLeast');
    expect(batteriesFor([unknown])[0]!.batteries).toBeUndefined();
  });
});

describe('the moon and the numbers of the card', () => {
  it('rises and sets where its upper edge meets the horizon', () => {
    const { moon, night, moonOfDay } = outingNight(site, noonMs);
    for (const { kind, ms } of moon) {
      const at = (offset: number) => {
        const i = Math.round((ms + offset - night.fromMs) / 600_000);
        return night.moonDeg[i]!;
      };
      expect(at(900_000) > at(-900_000)).toBe(kind === 'rises');
      expect(Math.abs(at(0) + 0.833)).toBeLessThan(1.5);
    }
    expect(moonOfDay.map(({ kind }) => kind)).toEqual(['rises', 'sets']);
  });
  it('are engraved ISO on the safe side', () => {
    expect(engravedIso(799, 'below')).toBe(640);
    expect(engravedIso(800, 'below')).toBe(800);
    expect(engravedIso(801, 'above')).toBe(1000);
    expect(engravedIso(64, 'below')).toBe(64);
    expect(engravedIso(123_456, 'below')).toBe(100_000);
  });
  it('say each step in the units of the person', () => {
    const atM = given(10, 'm', 'd');
    expect(closerText({ atM, kind: 'zoomOut', focalMm: 70, untilM: 3 }, 'imperial')).toBe(
      'At 32.8 ft: zoom out; at 70\u202fmm it fits down to 9.84 ft.'.replace(/ (?=ft)/g, '\u202f'),
    );
    expect(closerText({ atM, kind: 'tooLarge' }, 'metric')).toMatch(/^Below 10\u202fm it no longer fits/);
    expect(closerText({ atM, kind: 'noFocus' }, 'metric')).toMatch(/does not focus/);
    expect(closerText({ atM, kind: 'takeOff', name: 'Ostrel ×1.4', untilM: 8 }, 'metric')).toMatch(
      /take Ostrel ×1.4 off/,
    );
  });
});
