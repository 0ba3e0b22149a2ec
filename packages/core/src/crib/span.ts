/** Low, middle and high of a library value: about the 10, 50 and 90% points of what shops find. */
export interface Span {
  readonly low: number;
  readonly typical: number;
  readonly high: number;
}

export type Confidence = 'high' | 'medium' | 'low';
