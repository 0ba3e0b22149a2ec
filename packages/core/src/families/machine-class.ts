import type { CurvePoint, Machine, StructureMode } from '../crib/machine.ts';
import { InputError } from '../units/input-error.ts';
import { completed, follows, type Followed, type Form, type Given, nums, tidy, word } from './family.ts';
import { type INTERFACES, spindleChoice } from './holder-class.ts';
import { inId } from './solid-tool.ts';

const NM_RPM_PER_KW = 9549.3;

interface Mode {
  readonly hz: number;
  readonly stiffness: number;
  readonly damping: number;
  readonly perM: number;
}

/** A class of machines: what its frame and drives are, for a spindle of `powerKw`. */
interface Class {
  readonly label: string;
  readonly kind: string;
  readonly powerKw: number;
  readonly rpm: number;
  /** Share of the highest speed from which on power is constant. */
  readonly baseAt: number;
  readonly interface: (typeof INTERFACES)[number];
  readonly feed: readonly [xy: number, z: number];
  readonly acceleration: readonly [xy: number, z: number];
  readonly travel: readonly [x: number, y: number, z: number];
  readonly blockMs: number;
  readonly toolChangeS: number;
  readonly coolant: Machine['coolant'];
  /** Modes at a short bare holder across the table; along it the frame is a little softer. */
  readonly modes: readonly Mode[];
  readonly residual: number;
  readonly noseRotation: number;
  readonly work: string;
  readonly note: string;
}

const mode = (hz: number, stiffness: number, damping: number, perM: number): Mode => ({
  hz,
  stiffness,
  damping,
  perM,
});

export const MACHINE_CLASSES: Readonly<Record<string, Class>> = {
  bench: {
    label: 'Bench mill',
    kind: 'bench mill',
    powerKw: 2,
    rpm: 5000,
    baseAt: 0.3,
    interface: 'R8',
    feed: [3000, 2000],
    acceleration: [0.5, 0.4],
    travel: [350, 180, 330],
    blockMs: 30,
    toolChangeS: 30,
    coolant: {
      flood: true,
      through_spindle: false,
      mql: false,
      air_blast: true,
      pressure_bar: { flood: 0.5 },
    },
    modes: [
      mode(85, 36, 0.05, 2),
      mode(144, 36, 0.05, 2),
      mode(320, 50, 0.045, 5.6),
      mode(1150, 101, 0.043, 8.3),
    ],
    residual: 151,
    noseRotation: 400,
    work: 'small brackets, aluminium, teaching',
    note: 'Drawbar of the 3 kN class: avoid pull-out.',
  },
  small: {
    label: 'Small machining centre',
    kind: 'vertical 3-axis',
    powerKw: 3,
    rpm: 12_000,
    baseAt: 0.25,
    interface: 'BT30',
    feed: [15_000, 12_000],
    acceleration: [2.5, 2.5],
    travel: [400, 250, 270],
    blockMs: 4,
    toolChangeS: 6,
    coolant: {
      flood: true,
      through_spindle: false,
      mql: true,
      air_blast: true,
      pressure_bar: { flood: 1, air: 6 },
    },
    modes: [
      mode(75, 62, 0.045, 2),
      mode(135, 62, 0.045, 2),
      mode(560, 80, 0.045, 7.5),
      mode(1400, 105, 0.043, 11.5),
    ],
    residual: 230,
    noseRotation: 500,
    work: 'small parts in aluminium, polymer, brass; light cuts in steel',
    note: 'Light frame: width and speed before depth.',
  },
  desktop: {
    label: 'Desktop machining centre',
    kind: 'vertical 3-axis',
    powerKw: 1.8,
    rpm: 24_000,
    baseAt: 0.5,
    interface: 'ISO20',
    feed: [10_000, 8000],
    acceleration: [2, 2],
    travel: [300, 200, 150],
    blockMs: 3,
    toolChangeS: 8,
    coolant: {
      flood: true,
      through_spindle: false,
      mql: true,
      air_blast: true,
      pressure_bar: { flood: 0.5, air: 6 },
    },
    modes: [
      mode(60, 34, 0.045, 2),
      mode(120, 38, 0.045, 2),
      mode(720, 62, 0.045, 8),
      mode(2000, 90, 0.043, 12.5),
    ],
    residual: 180,
    noseRotation: 320,
    work: 'aluminium, polymer, brass with tools to 8 mm',
    note: 'Little torque: an 8 mm tool in steel stalls it.',
  },
  'drill-tap': {
    label: 'Drill-tap centre',
    kind: 'vertical 3-axis',
    powerKw: 5,
    rpm: 10_000,
    baseAt: 0.25,
    interface: 'BT30',
    feed: [48_000, 48_000],
    acceleration: [9, 11],
    travel: [500, 400, 300],
    blockMs: 1,
    toolChangeS: 1.2,
    coolant: {
      flood: true,
      through_spindle: false,
      mql: false,
      air_blast: true,
      pressure_bar: { flood: 2 },
    },
    modes: [
      mode(95, 105, 0.04, 2),
      mode(162, 105, 0.04, 2),
      mode(640, 105, 0.045, 7.8),
      mode(1450, 125, 0.043, 12),
    ],
    residual: 300,
    noseRotation: 600,
    work: 'drilling, tapping, aluminium, small steel',
    note: 'Fast but light.',
  },
  router: {
    label: 'Router',
    kind: 'router',
    powerKw: 2.2,
    rpm: 24_000,
    baseAt: 0.75,
    interface: 'HSK-F63 / collet',
    feed: [20_000, 6000],
    acceleration: [1.5, 1.5],
    travel: [1200, 900, 150],
    blockMs: 4,
    toolChangeS: 60,
    coolant: {
      flood: false,
      through_spindle: false,
      mql: true,
      air_blast: true,
      pressure_bar: { air: 6 },
    },
    modes: [
      mode(30, 5, 0.045, 0.8),
      mode(98, 14, 0.045, 2),
      mode(1100, 75, 0.045, 6.6),
      mode(2600, 120, 0.043, 10),
    ],
    residual: 150,
    noseRotation: 700,
    work: 'sheet, polymer, aluminium, wood',
    note: 'Gantry bends near 30 Hz; no torque at low speed. Not for steel.',
  },
};

