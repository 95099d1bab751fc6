import type { BodySpec } from '../kit/body';
import { computed, given, input, type Quantity, type WhyInput } from '../quantity/quantity';

/** Pictures one hopes to take with a body in a mode. */
export interface Shooting {
  body: BodySpec;
  /** Of the mode, or of the body, MB; not known where neither was entered. */
  fileSizeMb?: number | undefined;
  pictures: number;
}

const MB_PER_GB = 1000;

/** Room the pictures take on the card, GB; at least, where the size of some files is not known; nothing where of none. */
export function cardSpaceGb(shootings: readonly Shooting[]): Quantity | undefined {
  const known = shootings.filter((each): each is Shooting & { fileSizeMb: number } => each.fileSizeMb !== undefined);
  if (!known.length) return undefined;
  const missing = shootings.filter(({ fileSizeMb }) => fileSizeMb === undefined).map(({ body }) => body.name);
  const inputs = known.flatMap(({ body, fileSizeMb, pictures }, i): WhyInput[] => [
    input(`n${i + 1}`, 'pictures', given(pictures, '1', 'Pictures', 'the plan')),
    input(`b${i + 1}`, `a raw file of ${body.name}`, given(fileSizeMb, 'MB', 'Raw file', 'body data, in this mode')),
  ]);
  return computed(
    known.reduce((sum, { fileSizeMb, pictures }) => sum + fileSizeMb * pictures, 0) / MB_PER_GB,
    'GB',
    () => ({
      name: 'Room on the card',
      formula: `(${known.map((_, i) => `n${i + 1} · b${i + 1}`).join(' + ')}) / 1000`,
      inputs,
      source: 'raw files as large as usual; fine detail and high ISO make them larger',
      ...(missing.length ? { neglects: `Size of a file not entered: ${[...new Set(missing)].join(', ')}.` } : {}),
    }),
    undefined,
    missing.length ? 'atLeast' : undefined,
  );
}

/** Batteries of one body. */
export interface BatteryNeed {
  body: BodySpec;
  /** Nothing where nobody entered how many pictures one lasts for. */
  batteries?: Quantity;
}

/** Full batteries each body needs, one at least. */
export function batteriesFor(shootings: readonly Shooting[]): BatteryNeed[] {
  const bodies = [...new Set(shootings.map(({ body }) => body))];
  return bodies.map((body) => {
    const pictures = shootings.filter((each) => each.body === body).reduce((sum, each) => sum + each.pictures, 0);
    const { picturesPerBattery: lasts } = body;
    if (lasts === undefined) return { body };
    return {
      body,
      batteries: computed(Math.max(1, Math.ceil(pictures / lasts)), '1', () => ({
        name: `Batteries for ${body.name}`,
        formula: 'max(1, ⌈n / b⌉)',
        inputs: [
          input('n', 'pictures', given(pictures, '1', 'Pictures', 'the plan')),
          input('b', 'pictures with one battery', given(lasts, '1', 'Pictures with one battery', 'body data')),
        ],
        source: 'full ones',
        neglects: 'Cold takes a third or more; so do a lit screen and long waiting.',
      })),
    };
  });
}
