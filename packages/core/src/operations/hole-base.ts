import type { Hole } from '../physics/holes/hole.ts';
import type { OperationBase } from './operation-base.ts';

/** What every step of a hole has. */
export interface HoleBase extends OperationBase {
  readonly hole: Hole;
}
