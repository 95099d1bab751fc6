import { farLevers, type Lever } from '../../far/levers';
import { formatFixed } from '../../quantity/format';
import { quantityText, showLengthM, shownText } from '../../quantity/quantityText';
import type { UnitSystem } from '../../quantity/units';
import { computed, given, input } from '../../quantity/quantity';
import { chance } from '../../simulate/chance';
import type { Exercise, Making } from '../exercise';
import { farSpot } from '../farSpot';
import { framePlate } from '../framePlate';

/** The best is ahead of the next by so much, level by level. */
const AHEAD = [1.5, 1.3, 1.2, 1.12, 1.06] as const;
const CHOICES = 3;
const TRIES = 10;

/** What one would do, in few words. */
function leverName({ kind, name, removes, distanceChangeM, focalAfterMm }: Lever, units: UnitSystem): string {
  if (kind === 'distance')
    return `${shownText(showLengthM(Math.abs(distanceChangeM), units))} ${distanceChangeM < 0 ? 'closer' : 'further back'}`;
  if (kind === 'focal') return `Zoom to ${formatFixed(focalAfterMm)}\u202fmm`;
  return removes ? `Without ${name}` : name;
}

/** Levers by chance of which one is clearly the best. */
function threeOf(levers: readonly Lever[], ahead: number, random: ReturnType<typeof chance>): Lever[] | null {
  const shuffled = random.shuffled(levers).slice(0, CHOICES);
  if (shuffled.length < CHOICES) return null;
  const [best, next] = [...shuffled].sort((a, b) => b.resolvedRatio - a.resolvedRatio) as [Lever, Lever];
  return best.resolvedRatio >= ahead * next.resolvedRatio ? shuffled : null;
}

/** Three things one could change: which brings most real pixels? */
export function lever({ kit, level, seed, units = 'metric' }: Making): Exercise | null {
  const random = chance(seed);
  for (let i = 0; i < TRIES; i += 1) {
    const spot = farSpot(kit, random);
    if (!spot) return null;
    const { setup, subject, distanceM, output, reading, name, id } = spot;
    const around = { parts: kit.parts, setups: kit.setups.filter((each) => each.id !== id) };
    const levers = farLevers({
      setup,
      subject,
      distanceM,
      output,
      judgeBy: 'resolved',
      convention: 'usual',
      kit: around,
    }).filter(
      ({ comparable, caution, verdictAfter, resolvedRatio }) =>
        comparable && !caution && verdictAfter !== 'doesNotFit' && resolvedRatio > 0,
    );
    let three: Lever[] | null = null;
    for (let j = 0; j < TRIES && !three; j += 1) three = threeOf(levers, AHEAD[level - 1]!, random);
    if (!three) continue;
    const best = three.reduce((a, b) => (b.resolvedRatio > a.resolvedRatio ? b : a));
    const { resolvedPixels } = reading;
    const told = (each: Lever) =>
      `${leverName(each, units)}: ${formatFixed(resolvedPixels.value * each.resolvedRatio)}\u202fpx`;
    return {
      kind: 'lever',
      level,
      seed,
      given: `${name}, ${subject.name} at ${quantityText(reading.distanceM, units)}: ${quantityText(resolvedPixels, 'metric')} resolved on it.`,
      question: 'What brings most real pixels on it?',
      plates: [framePlate(spot)],
      ask: {
        type: 'choice',
        options: three.map((each) => ({ id: each.id, text: leverName(each, units) })),
        right: best.id,
      },
      told: `${three.map(told).join('; ')}.`,
      why: computed(resolvedPixels.value * best.resolvedRatio, 'px', () => ({
        name: `Resolved on it: ${leverName(best, units)}`,
        formula: 'px · g',
        inputs: [
          input('px', 'resolved now', resolvedPixels),
          input(
            'g',
            'gain of the lever',
            given(best.resolvedRatio, '×', 'Resolved pixels, after ÷ now', 'the Far desk, read with the change'),
          ),
        ],
        source: 'the Far desk reads the same place with each change',
      })),
    };
  }
  return null;
}
