import {
  type Cutter,
  CUTTER_FAMILIES,
  type Given,
  holderOfClass,
  HOLDER_KINDS,
  InputError,
  ofFamily,
} from '@burl/core';
import { valueAt } from '../crib-fields/entry-fields.ts';

type Tree = Readonly<Record<string, unknown>>;
const has = (row: Tree, path: string): number | undefined => {
  const v = valueAt(row, path);
  return typeof v === 'number' ? v : undefined;
};

/** What a mill is ground for, by the first group it is rated for. */
const GROUND: Readonly<Record<string, string>> = {
  N: 'aluminium',
  P: 'steel',
  K: 'steel',
  M: 'stainless',
  S: 'titanium',
  H: 'hard',
};

const only = (given: Readonly<Record<string, number | string | undefined>>): Given =>
  Object.fromEntries(Object.entries(given).filter(([, v]) => v !== undefined)) as Given;

/** Family and numbers a few columns of a spreadsheet stand for; null for a type no family makes. */
function asGiven(row: Tree): { readonly family: string; readonly given: Given } | null {
  const type = String(row['type'] ?? '');
  const at = (symbol: string) => has(row, `properties.${symbol}`);
  const teeth = at('ZEFP') ?? at('NOF');
  const groups = row['suits_iso_groups'] as readonly string[] | undefined;
  const ground = GROUND[groups?.[0] ?? ''] ?? 'steel';
  const mill = { ground, diameter: at('DC'), flutes: teeth, length: at('APMX'), reach: at('LU') };
  const thread = valueAt(row, 'properties.TDZ');
  switch (type) {
    case 'end_mill_flat':
      return { family: 'end-mill', given: only({ ...mill, corner: at('RE') ?? 0 }) };
    case 'end_mill_bull':
      return {
        family: 'end-mill',
        given: only({ ...mill, corner: at('RE') ?? Math.min(4, 0.1 * (at('DC') ?? 10)) }),
      };
    case 'end_mill_ball':
      return { family: 'ball-nose', given: only({ ...mill, taper: at('TA') }) };
    case 'face_mill_45':
    case 'face_mill_90':
      return {
        family: 'face-mill',
        given: only({ shape: type.slice(-2), diameter: at('DC'), teeth: teeth ?? at('CICT') }),
      };
    case 'drill_solid': {
      const over = (at('LU') ?? 6 * (at('DC') ?? 1)) / (at('DC') ?? 1);
      return {
        family: 'drill',
        given: only({ depth: over <= 4.5 ? '3' : over <= 7 ? '5' : '8', diameter: at('DC') }),
      };
    }
    case 'tap_spiral_point':
    case 'tap_spiral_flute':
    case 'tap_forming':
      return typeof thread === 'string'
        ? { family: 'tap', given: { kind: type.slice(4).replace('_', '-'), thread } }
        : null;
    case 'thread_mill':
      return typeof thread === 'string' ? { family: 'thread-mill', given: { thread } } : null;
    case 'reamer':
      return { family: 'reamer', given: only({ diameter: at('DC') }) };
    case 'chamfer_mill': {
      const angle = at('SIG');
      return {
        family: 'chamfer-mill',
        given: only({
          angle: angle === undefined ? undefined : String(angle),
          diameter: at('DCX') ?? at('DC'),
          flutes: teeth,
        }),
      };
    }
    case 'disc_slot_cutter':
      return {
        family: 'slot-cutter',
        given: only({ diameter: at('DC'), width: at('CW') ?? at('APMX'), neck: at('DN'), teeth }),
      };
    case 'lollipop_mill':
      return {
        family: 'lollipop',
        given: only({ diameter: at('DC'), neck: at('DN'), flutes: teeth, reach: at('LU') }),
      };
    case 'back_chamfer_mill':
      return {
        family: 'back-chamfer',
        given: only({ diameter: at('DC'), neck: at('DN'), flutes: teeth, reach: at('LU') }),
      };
    case 'dovetail_mill': {
      const angle = at('KAPR');
      return {
        family: 'dovetail',
        given: only({
          angle: angle === undefined ? undefined : String(angle),
          diameter: at('DC'),
          neck: at('DN'),
          flutes: teeth,
        }),
      };
    }
    case 'corner_rounding_mill':
      return {
        family: 'corner-rounding',
        given: only({ radius: at('PRFRAD') ?? at('APMX'), tip: at('DC'), flutes: teeth }),
      };
    case 'engraving_cutter': {
      const angle = at('SIG');
      return {
        family: 'engraver',
        given: only({
          angle: angle === undefined ? undefined : String(angle),
          tip: at('DC'),
          shank: at('DCONMS'),
        }),
      };
    }
    default:
      return null;
  }
}

/** Where each number of a family stands in the record, for whoever has to be told. */
const FIELD_OF: Readonly<Record<string, string>> = {
  diameter: 'properties.DC',
  flutes: 'properties.ZEFP',
  teeth: 'properties.ZEFP',
  corner: 'properties.RE',
  length: 'properties.APMX',
  reach: 'properties.LU',
  neck: 'properties.DN',
  width: 'properties.CW',
  thread: 'properties.TDZ',
  angle: 'properties.SIG',
  tip: 'properties.DC',
  radius: 'properties.PRFRAD',
  shank: 'properties.DCONMS',
};

/**
 * What a row does not say of a cutter, by the rules of its family; nothing where no family makes its type. Throws an InputError naming
 * the field of the record that no family has.
 */
export function cutterByFamily(row: Tree): Cutter | null {
  const asked = asGiven(row);
  const family = asked && CUTTER_FAMILIES.find((f) => f.id === asked.family);
  if (!asked || !family) return null;
  try {
    return ofFamily(family, asked.given).cutter;
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw new InputError(error.problems.map((p) => ({ ...p, field: FIELD_OF[p.field] ?? p.field })));
  }
}

/** The same for a holder: joint, runout and body by kind and the largest shank it takes. */
export function holderByClass(row: Tree): Readonly<Record<string, unknown>> | null {
  const kind = Object.entries(HOLDER_KINDS).find(([, k]) => k.kind === row['kind']);
  if (!kind) return null;
  const bore = row['bore_diameter_mm'];
  const most = Array.isArray(bore) ? Number(bore[1] ?? bore[0]) : NaN;
  const sizes = kind[1].sizes;
  const size = sizes.find((s) => s.bore[1] >= most) ?? sizes.at(-1)!;
  const length = has(row, 'gauge_length_mm');
  const { holder } = holderOfClass({
    kind: kind[0],
    size: size.name,
    ...(length === undefined ? {} : { length: Math.min(400, Math.max(20, length)) }),
  });
  return holder as unknown as Readonly<Record<string, unknown>>;
}
