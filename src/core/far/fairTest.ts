import { formatFigures } from '../quantity/format';
import type { UnitSystem } from '../quantity/units';
import { quantityText, showFNumber, showLengthM, shownText } from '../quantity/quantityText';
import type { Compared } from './sideBySide';

/** One thing a fair test holds equal, with the settings that make it so. */
export interface TestPoint {
  what: string;
  how: string;
}

/**
 * What must be held equal when two set-ups are tested against each other, with matched settings from a comparison under the
 * stance “same framing”. Anything left unequal decides the test instead of the gear.
 *
 * @param a the set-up the test stands on
 * @param b the other one, walked to the same framing
 */
export function fairTest(a: Compared, b: Compared, units: UnitSystem = 'metric'): TestPoint[] {
  const metres = (value: number) => shownText(showLengthM(value, units));
  const carried = (each: Compared) =>
    each.system.weightG ? quantityText(each.system.weightG, units) : 'a weight that is not entered';
  const aperture = Math.max(
    a.system.fNumber.value,
    b.system.fNumber.value * (b.system.cropFactor.value / a.system.cropFactor.value),
  );
  const other = (aperture * a.system.cropFactor.value) / b.system.cropFactor.value;
  const pitch = (each: Compared) => `${formatFigures(each.system.pitchUm.value)} µm`;
  const zoom = (each: Compared) =>
    each.system.lens.focalTeleMm > each.system.lens.focalWideMm
      ? `${each.name} set to ${formatFigures(each.system.markedFocalMm, 4)} mm`
      : `${each.name} is a prime`;
  const filter = (each: Compared) => each.system.body.antiAliasFilter;
  return [
    {
      what: 'Framing',
      how:
        Math.abs(b.walkM) < 0.05
          ? `Both from ${metres(a.distanceM)}.`
          : `${a.name} from ${metres(a.distanceM)}, ${b.name} from ${metres(b.distanceM)}: the target fills the same share of the frame. The perspective then differs; use a flat target.`,
    },
    {
      what: 'Aperture',
      how: `${a.name} at ${showFNumber(aperture)}, ${b.name} at ${showFNumber(other)}: the same entrance pupil for the view, so the same depth and diffraction.`,
    },
    {
      what: 'Exposure',
      how: `The same shutter time; ISO ×${formatFigures((a.system.cropFactor.value / b.system.cropFactor.value) ** 2, 2)} on ${b.name} for the same brightness at the same total light.`,
    },
    {
      what: 'Focus',
      how: 'Each focused anew for every picture, at least five pictures a set-up; keep the best of each.',
    },
    { what: 'Pixels', how: `${pitch(a)} against ${pitch(b)}: compare at the same output size, never both at 100 %.` },
    {
      what: 'Filter',
      how:
        filter(a) === filter(b)
          ? `Both have the same anti-aliasing filter (${filter(a)}).`
          : `${a.name} has ${filter(a) === 'none' ? 'no' : `a ${filter(a)}`} anti-aliasing filter, ${b.name} ${filter(b) === 'none' ? 'none' : `a ${filter(b)} one`}: say so with the result, sharpening hides it.`,
    },
    { what: 'Zoom position', how: `${zoom(a)}; ${zoom(b)}. A zoom at its weak end says nothing about the rest.` },
    { what: 'Light', how: 'The same light within a minute or two; no sun on the front of either lens.' },
    {
      what: 'Support',
      how: `A tripod for both, released by timer; ${carried(a)} and ${carried(b)} hang differently on the same head.`,
    },
  ];
}

/** The test as a card to take along, in Markdown. */
export function fairTestCard(a: Compared, b: Compared, points: TestPoint[]): string {
  return [
    `# Fair test: ${a.name} against ${b.name}`,
    '',
    ...points.map((point) => `- [ ] **${point.what}.** ${point.how}`),
    '',
    'Result:',
    '',
  ].join('\n');
}