/** What a class of machines asks for. Throws an InputError where there is no such class. */
export function machineForm(name: string): Form {
  const of = MACHINE_CLASSES[name];
  if (!of)
    throw new InputError([{ field: 'class', value: name, allowed: Object.keys(MACHINE_CLASSES).join(', ') }]);
  return {
    choices: [spindleChoice(of.interface)],
    fields: [
      {
        key: 'power',
        label: 'Power, S1',
        unit: 'kW',
        least: 0.3,
        most: 60,
        usual: () => of.powerKw,
        rule: 'usual for the class',
      },
      {
        key: 'rpm',
        label: 'Highest speed',
        unit: 'rpm',
        least: 1000,
        most: 80_000,
        whole: true,
        usual: () => of.rpm,
        rule: 'usual for the class',
      },
    ],
  };
}

/** A small asynchronous or servo spindle gives a little more for four minutes in ten. */
const SHORT_TERM = 1.4;
/** Power left at the highest speed. */
const LEFT_AT_TOP = 0.8;
/** Share of the range up to which power stays. */
const STAYS_TO = 0.7;

function curve(powerKw: number, baseRpm: number, maxRpm: number): CurvePoint[] {
  const torque = (NM_RPM_PER_KW * powerKw) / baseRpm;
  const at = (rpm: number, kw: number): CurvePoint => ({
    rpm: Math.round(rpm),
    kw: Number(kw.toPrecision(3)),
    nm: Number(((NM_RPM_PER_KW * kw) / rpm).toPrecision(3)),
  });
  const stays = Math.max(baseRpm * 1.1, STAYS_TO * maxRpm);
  return [
    at(baseRpm / 10, (torque * baseRpm) / 10 / NM_RPM_PER_KW),
    at(baseRpm / 3, (torque * baseRpm) / 3 / NM_RPM_PER_KW),
    at(baseRpm, powerKw),
    ...(stays < maxRpm ? [at(stays, powerKw)] : []),
    at(maxRpm, LEFT_AT_TOP * powerKw),
  ];
}

