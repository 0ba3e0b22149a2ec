import { CRIB_KINDS, type CribKind } from './crib-kinds.ts';
import {
  type Assembly,
  assemblySchema,
  assemblyUpdateSchema,
  copyEntrySchema,
  type Crib,
  type CribEntry,
  type EntryDeed,
  entrySchema,
  MOST_FOUND,
  newEntrySchema,
  retiredSchema,
  type Stock,
  stockSchema,
} from './crib.ts';
import { type ImportReport, importSchema, MOST_IMPORT_BYTES } from './crib-files/import-report.ts';
import { endpoint } from './endpoint.ts';
import { holeInputSchema, type HoleKindRecord, holeStepsSchema, holeUpdateSchema } from './holes.ts';
import {
  type Job,
  type JobDetail,
  type JobEvent,
  jobFieldsSchema,
  type JobOperation,
  type JobSummary,
  jobUpdateSchema,
  operationBackSchema,
  operationInputSchema,
  operationUpdateSchema,
  revisionSchema,
  routeOrderSchema,
  type Setup,
  setupInputSchema,
  setupUpdateSchema,
  type Variant,
  variantUpdateSchema,
} from './jobs.ts';
import {
  type Invitation,
  invitationSchema,
  ownPasswordSchema,
  passwordLinkSchema,
  type Person,
  type PersonRecord,
  personUpdateSchema,
  type SessionInfo,
  signInSchema,
} from './people.ts';
import { type Desk, MOST_LISTED } from './job-question.ts';
import { decisionSchema, type Release, releaseRequestSchema, type ReleaseSummary } from './releases.ts';
import {
  type Combination,
  type CombinationDetail,
  combinationSchema,
  combinationUpdateSchema,
  MOST_ATTACHED,
  testCutSchema,
  tipSchema,
} from './chatter.ts';

interface Removed {
  readonly removed: string;
}
interface Made {
  readonly id: string;
}

export const SESSION = {
  signIn: endpoint<Person>()({
    method: 'POST',
    path: '/api/session',
    access: 'public',
    tag: 'session',
    summary: 'Sign in',
    body: signInSchema,
    success: 200,
  }),
  who: endpoint<SessionInfo>()({
    method: 'GET',
    path: '/api/session',
    access: 'public',
    tag: 'session',
    summary: 'Who is signed in, and the demo accounts while they exist',
  }),
  signOut: endpoint<{ person: null }>()({
    method: 'DELETE',
    path: '/api/session',
    access: 'person',
    tag: 'session',
    summary: 'Sign out',
  }),
};

export const PEOPLE = {
  ownPassword: endpoint<{ person: Person }>()({
    method: 'PUT',
    path: '/api/session/password',
    access: 'person',
    tag: 'people',
    summary: 'Change one’s own password; other sessions end',
    body: ownPasswordSchema,
  }),
  redeem: endpoint<{ person: Person }>()({
    method: 'POST',
    path: '/api/password-links',
    access: 'public',
    tag: 'people',
    summary: 'Set a password by a one-time link',
    body: passwordLinkSchema,
    success: 200,
  }),
  all: endpoint<PersonRecord[]>()({
    method: 'GET',
    path: '/api/people',
    access: 'administrator',
    tag: 'people',
    summary: 'Everybody who may or might sign in',
  }),
  invite: endpoint<Invitation>()({
    method: 'POST',
    path: '/api/people',
    access: 'administrator',
    tag: 'people',
    summary: 'Add a person; answers the one-time link that sets the password',
    body: invitationSchema,
  }),
  change: endpoint<PersonRecord>()({
    method: 'PUT',
    path: '/api/people/:id',
    access: 'administrator',
    tag: 'people',
    summary: 'Change name, role or state of a person',
    body: personUpdateSchema,
  }),
  endSessions: endpoint<PersonRecord>()({
    method: 'DELETE',
    path: '/api/people/:id/sessions',
    access: 'administrator',
    tag: 'people',
    summary: 'End every session of a person',
  }),
  passwordLink: endpoint<Invitation>()({
    method: 'POST',
    path: '/api/people/:id/password-links',
    access: 'administrator',
    tag: 'people',
    summary: 'Take the password away; answers the one-time link that sets a new one',
  }),
};

