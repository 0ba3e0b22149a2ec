/** What a number in somebody's words is. Lengths in mm, speeds in m/min and rpm, feeds in mm. */
export const SPOKEN_KEYS = [
  'speedRpm',
  'speedMMin',
  'feedPerToothMm',
  'feedPerRevMm',
  'tableFeedMmMin',
  'axialDepthMm',
  'radialDepthMm',
  'stickOutMm',
  'cornerRadiusMm',
  'teeth',
  'diameterMm',
  'hardnessHrc',
] as const;
export type SpokenKey = (typeof SPOKEN_KEYS)[number];

/** A number that was understood, and the words it was read from. */
export interface SpokenField {
  readonly key: SpokenKey;
  readonly value: number;
  readonly from: string;
  /** What had to be supposed to read it; null where it was said in full. */
  readonly supposed: string | null;
}

const N = '(\\d+(?:\\.\\d+)?)';
const LENGTH = `${N}\\s*(mm|millimet(?:er|re)s?|in(?:ch(?:es)?)?|thou|mil)?`;
const PER = '(?:/|\\s*per\\s*|\\s*an?\\s+)\\s*';
const INCH_MM = 25.4;
const FOOT_M = 0.3048;

/** Millimetres of a length as it was said; a unit that was left out is the one of the rest of the text. */
const inMm = (value: string, unit: string | undefined, inch: boolean): number => {
  const factor = /^thou|^mil$/.test(unit ?? '')
    ? INCH_MM / 1000
    : /^in/.test(unit ?? '')
      ? INCH_MM
      : unit
        ? 1
        : inch
          ? INCH_MM
          : 1;
  return Number(value) * factor;
};

interface Pattern {
  readonly key: SpokenKey;
  readonly is: RegExp;
  readonly value: (match: RegExpMatchArray, inch: boolean) => number;
  /** The number is one of diameters of the cutter, resolved when that is known. */
  readonly timesD?: true;
  readonly supposed?: (match: RegExpMatchArray, inch: boolean) => string | null;
}

const at = (source: string): RegExp => new RegExp(`(?<![\\w.])(?:${source})(?![\\w])`);
const length =
  (value: number, unit = value + 1) =>
  (m: RegExpMatchArray, inch: boolean): number =>
    inMm(m[value]!, m[unit], inch);
const plain = (m: RegExpMatchArray): number => Number(m[1]);
/** A length said without its unit was read as the rest of the text is. */
const unitLess = (m: RegExpMatchArray, inch: boolean): string | null =>
  m[2] === undefined ? `read as ${inch ? 'inch' : 'mm'}` : null;

