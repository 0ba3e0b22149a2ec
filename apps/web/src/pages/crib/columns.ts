import type { CribEntry, CribKind } from '@burl/contract';
import { formatField, type System, type Unit, UNITS } from '@burl/core';

export interface Row {
  readonly entry: CribEntry;
  readonly cells: readonly (string | number)[];
}

interface Columns<K extends CribKind> {
  readonly heads: (system: System) => readonly string[];
  readonly row: (entry: CribEntry<K>, system: System) => Row;
}

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
      'Origin',
    ],
    row: (entry, system) => {
      const d = entry.document;
      const p = d.properties;
      return {
        entry,
        cells: [
          d.name,
          d.type.replaceAll('_', ' '),
          shown(p.DC, 'mm', system),
          p.ZEFP ?? '',
          shown(p.APMX, 'mm', system),
          shown(p.RE, 'mm', system),
          d.extended.coating,
          d.suits_iso_groups.join(' '),
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
    row: (entry, system) => {
      const d = entry.document;
      return {
        entry,
        cells: [
          d.name,
          d.kind.replaceAll('_', ' '),
          d.interfaces.join(', '),
          d.bore_diameter_mm.map((b) => shown(b, 'mm', system)).join(' to '),
          shown(d.gauge_length_mm, 'mm', system),
          shown(d.runout_at_3xd_um.typical, 'um', system),
          d.max_rpm,
          origin(entry),
        ],
      };
    },
  },
};