const changeEntry = <K extends CribKind>(kind: K) =>
  endpoint<CribEntry>()({
    method: 'PUT',
    path: `/api/crib/${kind}/:entry`,
    access: 'editor',
    tag: 'crib',
    summary: 'Update a shop entry',
    body: entrySchema(kind),
  });

const addEntry = <K extends CribKind>(kind: K) =>
  endpoint<CribEntry>()({
    method: 'POST',
    path: `/api/crib/${kind}/new`,
    access: 'editor',
    tag: 'crib',
    summary: 'New shop entry',
    body: newEntrySchema(kind),
  });

export const CRIB = {
  whole: endpoint<Crib>()({
    method: 'GET',
    path: '/api/crib',
    access: 'person',
    tag: 'crib',
    summary: 'The whole crib',
  }),
  entries: endpoint<CribEntry[]>()({
    method: 'GET',
    path: '/api/crib/:kind',
    access: 'person',
    tag: 'crib',
    summary: 'Entries of one kind',
  }),
  copy: endpoint<CribEntry>()({
    method: 'POST',
    path: '/api/crib/:kind',
    access: 'editor',
    tag: 'crib',
    summary: 'Copy an entry under a new id',
    body: copyEntrySchema,
  }),
  /** What an entry must be hangs on its kind, so each has an endpoint of its own. */
  change: Object.fromEntries(CRIB_KINDS.map((kind) => [kind, changeEntry(kind)])) as {
    readonly [K in CribKind]: ReturnType<typeof changeEntry<K>>;
  },
  add: Object.fromEntries(CRIB_KINDS.map((kind) => [kind, addEntry(kind)])) as {
    readonly [K in CribKind]: ReturnType<typeof addEntry<K>>;
  },
  retire: endpoint<CribEntry>()({
    method: 'PUT',
    path: '/api/crib/:kind/:entry/retired',
    access: 'editor',
    tag: 'crib',
    summary:
      'Retire an entry, or bring it back: it is not offered any more, and nothing that names it breaks',
    body: retiredSchema,
  }),
  history: endpoint<EntryDeed[]>()({
    method: 'GET',
    path: '/api/crib/:kind/:entry/history',
    access: 'person',
    tag: 'crib',
    summary: 'Who changed which value of an entry, when and why',
  }),
  stock: endpoint<Stock>()({
    method: 'PUT',
    path: '/api/crib/cutters/:entry/stock',
    access: 'editor',
    tag: 'crib',
    summary: 'Count the shelf of a cutter: edges, place, price',
    body: stockSchema,
  }),
  search: endpoint<CribEntry[]>()({
    method: 'GET',
    path: '/api/crib/:kind/search',
    access: 'person',
    tag: 'crib',
    summary: `Entries in which everything typed is found, ${MOST_FOUND} at most: ?q=&most=`,
  }),
  importFile: endpoint<ImportReport>()({
    method: 'POST',
    path: '/api/crib/:kind/import',
    access: 'editor',
    tag: 'crib',
    summary: 'Entries from a CSV or JSON file: whole or not at all; dryRun only tells what would happen',
    body: importSchema,
    most: MOST_IMPORT_BYTES,
    success: 200,
  }),
  exportFile: endpoint<string>()({
    method: 'GET',
    path: '/api/crib/:kind/export',
    access: 'person',
    tag: 'crib',
    summary: 'Entries of one kind as a file: ?format=csv or json, ?origin=shop or all',
  }),
  remove: endpoint<Removed>()({
    method: 'DELETE',
    path: '/api/crib/:kind/:entry',
    access: 'editor',
    tag: 'crib',
    summary: 'Remove a shop entry that nothing uses',
  }),
  addAssembly: endpoint<Assembly>()({
    method: 'POST',
    path: '/api/assemblies',
    access: 'editor',
    tag: 'crib',
    summary: 'Create an assembly',
    body: assemblySchema,
  }),
  changeAssembly: endpoint<Assembly>()({
    method: 'PUT',
    path: '/api/assemblies/:id',
    access: 'editor',
    tag: 'crib',
    summary: 'Change an assembly',
    body: assemblyUpdateSchema,
  }),
};

