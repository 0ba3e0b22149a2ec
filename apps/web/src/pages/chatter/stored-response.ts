import type { StoredResponse } from '@burl/contract';
import type { Receptance } from '@burl/core';

/** A response as it is sent and kept. */
export const stored = (g: Receptance): StoredResponse => ({ hz: [...g.hz], re: [...g.re], im: [...g.im] });

/** A kept response as the core reads it. */
export const asReceptance = (g: StoredResponse): Receptance => ({
  hz: Float64Array.from(g.hz),
  re: Float64Array.from(g.re),
  im: Float64Array.from(g.im),
});
