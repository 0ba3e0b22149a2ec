import { say, type Sentence } from '../../units/sentence.ts';
import type { Machine } from '../../crib/machine.ts';

/** Which way the part turns: forward is the way a right-hand thread is cut towards the jaws. */
export const ROTATIONS = ['forward', 'reverse'] as const;
export type Rotation = (typeof ROTATIONS)[number];
/** Which way the face of the insert looks. */
export const EDGE_SIDES = ['up', 'down'] as const;
export type EdgeSide = (typeof EDGE_SIDES)[number];

/** How a turning tool sits and which way the part turns against it. */
export interface ToolSeat {
  readonly rotation: Rotation;
  readonly edge: EdgeSide;
}

/** Where the turret stands: before the axis, or behind it as on most slant beds. */
export const turretOf = ({ turret }: Pick<Machine, 'turret'>): 'front' | 'rear' => turret ?? 'rear';

/** The way the part has to turn so that it meets the face of the edge: behind the axis it comes up, before it down. */
export const rotationFor = (edge: EdgeSide, turret: 'front' | 'rear'): Rotation =>
  (turret === 'rear') === (edge === 'down') ? 'forward' : 'reverse';

/** What nobody states is the usual: forward, with the edge that meets it. */
export const seatOf = ({ seat }: { readonly seat?: ToolSeat }, machine: Pick<Machine, 'turret'>): ToolSeat =>
  seat ?? { rotation: 'forward', edge: turretOf(machine) === 'rear' ? 'down' : 'up' };

/** What a sheet says of a seat somebody stated. */
export const seatNotes = (seat: ToolSeat | undefined): readonly Sentence[] =>
  seat ? [say(`Spindle ${seat.rotation}, edge facing ${seat.edge}.`)] : [];

/** Cautions of a part that turns the other way. */
export const seatCautions = (
  op: { readonly seat?: ToolSeat },
  machine: Pick<Machine, 'turret'>,
): readonly string[] =>
  seatOf(op, machine).rotation === 'forward'
    ? []
    : [
        'Reversed, a chuck that is screwed on comes off: only chucks locked on their nose, and brakes and clamps looked at.',
        ...(turretOf(machine) === 'front'
          ? [
              'Reversed, the cut lifts the tool out of its seat and the slide off its ways: clamp it from above and cut light.',
            ]
          : []),
      ];
