/**
 * Where a continuous function crosses zero between two points of opposite sign, by Chandrupatla's method: inverse
 * quadratic interpolation where that is safe and halving where it is not. About eight evaluations where halving alone
 * takes forty; it cannot leave the interval.
 *
 * @param f continuous; f(low) and f(high) of opposite sign, else the end nearer to zero is returned
 * @param tolerance relative to the root
 * @source Chandrupatla 1997, Advances in Engineering Software 28
 * @example root((x) => x * x - 2, 0, 2) // 1.41421356…
 */
export function root(f: (x: number) => number, low: number, high: number, tolerance = 1e-13): number {
  let x1 = low;
  let x2 = high;
  let f1 = f(x1);
  let f2 = f(x2);
  if (f1 === 0) return x1;
  if (f2 === 0) return x2;
  if (f1 > 0 === f2 > 0) return Math.abs(f1) < Math.abs(f2) ? x1 : x2;
  let t = 0.5;
  for (let i = 0; i < 100; i++) {
    const x = x1 + t * (x2 - x1);
    const fx = f(x);
    let x3 = x1;
    let f3 = f1;
    if (fx > 0 === f1 > 0) {
      x3 = x1;
      f3 = f1;
    } else {
      x3 = x2;
      f3 = f2;
      x2 = x1;
      f2 = f1;
    }
    x1 = x;
    f1 = fx;
    const best = Math.abs(f1) < Math.abs(f2) ? x1 : x2;
    const smallest = (2 * tolerance * Math.abs(best) + 1e-300) / Math.abs(x2 - x1);
    if (smallest > 1 || f1 === 0 || f2 === 0) return f1 === 0 ? x1 : best;
    const xi = (x1 - x2) / (x3 - x2);
    const phi = (f1 - f2) / (f3 - f2);
    const quadratic = phi ** 2 < xi && (1 - phi) ** 2 < 1 - xi;
    t = quadratic
      ? (f1 / (f2 - f1)) * (f3 / (f2 - f3)) + ((x3 - x1) / (x2 - x1)) * (f1 / (f3 - f1)) * (f2 / (f3 - f2))
      : 0.5;
    t = Math.min(1 - smallest / 2, Math.max(smallest / 2, t));
  }
  return x1;
}
