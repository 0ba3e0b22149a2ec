import {
  EMPTY_JOB_PLAN,
  EMPTY_SETUP_PLAN,
  PLAIN_FEATURE,
  PLAIN_HOLE,
  UNSTATED_ECONOMICS,
  usualPath,
} from '@burl/core';

type Plain = Record<string, unknown>;
const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Version 1 knew no economics, no path, and less of features and holding: what it did not say is not stated. */
function upgradeOperation(document: unknown): unknown {
  if (!isPlain(document)) return document;
  const withEconomics = { economics: UNSTATED_ECONOMICS, ...document };
  if (document['kind'] !== 'milling' || !isPlain(document['feature'])) return withEconomics;
  const kind = document['feature']['kind'];
  return {
    path: usualPath(kind === 'pocket' || kind === 'slot' || kind === 'face' ? kind : 'side'),
    ...withEconomics,
    feature: { ...PLAIN_FEATURE, ...document['feature'] },
    workholding: { liftCapacityN: null, releaseC: null, ...(document['workholding'] as Plain | undefined) },
  };
}

/** Up to version 2 a hole was only drilled, and nothing was said of its exit, its tolerance or the part's worth. */
function upgradeHole(document: unknown): unknown {
  if (!isPlain(document) || document['kind'] !== 'drilling') return document;
  return {
    role: 'drill',
    followedByDeg: null,
    ...document,
    hole: { ...PLAIN_HOLE, ...(document['hole'] as Plain | undefined) },
    cut: { breakthroughFeed: 1, ...(document['cut'] as Plain | undefined) },
  };
}

/** Up to version 3 nothing was said of what a part is worth and of hours nobody is there. */
function upgradeEconomics(document: unknown): unknown {
  if (!isPlain(document) || !isPlain(document['economics'])) return document;
  return { ...document, economics: { ...UNSTATED_ECONOMICS, ...document['economics'] } };
}

/** What each version leaves to the next, oldest first. */
const STEPS: readonly { readonly upTo: number; readonly upgrade: (document: unknown) => unknown }[] = [
  { upTo: 1, upgrade: upgradeOperation },
  { upTo: 2, upgrade: upgradeHole },
  { upTo: 3, upgrade: upgradeEconomics },
  // Up to version 4 nothing was said of part, blank, batch and how setups hold them.
  { upTo: 4, upgrade: (document) => document },
];

/** The same file as today's version; anything that is not an earlier job file comes back as it is. */
export function upgradeJobFile(data: unknown): unknown {
  const from = isPlain(data) ? data['version'] : undefined;
  if (!isPlain(data) || typeof from !== 'number' || !STEPS.some((s) => s.upTo === from)) return data;
  const upgraded = (document: unknown): unknown =>
    STEPS.filter((s) => from <= s.upTo).reduce((d, s) => s.upgrade(d), document);
  const each = (list: unknown, change: (entry: Plain) => Plain): unknown =>
    Array.isArray(list) ? list.map((entry: unknown) => (isPlain(entry) ? change(entry) : entry)) : list;
  return {
    ...data,
    version: 5,
    job: isPlain(data['job']) ? { plan: EMPTY_JOB_PLAN, ...data['job'] } : data['job'],
    // Files before the third knew no hole groups.
    holes: from < 3 ? [] : data['holes'],
    setups: each(data['setups'], (setup) => ({
      plan: EMPTY_SETUP_PLAN,
      ...setup,
      operations: each(setup['operations'], (operation) => ({
        hole: null,
        step: null,
        ...operation,
        variants: each(operation['variants'], (variant) => ({
          ...variant,
          document: upgraded(variant['document']),
        })),
      })),
    })),
  };
}
