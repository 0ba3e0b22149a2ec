import type { CoolantKind } from './operation-base.ts';

/** Heat the surroundings take from the part's surface, W/(m²·K). */
export const FILM: Readonly<Record<CoolantKind, number>> = {
  flood: 1500,
  'through-tool': 1500,
  mist: 150,
  air: 60,
  dry: 15,
};

/** Share of the cutting work that goes into the part; Shaw 2005 gives 0.1 to 0.3 for milling. */
export const INTO_PART = 0.2;
