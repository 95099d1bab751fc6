/** An element of glass, bulging both ways by `bulge`, around the axis at y = 28. */
export const glass = (x: number, half: number, bulge: number): string =>
  `M${x} ${28 - half}Q${x + bulge} 28 ${x} ${28 + half}Q${x - bulge} 28 ${x} ${28 - half}Z`;

/** One that is hollow on both sides. */
export const concave = (x: number, half: number): string =>
  `M${x - 4} ${28 - half}H${x + 4}Q${x - 1} 28 ${x + 4} ${28 + half}H${x - 4}Q${x + 1} 28 ${x - 4} ${28 - half}Z`;
