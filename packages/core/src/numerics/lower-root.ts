import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** What rounding left a little uneven, symmetric. */
export const evened = (m: Matrix): Matrix => Matrix.add(m, m.transpose()).mul(0.5);

/** L with L·Lᵀ = m, for a symmetric and positive definite matrix that rounding may have left a little uneven. */
export const lowerRoot = (m: Matrix): Matrix => new CholeskyDecomposition(evened(m)).lowerTriangularMatrix;
