/** Reads of the motion of teeth that passed before, node by node of the whole period. */
export interface DelayedReads {
  /** Reads of node a are `start[a]` to `start[a + 1]`. */
  readonly start: Int32Array;
  /** Where in the record the first node of the piece read lies, for the first direction. */
  readonly from: Int32Array;
  /** Nodes of the piece read. */
  readonly count: Int32Array;
  /** Periods ago: 0 is this one's record, else that of the period before is read. */
  readonly before: Int32Array;
  /** Where the shares of a read begin. */
  readonly at: Int32Array;
  /** Share of each node of the piece read. */
  readonly shares: Float64Array;
  /** Direction matrix of each read, N/m a metre of depth: [read][row][column]. */
  readonly pressing: Float64Array;
}
