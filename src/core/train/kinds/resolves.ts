import { detailPartsOf } from '../../detail/detailParts';
import { SUBJECT_KINDS } from '../../kit/subjects';
import { quantityText } from '../../quantity/quantityText';
import { chance } from '../../simulate/chance';
import { apartAt, type Exercise, type Making } from '../exercise';
import { PLAIN_OUTPUT, paced, spotOf, type FarSpot } from '../farSpot';

/** Two are no riddle where they resolve nearly the same. */
const LEAST_APART = 1.08;
const TRIES = 12;

const resolved = ({ reading }: FarSpot): number => reading.resolvedPixels.value;

const patchSystem = ({ system, reading }: FarSpot) => ({
  pixelMm: system.pitchUm.value / 1000 / reading.ratio.value,
  ratio: reading.ratio.value,
  parts: detailPartsOf(system, reading.workingFNumber.value),
});

/** The pair of set-ups that lies nearest to a factor apart. */
function pairApart(spots: readonly FarSpot[], factor: number): [FarSpot, FarSpot] | null {
  const pairs = spots.flatMap((a) => spots.map((b): [FarSpot, FarSpot] => [a, b]));
  const off = ([a, b]: [FarSpot, FarSpot]) => Math.abs(Math.log(resolved(a) / resolved(b) / factor));
  const [best] = pairs
    .filter(([a, b]) => a.name !== b.name && resolved(a) >= LEAST_APART * resolved(b))
    .sort((a, b) => off(a) - off(b));
  return best ?? null;
}

/** The same piece of a subject from the same spot with two set-ups of the kit: which took which? */
export function resolves({ kit, level, seed, units = 'metric' }: Making): Exercise | null {
  const random = chance(seed);
  if (!kit.subjects.length) return null;
  for (let i = 0; i < TRIES; i += 1) {
    const subject = random.oneOf(kit.subjects);
    const distanceM = paced(SUBJECT_KINDS[subject.kind].usualDistanceM * 2 ** random.between(-1, 1));
    const spots = kit.setups.flatMap((each) => spotOf(each, subject, distanceM, PLAIN_OUTPUT) ?? []);
    const pair = pairApart(spots, apartAt(level));
    if (!pair) continue;
    const [more, less] = pair;
    const turned = random.even() < 0.5;
    const shownPair = turned ? [less, more] : [more, less];
    const systems = shownPair.map(patchSystem);
    return {
      kind: 'resolves',
      level,
      seed,
      given: `${subject.name} at ${quantityText(more.reading.distanceM, units)}, the same piece of it. One is ${more.name}, the other ${less.name}.`,
      question: 'Which of the two took A?',
      plates: ['A', 'B'].map((label, at) => ({
        kind: 'photo',
        label,
        order: { make: 'patch', systems, subject: { kind: subject.kind, sizeMm: subject.sizeMm }, at },
      })),
      ask: {
        type: 'choice',
        options: [more, less].map(({ id, name }) => ({ id, text: name })).sort((a, b) => a.text.localeCompare(b.text)),
        right: shownPair[0]!.id,
      },
      told: `${more.name} resolves ${quantityText(more.reading.resolvedPixels, 'metric')} on it, ${less.name} ${quantityText(less.reading.resolvedPixels, 'metric')}: ${turned ? 'B' : 'A'} shows more.`,
      why: more.reading.resolvedPixels,
    };
  }
  return null;
}
