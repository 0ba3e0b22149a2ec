/** A stroke of a drill: from where to where, mm, and how far it is lifted after it. */
export interface Peck {
  readonly fromMm: number;
  readonly toMm: number;
  readonly retract: 'none' | 'chip-break' | 'full';
}

/** Pecks somebody set one by one: depths at which the drill is lifted, mm, and how far. */
export interface PeckList {
  readonly toMm: readonly number[];
  readonly retract: 'chip-break' | 'full';
}