/** How much softer a frame is along y, where the column bends. */
const ALONG_Y = 0.85;

/** A machine of a class, in typical values. Throws an InputError by field. */
export function machineOfClass(typed: Given): {
  readonly machine: Machine;
  readonly followed: readonly Followed[];
} {
  const given = completed(machineForm(word(typed, 'class')), typed);
  const of = MACHINE_CLASSES[word(typed, 'class')]!;
  const [powerKw, maxRpm] = nums(given, 'power', 'rpm');
  const nose = word(given, 'interface');
  // A stronger spindle of the same class stands in a heavier frame.
  const stiffer = Math.sqrt(powerKw / of.powerKw);
  const modes = (softer: number): StructureMode[] =>
    of.modes.map((m) => ({
      freq_hz: Math.round(m.hz * Math.sqrt(softer)),
      stiffness_n_um: tidy(m.stiffness * stiffer * softer),
      damping_ratio: m.damping,
      rotation_per_translation_rad_per_m: m.perM,
    }));
  const residual = tidy(of.residual * stiffer);
  const statically = (list: readonly StructureMode[]): number =>
    tidy(1 / (list.reduce((sum, m) => sum + 1 / m.stiffness_n_um, 0) + 1 / residual));
  const [x, y] = [modes(1), modes(ALONG_Y)];
  const base = of.baseAt * maxRpm;
  const axis = (feed: number, acceleration: number, travel: number) => ({
    max_feed_mm_min: feed,
    max_accel_m_s2: acceleration,
    travel_mm: travel,
  });
  const machine: Machine = {
    id: `${word(typed, 'class')}-${inId(powerKw)}kw-${inId(maxRpm / 1000)}k`,
    name: `${of.label} ${inId(powerKw)} kW, ${maxRpm.toLocaleString('en')} rpm, ${nose}`,
    kind: of.kind,
    spindle_interface: nose,
    max_rpm: maxRpm,
    power_torque: { s1: curve(powerKw, base, maxRpm), s6_40: curve(SHORT_TERM * powerKw, base, maxRpm) },
    axes: {
      x: axis(of.feed[0], of.acceleration[0], of.travel[0]),
      y: axis(of.feed[0], of.acceleration[0], of.travel[1]),
      z: axis(of.feed[1], of.acceleration[1], of.travel[2]),
    },
    block_processing_ms: of.blockMs,
    tool_change_s: of.toolChangeS,
    coolant: of.coolant,
    frf_at_bare_holder: {
      modes_x: x,
      modes_y: y,
      residual_stiffness_n_um: { x: residual, y: residual },
      static_stiffness_n_um: { x: statically(x), y: statically(y) },
      nose_rotation_stiffness_knm_rad: Math.round(of.noseRotation * stiffer),
    },
    notes: of.note,
    work: of.work,
  };
  return {
    machine,
    followed: [
      follows('Constant torque to', base, 'rpm', 'share of the highest speed usual for the class'),
      follows('Torque, S1', machine.power_torque.s1[0]!.nm, 'Nm', 'power over that speed'),
      follows('Power for 4 of 10 minutes', SHORT_TERM * powerKw, 'kW', '1.4 times S1'),
      follows(
        'Static stiffness at the nose',
        statically(x),
        'N/um',
        'grows with the root of the power in its class',
      ),
      follows('Acceleration', of.acceleration[0], 'm/s2', 'usual for the class'),
      follows('Block time', of.blockMs / 1000, 's-fine', 'usual for the class'),
    ],
  };
}

/** Small machines in typical values: what prototypes, polymers and aluminium are cut on. */
export const smallMachines = (): Machine[] =>
  [
    { class: 'bench', power: 1.1, rpm: 4000 },
    { class: 'desktop', power: 1.8 },
    { class: 'desktop', power: 3, rpm: 20_000, interface: 'HSK-E25' },
    { class: 'small', power: 3 },
    { class: 'small', power: 5, rpm: 10_000 },
    { class: 'drill-tap', power: 5 },
    { class: 'router', power: 2.2 },
    { class: 'router', power: 4.5 },
  ].map((given) => machineOfClass(given as Given).machine);
