const DAY = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeZone: 'UTC' });

/** A day as people read it, “27 Nov 2026”, from an ISO date or moment; empty from none. */
export const formatDay = (iso: string | null | undefined): string => (iso ? DAY.format(new Date(iso)) : '');
