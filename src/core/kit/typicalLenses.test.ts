import { FORMATS, sensorOfFormat } from '../sensor/formats';
import { foldSystem } from '../optics/foldSystem';
import { readFar } from '../far/readFar';
import { SUBJECT_KINDS, usualSubject, type SubjectKind } from './subjects';
import { BUILT_IN_LENSES, TYPICAL_LENSES, lensesFor } from './typicalLenses';
import type { OutputSpec } from '../output/needs';

const OUTPUT: OutputSpec = { kind: 'screen', name: 'Web', longSidePx: 1600, subjectShare: 0.5 };

const bodyOf = (formatId: string) => {
  const format = FORMATS.find((each) => each.id === formatId)!;
  return {
    name: format.name,
    sensor: sensorOfFormat(format, format.usualMegapixels[0]!),
    antiAliasFilter: 'none' as const,
    cropModes: [],
  };
};

it('every typical lens makes a set-up on every format that takes lenses, with the numbers of its name', () => {
  for (const { spec } of TYPICAL_LENSES) {
    for (const { id } of FORMATS) {
      if (id in BUILT_IN_LENSES) continue;
      const folded = foldSystem({ body: bodyOf(id), modeId: 'whole', chain: [spec] });
      if (!folded.ok) throw new Error(`${spec.name} on ${id}: ${folded.problem.message}`);
      const { focalMm, fNumber } = folded.value;
      if (spec.kind === 'telescope') {
        expect(focalMm.value).toBe(spec.focalMm);
        expect(fNumber.value).toBeCloseTo(spec.focalMm / spec.apertureMm, 9);
        expect(spec.name).toContain(`${spec.apertureMm}/${spec.focalMm}`);
      } else {
        expect(focalMm.value).toBe(spec.focalTeleMm);
        expect(spec.name).toContain(String(spec.focalTeleMm));
        expect(spec.name).toContain(String(spec.fNumberTele));
      }
    }
  }
});

it('no lens contradicts itself: a lens cannot draw larger than a symmetric one at its closest focus', () => {
  for (const { spec } of TYPICAL_LENSES) {
    if (spec.kind !== 'lens') continue;
    const { closestFocusM, closestRatio } = spec;
    // Sensor to subject of a symmetric lens: f·(2 + m + 1/m); focusing by shortening the focal length only brings it nearer.
    const symmetricMm = spec.focalTeleMm * (2 + closestRatio! + 1 / closestRatio!);
    // A wide lens built long, so that a mirror finds room behind it, adds up to a hand’s breadth between its principal planes.
    expect(closestFocusM! * 1000).toBeLessThanOrEqual(symmetricMm * 1.15 + 100);
    // Nearer than four focal lengths only with a shorter focal length: never below a third.
    expect(closestFocusM! * 1000).toBeGreaterThan(symmetricMm / 3);
  }
});

it('offers lenses for every aim, each once, a dozen or so in all', () => {
  for (const aim of ['far', 'near', 'sky'] as const) expect(lensesFor(aim).length).toBeGreaterThanOrEqual(4);
  expect(new Set(TYPICAL_LENSES.map((each) => each.id)).size).toBe(TYPICAL_LENSES.length);
});

it('a body whose lens stays on comes with it, and reads', () => {
  for (const [id, lens] of Object.entries(BUILT_IN_LENSES)) {
    const folded = foldSystem({ body: bodyOf(id), modeId: 'whole', chain: [lens] });
    if (!folded.ok) throw new Error(folded.problem.message);
    const { widthMm, heightMm } = bodyOf(id).sensor;
    // As an equivalent on 36 × 24 by the diagonal: phones between 20 and 130 mm, a superzoom up to about 1,200.
    const equivalent = (lens.focalTeleMm * Math.hypot(36, 24)) / Math.hypot(widthMm, heightMm);
    expect(equivalent).toBeGreaterThan(20);
    expect(equivalent).toBeLessThan(1300);
  }
});

it('a usual subject is marked as assumed, and so is every number that rests on its size', () => {
  const folded = foldSystem({ body: bodyOf('full-frame'), modeId: 'whole', chain: [TYPICAL_LENSES[2]!.spec] });
  if (!folded.ok) throw new Error(folded.problem.message);
  for (const kind of Object.keys(SUBJECT_KINDS) as SubjectKind[]) {
    const subject = usualSubject(kind);
    expect(subject).toMatchObject({ kind, assumed: true, sizeMm: SUBJECT_KINDS[kind].usualMm });
    const read = (assumed: boolean | undefined) =>
      readFar({ system: folded.value, subject: { ...subject, assumed }, distanceM: 100, output: OUTPUT });
    const [marked, own] = [read(true), read(undefined)];
    if (!marked.ok || !own.ok) throw new Error('no reading');
    expect(marked.value.pixelsOnSubject.note).toBe('assumed');
    expect(marked.value.resolvedPixels.note).toBe('assumed');
    expect(own.value.pixelsOnSubject.note).toBeUndefined();
    // The mark changes no number.
    expect(marked.value.pixelsOnSubject.value).toBe(own.value.pixelsOnSubject.value);
    const size = marked.value.pixelsOnSubject.why.inputs.find((each) => each.symbol === 'L')!;
    expect(size.quantity.note).toBe('assumed');
    expect(size.quantity.why.source).toMatch(/^assumed: usual for/);
  }
});
