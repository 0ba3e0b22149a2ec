import { INTERFACES } from '@burl/core';
import type { EntryField } from './entry-field.ts';

/** Kinds of holders by what they are called. */
export const HOLDER_TYPES: Readonly<Record<string, string>> = {
  collet: 'Collet chuck',
  shrink: 'Shrink-fit chuck',
  hydraulic: 'Hydraulic chuck',
  milling_chuck: 'Milling chuck',
  side_lock: 'Side-lock holder',
  arbor: 'Shell-mill arbor',
  tap_holder: 'Tap holder',
  modular: 'Modular adapter',
  turning_block: 'Turning block',
};

const SIZE = 'Size';
const JOINT = 'Joint';
const USE = 'Use';

/** Values of a holder a person fills in. */
export const HOLDER_FIELDS: readonly EntryField[] = [
  { path: 'name', label: 'Name', kind: 'text', group: SIZE, required: true },
  {
    path: 'kind',
    label: 'Kind',
    kind: 'one-of',
    group: SIZE,
    required: true,
    options: Object.keys(HOLDER_TYPES),
    nameOf: (kind) => HOLDER_TYPES[kind] ?? kind.replaceAll('_', ' '),
  },
  {
    path: 'interfaces',
    label: 'Spindles it fits',
    kind: 'some-of',
    group: SIZE,
    required: true,
    options: [...INTERFACES, 'ISO 10889 40 mm', 'bolt-on turret'],
  },
  {
    path: 'bore_diameter_mm',
    symbol: 'DCONWS',
    label: 'Shanks, from and to',
    kind: 'two',
    unit: 'mm',
    group: SIZE,
    required: true,
  },
  {
    path: 'gauge_length_mm',
    symbol: 'LPR',
    label: 'Gauge length',
    kind: 'number',
    unit: 'mm',
    group: SIZE,
    required: true,
  },
  {
    path: 'body_diameter_mm',
    symbol: 'BD',
    label: 'Body diameter',
    kind: 'number',
    unit: 'mm',
    group: SIZE,
    required: true,
  },
  {
    path: 'nose_diameter_mm',
    label: 'Nose diameter',
    kind: 'number',
    unit: 'mm',
    group: SIZE,
    required: true,
  },
  {
    path: 'runout_at_3xd_um',
    label: 'Runout at 3×D',
    kind: 'span',
    unit: 'um',
    group: JOINT,
    required: true,
  },
  {
    path: 'clamp_translation_stiffness_n_um',
    label: 'Clamp stiffness, 12 mm shank',
    kind: 'span',
    unit: 'N/um',
    group: JOINT,
    required: true,
  },
  {
    path: 'clamp_rotation_stiffness_knm_rad',
    label: 'Clamp rotation stiffness, kN·m/rad',
    kind: 'span',
    group: JOINT,
    required: true,
  },
  { path: 'joint_damping_ratio', label: 'Joint damping ratio', kind: 'span', group: JOINT, required: true },
  {
    path: 'grip_torque_nm_at_12mm',
    label: 'Grip at 12 mm: least, usual, most',
    kind: 'three',
    unit: 'Nm',
    group: JOINT,
  },
  {
    path: 'axial_pull_out_resistance',
    label: 'Pull-out resistance',
    kind: 'one-of',
    group: JOINT,
    options: ['low', 'medium', 'high', 'very high', 'positive', 'not applicable'],
  },
  {
    path: 'max_rpm',
    symbol: 'RPMX',
    label: 'Rated speed',
    kind: 'number',
    unit: 'rpm',
    group: USE,
    required: true,
  },
  {
    path: 'coolant',
    label: 'Coolant',
    kind: 'some-of',
    group: USE,
    required: true,
    options: [
      'external',
      'through',
      'through with sealed collet',
      'slot along shank',
      'through bar',
      'external 10-70 bar jets',
    ],
  },
  { path: 'notes', label: 'Note', kind: 'text', group: USE },
];
