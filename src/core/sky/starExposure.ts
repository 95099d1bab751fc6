/** An exposure that is known to be right. */
export interface ReferenceExposure {
  seconds: number;
  fNumber: number;
  iso: number;
}

/** Another exposure of the same sky: the ISO it needs, and stops of light on the sensor against the reference. */
export interface TradeOff {
  iso: number;
  /** Light an area of the sensor gets against the reference: what noise goes by. */
  lightStops: number;
}

/**
 * What ISO keeps the brightness at another time and f-number.
 *
 * @source exposure goes with t/N²
 * @example tradeOff({ seconds: 20, fNumber: 2.8, iso: 3200 }, 10, 2.8).iso // 6400
 */
export function tradeOff(reference: ReferenceExposure, seconds: number, fNumber: number): TradeOff {
  const light = (seconds / reference.seconds) * (reference.fNumber / fNumber) ** 2;
  return { iso: reference.iso / light, lightStops: Math.log2(light) };
}