export const JOBS = {
  all: endpoint<JobSummary[]>()({
    method: 'GET',
    path: '/api/jobs',
    access: 'person',
    tag: 'jobs',
    summary: `Jobs, the last changed first, ${MOST_LISTED} at most: ?search=&status=&before=&most=`,
  }),
  desk: endpoint<Desk>()({
    method: 'GET',
    path: '/api/desk',
    access: 'person',
    tag: 'jobs',
    summary: 'The first jobs of each status, and how many there are: ?search=',
  }),
  create: endpoint<JobDetail>()({
    method: 'POST',
    path: '/api/jobs',
    access: 'editor',
    tag: 'jobs',
    summary: 'New job with a first setup',
    body: jobFieldsSchema,
  }),
  one: endpoint<JobDetail>()({
    method: 'GET',
    path: '/api/jobs/:id',
    access: 'person',
    tag: 'jobs',
    summary: 'A job with its route',
  }),
  change: endpoint<Job>()({
    method: 'PUT',
    path: '/api/jobs/:id',
    access: 'editor',
    tag: 'jobs',
    summary: 'Update a job',
    body: jobUpdateSchema,
  }),
  remove: endpoint<Removed>()({
    method: 'DELETE',
    path: '/api/jobs/:id',
    access: 'editor',
    tag: 'jobs',
    summary: 'Remove a job that was never released',
  }),
  revise: endpoint<Job>()({
    method: 'POST',
    path: '/api/jobs/:id/revisions',
    access: 'editor',
    tag: 'jobs',
    summary: 'Open the next revision of a released job',
    body: revisionSchema,
    success: 200,
  }),
  events: endpoint<JobEvent[]>()({
    method: 'GET',
    path: '/api/jobs/:id/events',
    access: 'person',
    tag: 'jobs',
    summary: 'Who did what in this job, newest first',
  }),
  order: endpoint<JobDetail>()({
    method: 'PUT',
    path: '/api/jobs/:id/order',
    access: 'editor',
    tag: 'route',
    summary: 'Put setups and operations in a new order',
    body: routeOrderSchema,
  }),
};

export const SETUPS = {
  add: endpoint<JobDetail>()({
    method: 'POST',
    path: '/api/jobs/:id/setups',
    access: 'editor',
    tag: 'route',
    summary: 'Add a setup',
    body: setupInputSchema,
  }),
  change: endpoint<Omit<Setup, 'operations'>>()({
    method: 'PUT',
    path: '/api/setups/:id',
    access: 'editor',
    tag: 'route',
    summary: 'Rename a setup',
    body: setupUpdateSchema,
  }),
  remove: endpoint<JobDetail>()({
    method: 'DELETE',
    path: '/api/setups/:id',
    access: 'editor',
    tag: 'route',
    summary: 'Remove an empty setup',
  }),
};