/** Every way a number is said, the most particular first: what is read is taken out of the text. */
export const PATTERNS: readonly Pattern[] = [
  { key: 'hardnessHrc', is: at(`${N}\\s*(?:hrc|rockwell(?: c)?)`), value: plain },
  // Cutting speed.
  {
    key: 'speedMMin',
    is: at(`${N}\\s*(?:m${PER}min(?:ute)?|met(?:er|re)s?${PER}min(?:ute)?|smm|m min)`),
    value: plain,
  },
  {
    key: 'speedMMin',
    is: at(`${N}\\s*(?:sfm|sfpm|fpm|ft${PER}min|surface f(?:ee|oo)t(?:${PER}min(?:ute)?)?)`),
    value: (m) => Number(m[1]) * FOOT_M,
  },
  {
    key: 'speedMMin',
    is: at(`vc\\s*=?\\s*${N}`),
    value: (m, inch) => Number(m[1]) * (inch ? FOOT_M : 1),
    supposed: (_, inch) => `vc read in ${inch ? 'SFM' : 'm/min'}`,
  },
  {
    key: 'speedRpm',
    is: at(`${N}\\s*(?:rpm|rev(?:olution)?s?${PER}min(?:ute)?|1/min|revs|turns)`),
    value: plain,
  },
  { key: 'speedRpm', is: at(`(?:spindle(?: speed)?|speed|[sn])\\s*=?\\s*${N}`), value: plain },
  // Feed of a tooth and of a revolution.
  {
    key: 'feedPerToothMm',
    is: at(`${LENGTH}${PER}(?:tooth|flute|edge|insert|t\\b|z\\b)`),
    value: length(1),
    supposed: unitLess,
  },
  { key: 'feedPerToothMm', is: at(`${N}\\s*ipt`), value: (m) => Number(m[1]) * INCH_MM },
  {
    key: 'feedPerToothMm',
    is: at(`(?:fz|chip ?load)\\s*(?:of|=)?\\s*${LENGTH}`),
    value: length(1),
    supposed: unitLess,
  },
  {
    key: 'feedPerRevMm',
    is: at(`${LENGTH}${PER}(?:rev(?:olution)?|turn|r\\b)`),
    value: length(1),
    supposed: unitLess,
  },
  { key: 'feedPerRevMm', is: at(`${N}\\s*ipr`), value: (m) => Number(m[1]) * INCH_MM },
  { key: 'feedPerRevMm', is: at(`fn\\s*=?\\s*${LENGTH}`), value: length(1), supposed: unitLess },
  // Table feed.
  { key: 'tableFeedMmMin', is: at(`${N}\\s*(?:mm${PER}min(?:ute)?|mmpm)`), value: plain },
  {
    key: 'tableFeedMmMin',
    is: at(`${N}\\s*(?:ipm|in(?:ch(?:es)?)?${PER}min(?:ute)?)`),
    value: (m) => Number(m[1]) * INCH_MM,
  },
  {
    key: 'tableFeedMmMin',
    is: at(`(?:vf|f|feed(?: rate)?)\\s*(?:of|=)?\\s*(\\d{2,}(?:\\.\\d+)?)`),
    value: (m, inch) => Number(m[1]) * (inch ? INCH_MM : 1),
    supposed: (m, inch) => `feed ${m[1]} read in ${inch ? 'ipm' : 'mm/min'}`,
  },
  {
    key: 'feedPerToothMm',
    is: at(`feed\\s*(?:of|=)?\\s*(0\\.\\d+)`),
    value: (m, inch) => inMm(m[1]!, undefined, inch),
    supposed: (m) => `feed ${m[1]} read per tooth`,
  },
  // Depths, as lengths and as shares of the diameter.
  {
    key: 'radialDepthMm',
    is: at(
      `${N}\\s*(?:%|percent)\\s*(?:of (?:the )?d(?:ia(?:meter)?)?\\s*)?(?:step-?\\s?over|radial(?:ly)?|ae|rdoc|woc|wide|engagement)`,
    ),
    value: (m) => Number(m[1]) / 100,
    timesD: true,
  },
  {
    key: 'axialDepthMm',
    is: at(`${N}\\s*(?:x|×|\\*)\\s*d(?:ia(?:meter)?s?)?\\s*(?:deep|depth|axial|ap)?`),
    value: plain,
    timesD: true,
  },
  // A symbol stands before its number, a word as often after it.
  {
    key: 'radialDepthMm',
    is: at(`(?:ae|rdoc|woc)\\s*=?\\s*${LENGTH}`),
    value: length(1),
    supposed: unitLess,
  },
  { key: 'axialDepthMm', is: at(`(?:ap|adoc|doc)\\s*=?\\s*${LENGTH}`), value: length(1), supposed: unitLess },
  {
    key: 'radialDepthMm',
    is: at(
      `${LENGTH}\\s*(?:of\\s+)?(?:step-?\\s?over|radial(?: depth)?|ae|rdoc|woc|wide|sideways|side ?ways?|width)`,
    ),
    value: length(1),
    supposed: unitLess,
  },
  {
    key: 'radialDepthMm',
    is: at(`(?:step-?\\s?over|radial(?: depth)?|width)\\s*(?:of|=)?\\s*${LENGTH}`),
    value: length(1),
    supposed: unitLess,
  },
  {
    key: 'axialDepthMm',
    is: at(`${LENGTH}\\s*(?:of\\s+)?(?:deep|axial(?: depth)?|ap|adoc|doc|depth(?: of cut)?|down)`),
    value: length(1),
    supposed: unitLess,
  },
  {
    key: 'axialDepthMm',
    is: at(`(?:axial(?: depth)?|depth(?: of cut)?)\\s*(?:of|=)?\\s*${LENGTH}`),
    value: length(1),
    supposed: unitLess,
  },
  // The tool.
  {
    key: 'stickOutMm',
    is: at(
      `${LENGTH}\\s*(?:of\\s+)?(?:stick-?\\s?out|out of the holder|sticking out|hanging out|overhang|out)`,
    ),
    value: length(1),
    supposed: unitLess,
  },
  {
    key: 'stickOutMm',
    is: at(`(?:stick-?\\s?out|overhang)\\s*(?:of|=)?\\s*${LENGTH}`),
    value: length(1),
    supposed: unitLess,
  },
  {
    key: 'cornerRadiusMm',
    is: at(`${LENGTH}\\s*(?:corner(?:\\s*rad(?:ius)?)?|rad(?:ius)?|re)`),
    value: length(1),
    supposed: unitLess,
  },
  {
    key: 'cornerRadiusMm',
    is: at(`(?:re?|corner radius)\\s*=?\\s*${LENGTH}`),
    value: length(1),
    supposed: unitLess,
  },
  { key: 'teeth', is: at(`${N}[\\s-]*(?:flutes?|fluted|fl|teeth|tooth|z|inserts?|edges?)`), value: plain },
  { key: 'teeth', is: at(`z\\s*=?\\s*${N}`), value: plain },
  {
    key: 'diameterMm',
    is: at(`(?:[dø⌀]|dc|dia(?:meter)?)\\s*(?:of|=)?\\s*${LENGTH}`),
    value: length(1),
    supposed: unitLess,
  },
  { key: 'diameterMm', is: at(`${N}\\s*(mm|millimet(?:er|re)s?|in(?:ch(?:es)?)?|thou)`), value: length(1) },
  {
    key: 'diameterMm',
    is: at(
      `${LENGTH}\\s*(?:dia(?:meter)?|(?:solid |carbide |hss |bull |ball )*(?:end ?mill|face ?mill|mill|cutter|drill|ball|bull))`,
    ),
    value: length(1),
    supposed: unitLess,
  },
];

/** Whether somebody speaks in inches. */
export const speaksInch = (text: string): boolean =>
  /\b(?:sfm|sfpm|ipm|ipt|ipr|thou|in|inch(?:es)?)\b|\d\s?(?:in|inch)\b/.test(text);
