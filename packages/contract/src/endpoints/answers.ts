/** Answer to a removal. */
export interface Removed {
  readonly removed: string;
}
/** Answer to what made something. */
export interface Made {
  readonly id: string;
}
