import {
  type ToolAssembly,
  fitModes,
  genericStructure,
  type HammerRecord,
  listen,
  type MillingOperation,
  millingState,
  type OperationContext,
  receptanceOfHits,
  type Receptance,
  type Recording,
  simulateCut,
  type Simulation,
  simulatedHammer,
  type SoundVerdict,
  spectrumOf,
  stabilityMap,
  type StabilityMap,
  timeFrequency,
  type TipMode,
  softModes,
  structureAtDepth,
  countingModes,
  withoutWindow,
} from '@burl/core';

/** A tap test as the page shows it. */
export interface TapTest {
  readonly receptance: Receptance;
  readonly coherence: Float64Array;
  readonly modes: readonly TipMode[];
  readonly misfit: number;
  readonly hits: readonly { readonly fault: string | null; readonly peakN: number }[];
  /** Between these the hits agree and the hammer excites: a mode outside shows no peak. */
  readonly fromHz: number;
  readonly excitedToHz: number;
  /** The first good hit, thinned for a picture: ms, N, and the response over its largest. */
  readonly hit: { readonly ms: number[]; readonly force: number[]; readonly response: number[] };
}

const HIGHEST_HZ = 8000;
const LOWEST_HZ = 200;
/** Coherence of lines that may be believed, and how many of them in a row. */
const AGREE = 0.985;
const AGREED_LINES = 40;

/** An accelerometer tells little at low frequency: modes are read from where the hits agree with one another. */
function soundFrom(hz: Float64Array, coherence: Float64Array): number {
  let agreed = 0;
  for (let i = 0; i < hz.length; i++) {
    if (hz[i]! < LOWEST_HZ) continue;
    agreed = coherence[i]! > AGREE ? agreed + 1 : 0;
    if (agreed === AGREED_LINES) return hz[i - AGREED_LINES + 1]!;
  }
  return LOWEST_HZ;
}

/** Hits to modes. */
export function tapTestOf(record: HammerRecord): TapTest {
  const { receptance, coherence, verdicts, excitedToHz } = receptanceOfHits(record, HIGHEST_HZ);
  const fromHz = soundFrom(receptance.hz, coherence);
  const fit = fitModes(receptance, { fromHz, toHz: Math.min(HIGHEST_HZ, excitedToHz) });
  const good = record.hits[verdicts.findIndex((v) => v.fault === null)]!;
  const most = good.response.reduce((a, r) => Math.max(a, Math.abs(r)), 1e-12);
  const every = Math.max(1, Math.floor(good.force.length / 8 / 400));
  const shown = Array.from({ length: 400 }, (_, i) => i * every);
  return {
    receptance,
    coherence,
    modes: fit.modes.map((m) => ({ ...m, damping: withoutWindow(m.damping, m.hz, record) })),
    misfit: fit.misfit,
    hits: verdicts,
    fromHz,
    excitedToHz,
    hit: {
      ms: shown.map((i) => (1000 * i) / record.rate),
      force: shown.map((i) => good.force[i] ?? 0),
      response: shown.map((i) => (good.response[i] ?? 0) / most),
    },
  };
}

/**
 * The simulated hammer on a combination: behind it stands a spindle nobody knows, made from the crib's class values by
 * factors that follow from the seed, with noise, a double hit and a loose cable.
 */
export function simulatedTap(
  parts: ToolAssembly,
  stickOutMm: number,
  axis: 'x' | 'y',
  seed: number,
): TapTest {
  const { x, y } = softModes(genericStructure(parts, stickOutMm), 0.05);
  const hidden = (axis === 'x' ? x : y)
    .filter((m) => m.hz > LOWEST_HZ && m.hz < HIGHEST_HZ)
    .map((m, i) => {
      // A factor that is the same for the same seed and mode, between 1 − by and 1 + by.
      const off = (by: number, salt: number): number => 1 + by * Math.sin(12.9898 * (seed + salt) + 4.1 * i);
      return {
        ...m,
        hz: m.hz * off(0.06, 1),
        stiffness: m.stiffness * off(0.2, 2),
        damping: m.damping * 1.35 * off(0.2, 3),
      };
    });
  const faults = { [2 + (seed % 3)]: 'double hit', [6 + (seed % 3)]: 'cable fault' } as const;
  return tapTestOf(simulatedHammer(hidden, { seed: seed + (axis === 'x' ? 0 : 1000), faults }));
}

