import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

const CORE = '^packages/core/src';
/** Floors of the core from the ground up: each uses those below it only. */
const FLOORS = [
  'numerics',
  'units',
  'crib',
  'physics',
  'families',
  'judging',
  'learning',
  'operations',
  'evaluation',
  'deciding',
  'programs',
];
/** Rooms of physics, likewise: what a cut is, what bends, what follows from both. */
const PHYSICS = [
  'cutting',
  'structure',
  'holding',
  'heat',
  'life',
  'surface',
  'path',
  'holes',
  'threads',
  'dynamics',
];

/** No folder of a list may use one that stands after it. Tests may: they look at a thing from above. */
const upward = (within, folders) =>
  folders.slice(0, -1).map((folder, i) => ({
    name: `${folder}-uses-only-what-is-below`,
    severity: 'error',
    from: { path: `${within}/${folder}/`, pathNot: '\\.test\\.ts$' },
    to: { path: `${within}/(${folders.slice(i + 1).join('|')}|index\\.ts$|app\\.tsx$)` },
  }));

/** A kind of operation stands by itself. A hole bored by a mill is a milling cut, and a reamer's feed hangs on a drill's. */
const operations = join(import.meta.dirname, 'packages/core/src/operations');
const KINDS = readdirSync(operations).filter((name) => existsSync(join(operations, name, `${name}-kind.ts`)));
const MADE_OF = { 'hole-milling': ['milling'], reaming: ['drilling'] };
const apart = KINDS.map((kind) => ({
  name: `${kind}-knows-no-other-kind`,
  severity: 'error',
  from: { path: `${CORE}/operations/${kind}/`, pathNot: '\\.test\\.ts$' },
  to: {
    path: `${CORE}/operations/(${KINDS.filter((k) => k !== kind && !(MADE_OF[kind] ?? []).includes(k)).join('|')})/`,
  },
}));

const WEB = '^apps/web/src';
/** Rooms of the pages from the ground up: the kit, what is drawn with it, what is asked and worked out, the pages. */
const ROOMS = ['ui', 'charts', 'drawing', 'judging', 'workers', 'planning', 'pages'];

/** Arrows go one way: web → contract → core ← server; nothing imports an app. */
export default {
  forbidden: [
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$' },
      // Of packages only numerical ones without a world of their own: linear algebra, Fourier transform, fitting, sound files.
      to: {
        pathNot:
          '^(packages/core/src|node_modules/(ml-matrix|fft\\.js|ml-levenberg-marquardt|wavefile|jstat|lru-cache|pure-rand)/)',
      },
    },
    {
      name: 'contract-knows-core-only',
      severity: 'error',
      from: { path: '^packages/contract/src', pathNot: '\\.test\\.ts$' },
      to: { path: '^(apps|e2e)/' },
    },
    {
      name: 'nothing-imports-an-app',
      severity: 'error',
      from: { path: '^apps/([^/]+)/' },
      to: { path: '^apps/', pathNot: '^apps/$1/' },
    },
    {
      name: 'packages-import-no-app',
      severity: 'error',
      from: { path: '^packages/' },
      to: { path: '^apps/' },
    },
    ...upward(CORE, FLOORS),
    ...upward(`${CORE}/physics`, PHYSICS),
    ...apart,
    ...upward(WEB, ROOMS),
    // The store knows the database and no HTTP; what is offered stands on top.
    ...upward('^apps/server/src', ['store', 'sheet', 'work', 'backup', 'http', 'routes']),
    {
      name: 'a-page-knows-no-other-page',
      severity: 'error',
      from: { path: `${WEB}/pages/([^/]+)/` },
      to: { path: `${WEB}/pages/`, pathNot: `${WEB}/pages/$1/` },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types'],
      extensions: ['.ts', '.tsx', '.js'],
    },
  },
};
