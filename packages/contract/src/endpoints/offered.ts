import type { SESSION } from './session.ts';
import type { PEOPLE } from './people.ts';
import type { CRIB } from './crib.ts';
import type { JOBS } from './jobs.ts';
import type { SETUPS, OPERATIONS, VARIANTS } from './route.ts';
import type { HOLES } from './holes.ts';
import type { RELEASES } from './releases.ts';
import type { CHATTER } from './chatter.ts';
import type { EXCHANGE } from './exchange.ts';
import type { FLOOR } from './floor.ts';
import type { PROGRAMS } from './programs.ts';
import type { LOGBOOK } from './logbook.ts';

type In<T> = T[keyof T];

/** Everything the server offers, as a type: a page that names an address carries no schema along. */
export type Offered =
  | In<typeof SESSION>
  | In<typeof PEOPLE>
  | In<Omit<typeof CRIB, 'change' | 'add'>>
  | In<(typeof CRIB)['add']>
  | In<(typeof CRIB)['change']>
  | In<typeof JOBS>
  | In<typeof SETUPS>
  | In<typeof OPERATIONS>
  | In<typeof VARIANTS>
  | In<typeof HOLES>
  | In<typeof RELEASES>
  | In<typeof CHATTER>
  | In<typeof EXCHANGE>
  | In<typeof FLOOR>
  | In<typeof PROGRAMS>
  | In<typeof LOGBOOK>;