/** What a recording tells, with its spectrum and its picture over time. */
export interface Heard {
  readonly verdict: SoundVerdict;
  readonly spectrum: { readonly hz: number[]; readonly amplitude: number[] };
  readonly picture: {
    readonly seconds: Float64Array;
    readonly hz: Float64Array;
    readonly level: Float64Array;
  };
}

const SHOWN_LINES = 900;

export function hearRecording(recording: Recording, wish: { rpm: number; teeth: number }): Heard {
  const verdict = listen(recording, wish);
  const toHz = Math.min(HIGHEST_HZ, 0.45 * recording.rate);
  const whole = spectrumOf(recording);
  let last = whole.hz.findIndex((f) => f > toHz);
  if (last < 0) last = whole.hz.length;
  const every = Math.max(1, Math.ceil(last / SHOWN_LINES));
  const hz: number[] = [];
  const amplitude: number[] = [];
  for (let k = 0; k + every <= last; k += every) {
    // The largest of each group: a thinned spectrum must not lose its lines.
    let most = k;
    for (let i = k; i < k + every; i++) if (whole.amplitude[i]! > whole.amplitude[most]!) most = i;
    hz.push(whole.hz[most]!);
    amplitude.push(whole.amplitude[most]!);
  }
  return { verdict, spectrum: { hz, amplitude }, picture: timeFrequency(recording, toHz) };
}

/** Points of the map of stability: a cutter of unequal teeth repeats after a turn only, and costs some thirty times more. */
const EQUAL = { columns: 200, rows: 100 } as const;
const UNEQUAL = { columns: 48, rows: 24 } as const;

/** Map of stability of a cut over speeds and depths along the tool; tells the share done. */
export function stabilityOf(
  op: MillingOperation,
  context: OperationContext,
  range: { readonly fromRpm: number; readonly toRpm: number; readonly mostMm: number },
  onPart: (part: number) => void,
): StabilityMap {
  const { stability } = millingState(op, context);
  const { pitch, helix = [] } = stability.cut;
  const equal = pitch.every((p) => Math.abs(p - pitch[0]!) < 1e-6) && helix.every((h) => h === helix[0]);
  const points = equal ? EQUAL : UNEQUAL;
  const work = stabilityMap(stability.cut, stability.structure, {
    ...range,
    ...points,
    stickOutMm: op.tooling.stickOutMm,
  });
  for (let told = 0; ;) {
    const step = work.next();
    if (step.done) return step.value;
    if (step.value - told > 0.03) {
      told = step.value;
      onPart(told);
    }
  }
}

/** The cut step by step, thinned for a picture of its last turns. */
export interface SimulatedRun {
  readonly stable: boolean;
  readonly growthPerTurn: number;
  readonly ms: number[];
  readonly xMm: number[];
  readonly chipMm: number[];
  readonly onceX: readonly number[];
  readonly onceY: readonly number[];
  readonly surface: Simulation['surface'];
}

export function simulatedRunOf(
  op: MillingOperation,
  context: OperationContext,
  rpm: number,
  depthMm: number,
): SimulatedRun {
  const { stability } = millingState(op, context);
  const run = simulateCut(
    stability.cut,
    countingModes(structureAtDepth(stability.structure, depthMm, op.tooling.stickOutMm)),
    {
      rpm,
      depthMm,
      feedPerToothMm: op.cut.feedPerToothMm,
      turns: 60,
      perWave: 30,
    },
  );
  const count = Math.min(run.xMm.length, 3 * run.perTurn);
  const every = Math.max(1, Math.floor(count / 600));
  const places = Array.from(
    { length: Math.floor(count / every) },
    (_, i) => run.xMm.length - count + i * every,
  );
  return {
    stable: run.stable,
    growthPerTurn: run.growthPerTurn,
    ms: places.map((i) => 1000 * (i - places[0]!) * run.step),
    xMm: places.map((i) => run.xMm[i]!),
    chipMm: places.map((i) => run.chipMm[i]!),
    onceX: run.onceX.slice(-40),
    onceY: run.onceY.slice(-40),
    surface: run.surface,
  };
}
