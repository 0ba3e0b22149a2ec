// Inner loops of the periodic solution, compiled to WebAssembly: numbers are laid in its memory, and its functions are told where.
export { factor, multiply, solve } from './linear';
export { orthogonalise, scale, square } from './basis';
export { eigen } from './eigen';
export { apply, prepare } from './period-map';
export { layTeeth, passesInCut } from './teeth';
export { pieceMotion } from './piece-motion';

/** First byte of the memory that is free. */
export function begin(): usize {
  return (__heap_base + 15) & ~15;
}
