import { foldSystem } from '@/core/optics/foldSystem';
import { DEEP_OBJECTS } from '@/core/sky/catalogue';
import { readPlanet } from '@/core/sky/planet';
import { readDeep } from '@/core/sky/readDeep';
import { demoBodies, demoOptics, demoSetups } from '@/demo/kit';
import { demoReadings } from '@/demo/readings';
import { comparisonLines } from './book/comparisonLines';
import { readingCard } from './book/readingCard';
import { readAsKept } from './book/readingNow';
import { deepCard, planetCard } from './sky/skyCards';

const part = demoOptics.tele600.data;
const body = demoBodies.ostrel.data;
const folded = foldSystem({ body, modeId: 'whole', chain: [part] });
if (!folded.ok) throw new Error(folded.problem.message);
const system = folded.value;
const desk = { situation: { setup: { chain: [{ part }] } }, system };

it('a picture of a kept reading tells what the Book tells, number for number', () => {
  for (const { data } of demoReadings()) {
    const card = readingCard(data, 'metric');
    const again = readAsKept(data);
    const lines = comparisonLines(data, again.ok ? again.value : null, null, 'metric');
    expect(card.rows).toEqual(lines.map(({ label, was }) => ({ name: label, values: [was] })));
    expect(card.lines[0]).toBe(data.setupName);
    expect(card.lines[1]).toContain(data.input.body.name);
    for (const { name } of data.input.chain) expect(card.lines[1]).toContain(name);
    expect(card.judgement).toMatch(/^[●▽◆✕▲] /u);
  }
  expect(demoReadings().some(({ data }) => data.setupName === demoSetups.hide.data.name)).toBe(true);
});

it('a picture of a planet tells the disc by its own size in the focal plane', () => {
  const card = planetCard(
    desk,
    'Jupiter',
    readPlanet({ system, planet: 'Jupiter', discArcsec: 44, blurPx: 1 }),
    'metric',
  );
  // 44″ at 600 mm is 0.128 mm wide.
  const px = (600 * Math.tan((44 / 3600) * (Math.PI / 180)) * 1000) / system.pitchUm.value;
  expect(card.title).toBe(`Jupiter, ${px.toFixed(0)}\u202fpx across`);
  expect(card.lines).toEqual([`${body.name} + ${part.name}`]);
  expect(card.rows.map(({ name }) => name)).toEqual([
    'Disc',
    'Scale',
    'All the detail at',
    'Against the pixel',
    'Opening’s finest detail',
    'Holds still for',
  ]);
  expect(JSON.stringify(card)).not.toContain('NaN');
});

it('a picture of a deep object tells whether it fits and how wide the frame is', () => {
  const object = DEEP_OBJECTS[0]!;
  const reading = readDeep({
    system,
    object,
    rollDeg: 0,
    overlap: 0.15,
    seeingArcsec: 3,
    tolerancePx: 2,
    mountArcsecPerMin: 5,
  });
  const card = deepCard(desk, object, reading, 'metric');
  const wide = 2 * Math.atan(system.used.widthMm / 2 / 600) * (180 / Math.PI);
  expect(card.title).toContain(object.name);
  expect(card.rows[0]!.name).toBe('Field, wide');
  expect(parseFloat(card.rows[0]!.values[0]!)).toBeCloseTo(wide, 2);
  expect(card.judgement).toContain('″ a pixel');
});
