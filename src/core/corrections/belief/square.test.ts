import { CholeskyDecomposition, determinant, inverse, Matrix } from 'ml-matrix';
import { normal, seeded } from '#core/numeric';
import {
  applied,
  determinantOf,
  diagonal,
  inverseOf,
  plus,
  product,
  rootOf,
  scaled,
  type Square,
  symmetric,
} from './square';

// Held to a general library, on made-up matrices from a fixed seed.

const random = seeded(11);
const nine = (list: readonly number[]) => list as unknown as Square;
const drawn = (): Square => nine(Array.from({ length: 9 }, () => normal(random, 0, 2)));
const asMatrix = (m: Square): Matrix => Matrix.from1DArray(3, 3, [...m]);
const near = (a: Square, b: Matrix) =>
  b.to1DArray().forEach((x, i) => expect(a[i]).toBeCloseTo(x, 9));

test.each(Array.from({ length: 20 }, (_, i) => i))('made-up pair %i', () => {
  const [a, b] = [drawn(), drawn()];
  const [A, B] = [asMatrix(a), asMatrix(b)];
  near(plus(a, b), Matrix.add(A, B));
  near(plus(a, b, -0.3), Matrix.sub(A, Matrix.mul(B, 0.3)));
  near(scaled(a, 1.7), Matrix.mul(A, 1.7));
  near(product(a, b), A.mmul(B));
  near(inverseOf(a), inverse(A));
  near(symmetric(a), Matrix.add(A, A.transpose()).mul(0.5));
  expect(determinantOf(a)).toBeCloseTo(determinant(A), 9);
  const image = A.mmul(Matrix.columnVector([1, -2, 3])).to1DArray();
  applied(a, [1, -2, 3]).forEach((x, i) => expect(x).toBeCloseTo(image[i] ?? NaN, 9));
  const transposed = nine(A.transpose().to1DArray());
  const covariance = plus(product(a, transposed), diagonal(1, 1, 1));
  near(rootOf(covariance), new CholeskyDecomposition(asMatrix(covariance)).lowerTriangularMatrix);
});
test('what has no inverse, and what is no covariance, is refused', () => {
  expect(() => inverseOf([1, 2, 3, 2, 4, 6, 0, 0, 1])).toThrow(RangeError);
  expect(() => rootOf([1, 0, 0, 0, -1, 0, 0, 0, 1])).toThrow(RangeError);
});
