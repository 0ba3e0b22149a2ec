/** A place in the plan, mm. */
export interface Place {
  readonly x: number;
  readonly y: number;
}
