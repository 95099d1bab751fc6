import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/**
 * Solves a small symmetric system of normal equations; nothing when it has no one answer.
 *
 * @param normal square, row by row
 */
export function solveNormal(normal: Float64Array[], right: Float64Array): Float64Array | null {
  const size = right.length;
  // Scaled to ones on the diagonal: coordinates and their squares differ by many powers of ten.
  const scale = Float64Array.from(normal, (row, i) => 1 / Math.sqrt(Math.max(row[i]!, 1e-300)));
  const scaled = Matrix.zeros(size, size);
  for (let i = 0; i < size; i++)
    for (let j = 0; j <= i; j++) {
      // Set on both sides at once: rounding must not make it lopsided.
      const value = normal[i]![j]! * scale[i]! * scale[j]!;
      scaled.set(i, j, value);
      scaled.set(j, i, value);
    }
  if (!scaled.to1DArray().every(Number.isFinite)) return null;
  const cholesky = new CholeskyDecomposition(scaled);
  if (!cholesky.isPositiveDefinite()) return null;
  const solved = cholesky.solve(Matrix.columnVector(Array.from(right, (value, i) => value * scale[i]!)));
  return Float64Array.from(scale, (each, i) => solved.get(i, 0) * each);
}

/** The inverse of the matrix of normal equations; nothing when there is none. */
export function inverseNormal(normal: Float64Array[]): Float64Array[] | null {
  const columns: Float64Array[] = [];
  for (let i = 0; i < normal.length; i++) {
    const unit = new Float64Array(normal.length);
    unit[i] = 1;
    const column = solveNormal(normal, unit);
    if (!column) return null;
    columns.push(column);
  }
  return columns;
}
