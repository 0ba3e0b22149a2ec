import { type CribDocuments, type CribKind, ownId } from '@burl/contract';

/** An entry with nothing filled in but what every one of its kind has: the form tells what is still needed. */
export function blankEntry(kind: CribKind): CribDocuments[CribKind] {
  const axis = {};
  const blanks: Record<CribKind, unknown> = {
    alloys: { name: '', sources: [], estimated_fields: [] },
    cutters: {
      name: '',
      type: 'end_mill_flat',
      properties: {},
      extended: { coating: '', substrate: '' },
      suits_iso_groups: [],
      note: '',
    },
    holders: {
      name: '',
      kind: 'collet',
      interfaces: [],
      coolant: ['external'],
      notes: '',
      confidence: 'stated by the shop',
    },
    machines: {
      name: '',
      kind: 'vertical 3-axis',
      spindle_interface: '',
      power_torque: { s1: [], s6_40: [] },
      axes: { x: axis, z: axis },
      coolant: { flood: true, through_spindle: false, mql: false, air_blast: false, pressure_bar: {} },
      notes: '',
      work: '',
    },
  };
  return blanks[kind] as CribDocuments[CribKind];
}

/** An id from a name that is not taken. */
export function idFrom(name: string, taken: ReadonlySet<string>): string {
  const stem = ownId(name);
  if (!taken.has(stem)) return stem;
  let n = 2;
  while (taken.has(`${stem}-${n}`)) n++;
  return `${stem}-${n}`;
}
