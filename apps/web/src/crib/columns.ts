import type { CribEntry, CribKind } from '@burl/contract';

export interface Row {
  readonly entry: CribEntry;
  readonly cells: readonly (string | number)[];
}

interface Columns<K extends CribKind> {
  readonly heads: readonly string[];
  readonly row: (entry: CribEntry<K>) => Row;
}

const origin = (e: CribEntry): string =>
  e.origin === 'built-in' ? 'built-in' : e.copiedFrom ? `shop, from ${e.copiedFrom}` : 'shop';

/** What each table shows of its entries. */
export const COLUMNS: { readonly [K in CribKind]: Columns<K> } = {
  alloys: {
    heads: ['Name', 'UNS', 'EN', 'Group', 'Hardness', 'kc1.1 N/mm²', 'mc', 'vc30 m/min', 'Origin'],
    row: (entry) => {
      const d = entry.document;
      return {
        entry,
        cells: [
          d.name,
          d.uns ?? '',
          d.en ?? '',
          d.iso513_group,
          `${d.hardness.low} to ${d.hardness.high} ${d.hardness.scale}`,
          d.kienzle.kc11_n_mm2.typical,
          d.kienzle.mc.typical,
          d.taylor_milling_coated_carbide?.vc_m_min.life_30_min ?? '',
          origin(entry),
        ],
      };
    },
  },
  machines: {
    heads: [
      'Name',
      'Kind',
      'Spindle',
      'rpm',
      'Power S1 kW',
      'Torque S1 N·m',
      'Through coolant bar',
      'Origin',
    ],
    row: (entry) => {
      const d = entry.document;
      const most = (key: 'kw' | 'nm'): number => Math.max(...d.power_torque.s1.map((p) => p[key]));
      return {
        entry,
        cells: [
          d.name,
          d.kind,
          d.spindle_interface,
          d.max_rpm,
          most('kw'),
          most('nm'),
          d.coolant.through_spindle ? (d.coolant.pressure_bar.tsc ?? '') : 'none',
          origin(entry),
        ],
      };
    },
  },
  cutters: {
    heads: ['Name', 'Type', 'DC mm', 'Teeth', 'APMX mm', 'RE mm', 'Coating', 'Groups', 'Origin'],
    row: (entry) => {
      const d = entry.document;
      const p = d.properties;
      return {
        entry,
        cells: [
          d.name,
          d.type.replaceAll('_', ' '),
          p.DC ?? '',
          p.ZEFP ?? '',
          p.APMX ?? '',
          p.RE ?? '',
          d.extended.coating,
          d.suits_iso_groups.join(' '),
          origin(entry),
        ],
      };
    },
  },
  holders: {
    heads: ['Name', 'Kind', 'Spindles', 'Bore mm', 'Gauge mm', 'Runout µm', 'rpm', 'Origin'],
    row: (entry) => {
      const d = entry.document;
      return {
        entry,
        cells: [
          d.name,
          d.kind.replaceAll('_', ' '),
          d.interfaces.join(', '),
          d.bore_diameter_mm.join(' to '),
          d.gauge_length_mm,
          d.runout_at_3xd_um.typical,
          d.max_rpm,
          origin(entry),
        ],
      };
    },
  },
};