export const OPERATIONS = {
  add: endpoint<Omit<JobOperation, 'variants'>>()({
    method: 'POST',
    path: '/api/jobs/:id/operations',
    access: 'editor',
    tag: 'route',
    summary: 'Add an operation with its variant A',
    body: operationInputSchema,
  }),
  putBack: endpoint<JobDetail>()({
    method: 'POST',
    path: '/api/jobs/:id/operations/back',
    access: 'editor',
    tag: 'route',
    summary: 'Put a removed operation back with all its variants',
    body: operationBackSchema,
  }),
  change: endpoint<Omit<JobOperation, 'variants'>>()({
    method: 'PUT',
    path: '/api/operations/:id',
    access: 'editor',
    tag: 'route',
    summary: 'Rename an operation or choose its variant',
    body: operationUpdateSchema,
  }),
  remove: endpoint<JobDetail>()({
    method: 'DELETE',
    path: '/api/operations/:id',
    access: 'editor',
    tag: 'route',
    summary: 'Remove an operation',
  }),
  presence: endpoint<{ others: string[] }>()({
    method: 'PUT',
    path: '/api/operations/:id/presence',
    access: 'person',
    tag: 'route',
    summary: 'Report presence, list other editors',
  }),
};

export const VARIANTS = {
  copy: endpoint<Variant>()({
    method: 'POST',
    path: '/api/operations/:id/variants',
    access: 'editor',
    tag: 'route',
    summary: 'Copy the chosen variant under the next letter',
  }),
  save: endpoint<Variant>()({
    method: 'PUT',
    path: '/api/variants/:id',
    access: 'editor',
    tag: 'route',
    summary: 'Save the numbers of a variant',
    body: variantUpdateSchema,
  }),
  remove: endpoint<Removed>()({
    method: 'DELETE',
    path: '/api/variants/:id',
    access: 'editor',
    tag: 'route',
    summary: 'Remove a variant that is not chosen',
  }),
};

export const HOLES = {
  add: endpoint<HoleKindRecord>()({
    method: 'POST',
    path: '/api/jobs/:id/holes',
    access: 'editor',
    tag: 'holes',
    summary: 'Create a hole group',
    body: holeInputSchema,
  }),
  change: endpoint<HoleKindRecord>()({
    method: 'PUT',
    path: '/api/holes/:id',
    access: 'editor',
    tag: 'holes',
    summary: 'Change a hole group’s requirement or method',
    body: holeUpdateSchema,
  }),
  remove: endpoint<JobDetail>()({
    method: 'DELETE',
    path: '/api/holes/:id',
    access: 'editor',
    tag: 'holes',
    summary: 'Remove a hole group with its steps',
  }),
  intoRoute: endpoint<JobDetail>()({
    method: 'POST',
    path: '/api/holes/:id/steps',
    access: 'editor',
    tag: 'holes',
    summary: 'Put the steps of the chosen method into the route',
    body: holeStepsSchema,
  }),
};

export const RELEASES = {
  ofJob: endpoint<ReleaseSummary[]>()({
    method: 'GET',
    path: '/api/jobs/:id/releases',
    access: 'person',
    tag: 'release',
    summary: 'Releases of a job, newest first',
  }),
  one: endpoint<Release>()({
    method: 'GET',
    path: '/api/releases/:id',
    access: 'person',
    tag: 'release',
    summary: 'One release with evidence and differences',
  }),
  sheet: endpoint<Release>()({
    method: 'GET',
    path: '/api/jobs/:id/sheet',
    access: 'person',
    tag: 'release',
    summary: 'The current sheet',
  }),
  sheetPdf: endpoint<Buffer>()({
    method: 'GET',
    path: '/api/releases/:id/sheet.pdf',
    access: 'person',
    tag: 'release',
    summary: 'The sheet as PDF: ?paper=a4|letter&units=metric|inch',
  }),
  request: endpoint<Release>()({
    method: 'POST',
    path: '/api/jobs/:id/release-requests',
    access: 'editor',
    tag: 'release',
    summary: 'Request release',
    body: releaseRequestSchema,
  }),
  withdraw: endpoint<Release>()({
    method: 'POST',
    path: '/api/releases/:id/withdrawal',
    access: 'editor',
    tag: 'release',
    summary: 'Withdraw a request',
    success: 200,
  }),
  decide: endpoint<Release>()({
    method: 'POST',
    path: '/api/releases/:id/decision',
    access: 'approver',
    tag: 'release',
    summary: 'Release, or return with a reason',
    body: decisionSchema,
    success: 200,
  }),
};

