import { computed, given, input, type Quantity } from '../quantity/quantity';
import { discPx, standOf, type SamplingStand } from './planet';

/** One Barlow or reducer in the chain: where it would bring the focal ratio. */
export interface SpreadChoice {
  id: string;
  name: string;
  factor: number;
  focalMm: number;
  fNumber: number;
  fNumberOverPitch: number;
  discPx: number;
  stand: SamplingStand;
  /** Light on each pixel against the present chain, stops: spread wider, every pixel gets less and the exposure grows. */
  pixelLightStops: number;
  present: boolean;
  gain: Quantity;
}

interface Bare {
  /** Of the chain without any factor part. */
  focalMm: number;
  fNumber: number;
}

/**
 * What each Barlow or reducer of the kit would make of the disc.
 *
 * @param presentFactor of what is in the chain now; 1 without
 * @param parts what the kit holds; the bare chain is added
 */
export function spreadChoices(
  bare: Bare,
  presentFactor: number,
  parts: readonly { id: string; name: string; factor: number }[],
  pitchUm: number,
  discArcsec: number,
): SpreadChoice[] {
  const all = [{ id: 'bare', name: 'As it is, without', factor: 1 }, ...parts];
  return all
    .map(({ id, name, factor }) => {
      const fNumber = bare.fNumber * factor;
      return {
        id,
        name,
        factor,
        focalMm: bare.focalMm * factor,
        fNumber,
        fNumberOverPitch: fNumber / pitchUm,
        discPx: discPx(discArcsec, bare.focalMm * factor, pitchUm),
        stand: standOf(fNumber / pitchUm),
        pixelLightStops: -2 * Math.log2(factor / presentFactor),
        present: Math.abs(factor / presentFactor - 1) < 1e-9,
        gain: computed(factor / presentFactor, '×', () => ({
          name: 'Disc wider by',
          formula: 't₂ / t₁',
          inputs: [
            input('t₁', 'factor now', given(presentFactor, '×', 'Factor now')),
            input('t₂', 'factor then', given(factor, '×', 'Factor then')),
          ],
          source: 'the disc grows with the focal length; light on each pixel falls with its square',
        })),
      };
    })
    .sort((a, b) => a.factor - b.factor);
}
