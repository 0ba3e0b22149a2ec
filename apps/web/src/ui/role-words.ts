import type { Role } from '@burl/contract';

/** What each role may do, in a line. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  engineer: 'builds jobs, requests release',
  approver: 'the same, and releases what others built',
  floor: 'reads released sheets',
  administrator: 'looks after people, edits nothing',
};