/** A measured response of 20,000 lines as JSON, with room to spare. */
const MOST_RESPONSE_BYTES = 4_000_000;

export const CHATTER = {
  combinations: endpoint<CombinationDetail[]>()({
    method: 'GET',
    path: '/api/resonance',
    access: 'person',
    tag: 'chatter',
    summary: 'All combinations',
  }),
  addCombination: endpoint<Made>()({
    method: 'POST',
    path: '/api/resonance',
    access: 'editor',
    tag: 'chatter',
    summary: 'Create a combination',
    body: combinationSchema,
  }),
  changeCombination: endpoint<Combination>()({
    method: 'PUT',
    path: '/api/resonance/:id',
    access: 'editor',
    tag: 'chatter',
    summary: 'Correct a combination; what it is remembered under only while nothing was measured in it',
    body: combinationUpdateSchema,
  }),
  removeCombination: endpoint<Removed>()({
    method: 'DELETE',
    path: '/api/resonance/:id',
    access: 'editor',
    tag: 'chatter',
    summary: 'Take a combination out of use, with what was measured in it',
  }),
  bringBackCombination: endpoint<Combination>()({
    method: 'POST',
    path: '/api/resonance/:id/restoration',
    access: 'editor',
    tag: 'chatter',
    summary: 'Bring a removed combination back as it was',
    success: 200,
  }),
  saveTip: endpoint<Made>()({
    method: 'POST',
    path: '/api/resonance/:id/tips',
    access: 'editor',
    tag: 'chatter',
    summary: 'Save a tap test or a table of modes',
    body: tipSchema,
    most: MOST_RESPONSE_BYTES,
    // Frequency, two parts and a coherence a line.
    values: 4 * 20_000 + 1000,
  }),
  restoreTip: endpoint<Made>()({
    method: 'POST',
    path: '/api/resonance/tips/:id/restore',
    access: 'editor',
    tag: 'chatter',
    summary: 'Restore an earlier tap test or table of modes',
  }),
  logCut: endpoint<Made>()({
    method: 'POST',
    path: '/api/resonance/:id/cuts',
    // Whoever runs the machine logs the cut.
    access: 'person',
    tag: 'chatter',
    summary: 'Log a test cut',
    body: testCutSchema,
    most: Math.ceil(MOST_ATTACHED * 1.4),
  }),
  attachment: endpoint<Buffer>()({
    method: 'GET',
    path: '/api/resonance/cuts/:id/attachment',
    access: 'person',
    tag: 'chatter',
    summary: 'Recording or picture of a cut',
  }),
  removeCut: endpoint<Record<string, never>>()({
    method: 'DELETE',
    path: '/api/resonance/cuts/:id',
    access: 'editor',
    tag: 'chatter',
    summary: 'Delete a test cut',
  }),
};

const MOST_FILE_BYTES = 8 * 1024 * 1024;

export const EXCHANGE = {
  exportJob: endpoint<string>()({
    method: 'GET',
    path: '/api/jobs/:id/export',
    access: 'person',
    tag: 'exchange',
    summary: 'The job as one file',
  }),
  /** The body is a job file of any version; the route brings it up to date and checks it. */
  importJob: endpoint<JobDetail>()<'/api/jobs/import', unknown, 'POST'>({
    method: 'POST',
    path: '/api/jobs/import',
    access: 'editor',
    tag: 'exchange',
    summary: 'New job from a file',
    most: MOST_FILE_BYTES,
    values: 400_000,
  }),
  operationsCsv: endpoint<string>()({
    method: 'GET',
    path: '/api/jobs/:id/operations.csv',
    access: 'person',
    tag: 'exchange',
    summary: 'Operations as CSV',
  }),
};

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
  | In<typeof EXCHANGE>;
