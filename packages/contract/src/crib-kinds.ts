export const CRIB_KINDS = ['alloys', 'machines', 'cutters', 'holders'] as const;
export type CribKind = (typeof CRIB_KINDS)[number];
