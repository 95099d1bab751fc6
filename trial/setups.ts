import { readFar } from '@/core/far/readFar';
import { readNear } from '@/core/near/readNear';
import { signalToNoise } from '@/core/noise/signalToNoise';
import { foldSystem, type EffectiveSystem } from '@/core/optics/foldSystem';
import type { Quantity } from '@/core/quantity/quantity';
import { DESKS } from '@/cli/registry';
import { demoOutputs } from '@/demo/kit';
import { exampleOf, faultIn } from '../tests/support/leftOut';
import { count, newTally, randomOf, type Tally } from '../torture/tally';
import { drawSetup, type Drawn, type Random } from './drawSetup';

const output = demoOutputs.web.data;
/** A declared ± is meant to hold 95 of 100 truths; by so much the share that is held may differ. */
const [MEANT, OFF] = [0.95, 0.02];
/** Fewer than this say nothing of a share. */
const LEAST = 400;

const normal = (random: Random): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
/** A truth as a declared error allows: 1.96 deviations are the ±. */
const truthOf = (value: number, plusMinus: number, random: Random): number =>
  value + (plusMinus / 1.96) * normal(random);

interface Held {
  held: number;
  all: number;
}

function note(by: Map<string, Held>, name: string, said: Quantity, truth: number): void {
  if (!said.plusMinus) return;
  const entry = by.get(name) ?? { held: 0, all: 0 };
  entry.all += 1;
  entry.held += Math.abs(truth - said.value) <= said.plusMinus ? 1 : 0;
  by.set(name, entry);
}

const folded = (
  { body, modeId, chain }: Drawn,
  measured?: { ratio: number; plusMinus: number },
): EffectiveSystem | null => {
  const found = foldSystem({
    body,
    modeId,
    chain,
    ...(measured ? { measured: [{ at: 'closest' as const, ...measured }] } : {}),
  });
  return found.ok ? found.value : null;
};

/** Far: the size of the subject as it may be. */
function far(drawn: Drawn, random: Random, by: Map<string, Held>): void {
  const system = folded(drawn);
  if (!system) return;
  const { subject, distanceM } = drawn;
  const truth = {
    ...subject,
    sizeMm: truthOf(subject.sizeMm, subject.sizePlusMinusMm!, random),
    sizePlusMinusMm: undefined,
  };
  // The lens as sharp as it may be, where its sharpness is known with an error.
  const { lens50LpPerMm } = system;
  const sharp = lens50LpPerMm.plusMinus
    ? { value: Math.max(2, truthOf(lens50LpPerMm.value, lens50LpPerMm.plusMinus, random)) }
    : {};
  const truly = { ...system, lens50LpPerMm: { ...lens50LpPerMm, ...sharp, unit: lens50LpPerMm.unit } as Quantity };
  const said = readFar({ system, subject, distanceM, output });
  const real = readFar({ system: truly, subject: truth, distanceM, output });
  if (!said.ok || !real.ok || said.value.obstacle || real.value.obstacle) return;
  note(by, 'far: pixels on the subject', said.value.pixelsOnSubject, real.value.pixelsOnSubject.value);
  note(by, 'far: resolved pixels', said.value.resolvedPixels, real.value.resolvedPixels.value);
}

/** Close up, at a ratio that was measured: it may be a little another, and the subject as well. */
function near(drawn: Drawn, random: Random, by: Map<string, Held>): void {
  const ratio = 0.2 + random();
  const plusMinus = ratio * (0.002 + 0.05 * random());
  const real = truthOf(ratio, plusMinus, random);
  const [system, truly] = [folded(drawn, { ratio, plusMinus }), folded(drawn, { ratio: real, plusMinus: 0 })];
  if (!system || !truly) return;
  const sizeMm = 3 + 20 * random();
  const read = (of: EffectiveSystem) =>
    readNear({ system: of, subject: { ...drawn.subject, sizeMm, sizePlusMinusMm: undefined }, output });
  const [said, is] = [read(system), read(truly)];
  if (!said.ok || !is.ok) return;
  note(by, 'near: ratio', said.value.ratio, is.value.ratio.value);
  note(by, 'near: pixels on the subject', said.value.pixelsOnSubject, is.value.pixelsOnSubject.value);
  note(by, 'near: field', said.value.fieldWidthMm, is.value.fieldWidthMm.value);
}

/** Noise, as the sensor was measured. */
function noise({ body, ...drawn }: Drawn, random: Random, by: Map<string, Held>): void {
  const system = folded({ body, ...drawn });
  const [light] = body.light ?? [];
  if (!system || !light) return;
  const real = {
    ...light,
    fullWellE: Math.max(1, truthOf(light.fullWellE, light.fullWellPlusMinusE!, random)),
    readNoiseE: Math.max(0.01, truthOf(light.readNoiseE, light.readNoisePlusMinusE!, random)),
    fullWellPlusMinusE: 0,
    readNoisePlusMinusE: 0,
  };
  const asked = { used: system.used, output, iso: 400 };
  const said = signalToNoise({ ...asked, body });
  const is = signalToNoise({ ...asked, body: { ...body, light: [real] } });
  note(by, 'noise: signal to noise of a pixel', said.perPixel, is.perPixel.value);
}

/** Readings whose input is one set-up: any drawn one can be put in the place of the example's. */
const ONE_SETUP = Object.entries(DESKS).flatMap(([name, desk]) => {
  const example = exampleOf(name) as Record<string, unknown>;
  return 'body' in example && 'chain' in example ? [{ name, desk, example }] : [];
});

/**
 * Set-ups nobody has seen, through every reading that takes one: no answer may lack a number; and truths drawn within the
 * declared errors must lie within the ± of what is said of them in 95 ± 2 of 100 cases.
 */
export function setups(minutes: number, seed: number, wanted = 5000): Promise<Tally> {
  const random = randomOf(seed);
  const tally = newTally('set-ups drawn', wanted);
  const by = new Map<string, Held>();
  const end = Date.now() + minutes * 60_000;
  while (tally.done < wanted && Date.now() < end) {
    const drawn = drawSetup(random);
    tally.done += 1;
    far(drawn, random, by);
    near(drawn, random, by);
    noise(drawn, random, by);
    const { body, modeId, chain, subject, distanceM } = drawn;
    for (const { name, desk, example } of ONE_SETUP) {
      const own = {
        ...example,
        body,
        modeId,
        chain,
        ...('subject' in example ? { subject } : {}),
        ...('distanceM' in example ? { distanceM } : {}),
      };
      const fault = faultIn(desk, own);
      if (fault !== null) tally.faults.push(`${name}, set-up ${tally.done}: ${fault}`);
      count(tally, 'readings');
    }
  }
  for (const [name, { held, all }] of by) {
    const share = held / all;
    tally.notes[`${name}: % of ${all} within ±`] = Number((100 * share).toFixed(1));
    // Three deviations of so many draws beside what is allowed: chance alone is no fault.
    const allowed = OFF + 3 * Math.sqrt((MEANT * (1 - MEANT)) / all);
    if (all >= LEAST && Math.abs(share - MEANT) > allowed)
      tally.faults.push(`${name}: ± holds ${(100 * share).toFixed(1)} of 100 of ${all} truths`);
  }
  return Promise.resolve(tally);
}
