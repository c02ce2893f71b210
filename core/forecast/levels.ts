import { Matrix, solve } from 'ml-matrix';

/** What stands how high on one day: `width` features a row, and the level of each. */
export interface LevelRows {
  features: Float64Array;
  width: number;
  level: Float64Array;
}

const RIDGE = 1e-6;

/**
 * How much higher a target stands for each unit of a feature (method §6a): least squares of the level over the results of
 * captures, features relative to their capture.
 *
 * @returns a weight a feature in units of level, all 0 where there are fewer rows than features
 */
export function fitLevels({ features, width, level }: LevelRows): Float64Array {
  const size = level.length;
  if (size <= width) return new Float64Array(width);
  const n = width + 1;
  const squares = Matrix.zeros(n, n);
  const products = Matrix.zeros(n, 1);
  const x = new Float64Array(n);
  x[0] = 1;
  for (let row = 0; row < size; row++) {
    for (let f = 0; f < width; f++) x[f + 1] = features[row * width + f]!;
    for (let i = 0; i < n; i++) {
      products.set(i, 0, products.get(i, 0) + x[i]! * level[row]!);
      for (let j = i; j < n; j++) squares.set(i, j, squares.get(i, j) + x[i]! * x[j]!);
    }
  }
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < i; j++) squares.set(i, j, squares.get(j, i));
    squares.set(i, i, squares.get(i, i) + RIDGE * size);
  }
  return Float64Array.from(solve(squares, products).to1DArray().slice(1));
}
