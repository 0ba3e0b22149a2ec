import { INTERFACES } from '@burl/core';
import type { EntryField } from './entry-field.ts';

const GENERAL = 'Machine';
const AXES = 'Axes and control';
const COOLANT = 'Coolant';
const axis = (name: 'x' | 'y' | 'z'): EntryField[] => [
  {
    path: `axes.${name}.max_feed_mm_min`,
    label: `${name.toUpperCase()} highest feed`,
    kind: 'number',
    unit: 'mm/min',
    group: AXES,
    required: true,
  },
  {
    path: `axes.${name}.max_accel_m_s2`,
    label: `${name.toUpperCase()} acceleration`,
    kind: 'number',
    unit: 'm/s2',
    group: AXES,
    required: true,
  },
  {
    path: `axes.${name}.travel_mm`,
    label: `${name.toUpperCase()} travel`,
    kind: 'number',
    unit: 'mm',
    group: AXES,
  },
];
const pressure = (key: string, label: string): EntryField => ({
  path: `coolant.pressure_bar.${key}`,
  label: `${label} pressure`,
  kind: 'number',
  unit: 'bar',
  group: COOLANT,
});

/** Values of a machine a person fills in; the curve has a table of its own. */
export const MACHINE_FIELDS: readonly EntryField[] = [
  { path: 'name', label: 'Name', kind: 'text', group: GENERAL, required: true },
  {
    path: 'kind',
    label: 'Kind',
    kind: 'one-of',
    group: GENERAL,
    required: true,
    options: ['bench mill', 'router', 'vertical 3-axis', 'horizontal 4-axis', '5-axis', 'mill-turn', 'lathe'],
  },
  {
    path: 'spindle_interface',
    label: 'Spindle',
    kind: 'one-of',
    group: GENERAL,
    required: true,
    options: [...INTERFACES, 'bolt-on turret'],
  },
  { path: 'max_rpm', label: 'Highest speed', kind: 'number', unit: 'rpm', group: GENERAL, required: true },
  { path: 'min_rpm', label: 'Lowest speed', kind: 'number', unit: 'rpm', group: GENERAL },
  {
    path: 'turret',
    label: 'Turret, seen across the axis',
    kind: 'one-of',
    group: GENERAL,
    options: ['front', 'rear'],
  },
  { path: 'sub_spindle_max_rpm', label: 'Sub-spindle', kind: 'number', unit: 'rpm', group: GENERAL },
  { path: 'tool_change_s', label: 'Tool change', kind: 'number', unit: 's', group: GENERAL, required: true },
  ...axis('x'),
  ...axis('y'),
  ...axis('z'),
  { path: 'block_processing_ms', label: 'Block time, ms', kind: 'number', group: AXES, required: true },
  { path: 'coolant.flood', label: 'Flood', kind: 'yes-no', group: COOLANT },
  { path: 'coolant.through_spindle', label: 'Through spindle', kind: 'yes-no', group: COOLANT },
  { path: 'coolant.mql', label: 'Minimum quantity', kind: 'yes-no', group: COOLANT },
  { path: 'coolant.air_blast', label: 'Air blast', kind: 'yes-no', group: COOLANT },
  pressure('flood', 'Flood'),
  pressure('tsc', 'Through-spindle'),
  pressure('air', 'Air'),
  { path: 'notes', label: 'Note', kind: 'text', group: GENERAL },
  { path: 'work', label: 'Used for', kind: 'text', group: GENERAL },
];
