import type { Source } from '../judging/estimate.ts';

/** What a finished size is off by besides the bend, mm: the axes' roundness, wear within the pass, heat. */
export const SHOP_FLOOR_MM = 0.004;

export const SHOP_FLOOR: Source = {
  id: 'shop-floor',
  label: 'roundness of the axes, wear and heat within one pass',
  kind: 'assumed',
  sigma: 0.4,
  narrowBy: 'measure finished features',
};
