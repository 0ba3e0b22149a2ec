import {
  type Cutter,
  CUTTER_FAMILIES,
  InputError,
  type IsoGroup,
  isDrill,
  ofFamily,
  outerDiameter,
} from '@burl/core';
import type { Crib } from '@burl/contract';
import { offered } from '../../../judging/offer.ts';
import type { RunningDraft } from './running-draft.ts';

/** The tool somebody has in the spindle: one of the crib, or one that follows from what was said of it. */
export interface RunningTool {
  readonly cutter: Cutter;
  readonly made: boolean;
  readonly supposed: readonly string[];
}

/** Nearer than this to what was said, a diameter is the same. */
const SAME = 0.02;
const GROUND: Readonly<Record<IsoGroup, string>> = {
  N: 'aluminium',
  P: 'steel',
  K: 'steel',
  M: 'stainless',
  S: 'titanium',
  H: 'hard',
};
const USUAL = { 'end mill': 12, 'ball nose': 12, 'face mill': 63, drill: 8.5 } as const;

const kindOf = (c: Cutter): RunningDraft['tool'] | null =>
  isDrill(c)
    ? 'drill'
    : c.type.startsWith('face_mill')
      ? 'face mill'
      : c.type === 'end_mill_ball'
        ? 'ball nose'
        : c.type === 'end_mill_flat' || c.type === 'end_mill_bull'
          ? 'end mill'
          : null;
const teethOf = (c: Cutter): number => Number(c.properties.ZEFP ?? c.properties.NOF ?? 0);

/** A tool of its family by the numbers that are known. Throws an InputError where there can be none. */
function made(draft: RunningDraft, d: number, group: IsoGroup): Cutter {
  const { teeth, cornerRadiusMm, axialDepthMm } = draft.numbers;
  const family = (id: string) => CUTTER_FAMILIES.find((f) => f.id === id)!;
  if (draft.tool === 'drill') {
    const deep = (axialDepthMm ?? 3 * d) / d;
    return ofFamily(family('drill'), { diameter: d, depth: deep > 5 ? '8' : deep > 3 ? '5' : '3' }).cutter;
  }
  if (draft.tool === 'face mill')
    return ofFamily(family('face-mill'), { diameter: d, ...(teeth ? { teeth: Math.round(teeth) } : {}) })
      .cutter;
  return ofFamily(family('end-mill'), {
    ground: GROUND[group],
    diameter: d,
    ...(teeth ? { flutes: Math.round(teeth) } : {}),
    corner: draft.tool === 'ball nose' ? d / 2 : (cornerRadiusMm ?? 0),
    ...(axialDepthMm && axialDepthMm > 2.2 * d ? { length: axialDepthMm + 1, reach: axialDepthMm + 3 } : {}),
  }).cutter;
}

/** The crib's tool that is the one spoken of, or one made from its numbers; why there is none, in words. */
export function toolOf(draft: RunningDraft, crib: Crib, group: IsoGroup): RunningTool | string {
  const { diameterMm, teeth, cornerRadiusMm } = draft.numbers;
  const d = diameterMm ?? USUAL[draft.tool];
  const supposed = diameterMm === undefined ? [`diameter not said: ${USUAL[draft.tool]} mm`] : [];
  const fits = offered(crib.cutters)
    .map((c) => c.document)
    .filter(
      (c) =>
        kindOf(c) === draft.tool &&
        Math.abs(outerDiameter(c) / d - 1) < SAME &&
        (teeth === undefined || draft.tool === 'drill' || teethOf(c) === Math.round(teeth)) &&
        (cornerRadiusMm === undefined || Math.abs((c.properties.RE ?? 0) - cornerRadiusMm) < 0.1),
    )
    .sort(
      (a, b) =>
        Number(b.suits_iso_groups.includes(group)) - Number(a.suits_iso_groups.includes(group)) ||
        (a.properties.LU ?? 0) - (b.properties.LU ?? 0),
    );
  const [own] = fits;
  if (own && own.suits_iso_groups.includes(group))
    return {
      cutter: own,
      made: false,
      supposed: [...supposed, ...(teeth === undefined ? [`tool taken as ${own.name}`] : [])],
    };
  try {
    const cutter = made(draft, d, group);
    return { cutter, made: true, supposed: [...supposed, `tool not in the crib, taken as ${cutter.name}`] };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return own
      ? { cutter: own, made: false, supposed: [...supposed, `tool taken as ${own.name}`] }
      : `No ${draft.tool} of ${d.toFixed(2)} mm can be made of that: ${error.problems.map((p) => `${p.field} ${p.allowed}`).join('; ')}.`;
  }
}

/** The crib with one tool more, as long as a question lasts. */
export const cribWith = (crib: Crib, cutter: Cutter): Crib =>
  crib.cutters.some((c) => c.id === cutter.id)
    ? crib
    : {
        ...crib,
        cutters: [
          ...crib.cutters,
          { id: cutter.id, origin: 'shop', copiedFrom: null, version: 1, retired: false, document: cutter },
        ],
      };
