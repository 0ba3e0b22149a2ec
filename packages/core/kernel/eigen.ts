// Eigenvalues and vectors of a small real matrix by columns: reduced to Hessenberg form, then to real Schur form by Francis' double steps, then
// solved backwards. EISPACK's orthes, ortran and hqr2: Smith et al. 1976; Golub & Van Loan 2013, 7.4 to 7.6.
import { toVectors } from './eigenvectors';
import { toHessenberg } from './hessenberg';
import { toSchur } from './schur';
import { take } from './small-matrix';

/**
 * Eigenvalues of a `size` × `size` matrix, which is lost: real and imaginary parts, and vectors as columns. Of a pair the one above the
 * axis comes first, and the two columns are the real and imaginary part of its vector. False where it did not converge. `values` takes the real parts, then the
 * imaginary ones.
 */
export function eigen(matrix: usize, size: i32, values: usize, vectors: usize): bool {
  take(matrix, size, values, vectors);
  toHessenberg();
  const norm = toSchur();
  if (norm > 0) toVectors(norm);
  return norm >= 0;
}
