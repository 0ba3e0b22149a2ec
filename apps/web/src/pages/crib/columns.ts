import {
  type CribEntry,
  type CribKind,
  CUTTER_TYPES,
  HOLDER_TYPES,
  type Stock,
  valueAt,
} from '@burl/contract';
import { formatField, type System, type Unit, UNITS } from '@burl/core';

export interface Row {
  /** The shelf of a cutter that was counted. */
  readonly stock?: Stock | undefined;
  readonly entry: CribEntry;
  readonly cells: readonly (string | number)[];
}

/** A number that is changed where it stands in the table. */
export interface Editable {
  readonly path: string;
  readonly unit: Unit;
  readonly of: (document: unknown) => number | null;
}

/** Column in which the shelf of a cutter stands. */
export const STOCK_COLUMN = 8;

interface Columns<K extends CribKind> {
  readonly heads: (system: System) => readonly string[];
  readonly row: (entry: CribEntry<K>, system: System, stock?: Stock) => Row;
  /** By the place of its column. */
  readonly edits: Readonly<Record<number, Editable>>;
}

const editable = (path: string, unit: Unit): Editable => ({
  path,
  unit,
  of: (document) => {
    const value = valueAt(document, path);
    return typeof value === 'number' ? value : null;
  },
});

/** A coating as it is called, without what it is made of. */
const COATINGS: Readonly<Record<string, string>> = {
  'none-polished': 'uncoated',
  tin: 'TiN',
  ticn: 'TiCN',
  tialn: 'TiAlN',
  altin: 'AlTiN',
  alcrn: 'AlCrN',
  tialsin: 'TiAlSiN',
  dlc: 'DLC',
  tib2: 'TiB2',
  zrn: 'ZrN',
  'cvd-diamond': 'CVD diamond',
  'cvd-ticn-al2o3': 'CVD TiCN, alumina',
};
const coatingName = (id: string): string => COATINGS[id] ?? id;

const origin = (e: CribEntry): string =>
  e.origin === 'built-in' ? 'built-in' : e.copiedFrom ? `shop, from ${e.copiedFrom}` : 'shop';

const head = (name: string, unit: Unit, system: System): string => `${name}, ${UNITS[unit][system].label}`;

/** A number of the record in the shown unit, one that sorts; empty where the record has none. */
const shown = (value: number | undefined, unit: Unit, system: System): number | '' =>
  value === undefined ? '' : Number(Number(formatField(value, unit, system)).toPrecision(4));

/** What each table shows of its entries. */
export const COLUMNS: { readonly [K in CribKind]: Columns<K> } = {
  alloys: {
    heads: (system) => [
      'Name',
      'UNS',
      'EN',
      'Group',
      'Hardness',
      head('kc1.1', 'N/mm2', system),
      'mc',
      head('vc30', 'm/min', system),
      'Origin',
    ],
    edits: {},
    row: (entry, system) => {
      const d = entry.document;
      return {
        entry,
        cells: [
          d.name,
          d.uns ?? '',
          d.en ?? '',
          d.iso513_group,
          `${d.hardness.low} to ${d.hardness.high} ${d.hardness.scale}`,
          shown(d.kienzle.kc11_n_mm2.typical, 'N/mm2', system),
          d.kienzle.mc.typical,
          shown(d.taylor_milling_coated_carbide?.vc_m_min.life_30_min, 'm/min', system),
          origin(entry),
        ],
      };
    },
  },
  machines: {
    heads: (system) => [
      'Name',
      'Kind',
      'Spindle',
      'rpm',
      head('Power S1', 'kW', system),
      head('Torque S1', 'Nm', system),
      head('Through coolant', 'bar', system),
      'Origin',
    ],
    edits: { 3: editable('max_rpm', 'rpm') },
    row: (entry, system) => {
      const d = entry.document;
      const most = (key: 'kw' | 'nm'): number => Math.max(...d.power_torque.s1.map((p) => p[key]));
      return {
        entry,
        cells: [
          d.name,
          d.kind,
          d.spindle_interface,
          d.max_rpm,
          shown(most('kw'), 'kW', system),
          shown(most('nm'), 'Nm', system),
          d.coolant.through_spindle ? shown(d.coolant.pressure_bar.tsc ?? undefined, 'bar', system) : 'none',
          origin(entry),
        ],
      };
    },
  },
  cutters: {
    heads: (system) => [
      'Name',
      'Type',
      head('DC', 'mm', system),
      'Teeth',
      head('APMX', 'mm', system),
      head('RE', 'mm', system),
      'Coating',
      'Groups',
      'In stock',
      'Place',
      'Origin',
    ],
    edits: {
      2: editable('properties.DC', 'mm'),
      3: editable('properties.ZEFP', 'pieces'),
      4: editable('properties.APMX', 'mm'),
      5: editable('properties.RE', 'mm'),
    },
    row: (entry, system, stock) => {
      const d = entry.document;
      const p = d.properties;
      return {
        entry,
        stock,
        cells: [
          d.name,
          CUTTER_TYPES[d.type] ?? d.type.replaceAll('_', ' '),
          shown(p.DC, 'mm', system),
          p.ZEFP ?? '',
          shown(p.APMX, 'mm', system),
          shown(p.RE, 'mm', system),
          coatingName(d.extended.coating),
          d.suits_iso_groups.join(' '),
          stock?.edges ?? '',
          stock?.place ?? '',
          origin(entry),
        ],
      };
    },
  },
  holders: {
    heads: (system) => [
      'Name',
      'Kind',
      'Spindles',
      head('Bore', 'mm', system),
      head('Gauge', 'mm', system),
      head('Runout', 'um', system),
      'rpm',
      'Origin',
    ],
    edits: { 4: editable('gauge_length_mm', 'mm'), 6: editable('max_rpm', 'rpm') },
    row: (entry, system) => {
      const d = entry.document;
      return {
        entry,
        cells: [
          d.name,
          HOLDER_TYPES[d.kind] ?? d.kind.replaceAll('_', ' '),
          d.interfaces.join(', '),
          [...new Set(d.bore_diameter_mm.map((b) => shown(b, 'mm', system)))].join(' to '),
          shown(d.gauge_length_mm, 'mm', system),
          shown(d.runout_at_3xd_um.typical, 'um', system),
          d.max_rpm,
          origin(entry),
        ],
      };
    },
  },
};
