import { formatDay } from '../../units/date.ts';
import { contentOf, memoryOf } from '../../numerics/memory.ts';
import type { ToolAssembly } from '../../crib/tool-assembly.ts';
import { type KnownTip, speaksFor } from './resonance-book.ts';
import { assemblyOf, bodyPieces, genericStructure, noseModes, toolPieces } from './assembly-of.ts';
import type { Complex } from '../../numerics/complex.ts';
import { baseFactor, coupleTip, noseReceptance } from './coupling/couple.ts';
import { add2, freeBeam, type Receptance2, scale2 } from './coupling/free-beam.ts';
import { fitModes } from './measure/modal-fit.ts';
import { frequencyGrid, receptanceAt, type TipMode, type TipStructure, softModes } from './tip-structure.ts';

/** Where the motion of the tip is known from, best first. */
export type Trust = 'measured' | 'coupled' | 'table' | 'generic';
export const TRUSTS: readonly Trust[] = ['measured', 'coupled', 'table', 'generic'];

/** Log standard deviations of the modes' numbers. */
export interface ModeSigma {
  readonly hz: number;
  readonly damping: number;
  readonly stiffness: number;
}

/** What is known of the tip of this very combination. */
export interface TipKnowledge {
  readonly trust: Trust;
  readonly structure: TipStructure;
  readonly sigma: ModeSigma;
  /** Where it comes from, in words. */
  readonly from: string;
}

/** A tap test repeated by another hand: some 1% in frequency, a twelfth in damping. */
const MEASURED: ModeSigma = { hz: 0.008, damping: 0.08, stiffness: 0.06 };
const TABLE: ModeSigma = { hz: 0.03, damping: 0.2, stiffness: 0.15 };
/** The crib's honesty note: ±15% in frequency, a factor of 1.5 in stiffness and damping, as 10 and 90% points. */
const GENERIC: ModeSigma = { hz: 0.11, damping: 0.316, stiffness: 0.316 };
/** Stick-outs closer than this are the same, mm. */
const SAME = 0.5;

/**
 * Doubt that coupling adds with the distance in stick-out, ln L₂/L₁, and with another cutter.
 * Set so that the hidden truth of simulated assemblies lies inside the band nine times of ten.
 */
function coupledSigma(from: KnownTip, parts: ToolAssembly, stickOutMm: number): ModeSigma {
  const far =
    Math.abs(Math.log(stickOutMm / from.stickOutMm)) + (from.cutterId === parts.cutter.id ? 0 : 0.25);
  return { hz: 0.015 + 0.1 * far, damping: 0.14 + 0.5 * far, stiffness: 0.1 + 0.5 * far };
}

/**
 * What is known of the tip at this stick-out: measured here, coupled from another stick-out or cutter in the same holder
 * and spindle, stated in a table, or the library's class values.
 */
export function tipKnowledge(
  parts: ToolAssembly,
  stickOutMm: number,
  known: readonly KnownTip[],
  serial: string | null = null,
): TipKnowledge {
  const { machine, holder, cutter } = parts;
  const here = known.filter(
    (k) => k.machineId === machine.id && k.holderId === holder.id && speaksFor(serial, k.machineSerial),
  );
  const same = here.filter((k) => k.cutterId === cutter.id && Math.abs(k.stickOutMm - stickOutMm) <= SAME);
  const measured = same.find((k) => k.source === 'measured');
  if (measured) {
    return {
      trust: 'measured',
      structure: measured.structure,
      sigma: MEASURED,
      from: `measured on ${measured.machineSerial}${measured.measuredOn ? `, ${formatDay(measured.measuredOn)}` : ''}`,
    };
  }
  const others = here
    .filter((k) => k.source === 'measured' && !same.includes(k))
    .sort((a, b) => coupledSigma(a, parts, stickOutMm).hz - coupledSigma(b, parts, stickOutMm).hz);
  const table = same.find((k) => k.source === 'table');
  if (table) {
    return {
      trust: 'table',
      structure: table.structure,
      sigma: TABLE,
      from: `table of modes, ${table.machineSerial}`,
    };
  }
  const nearest = others[0];
  if (nearest) {
    const structure = coupledStructure(nearest, parts, stickOutMm);
    if (structure) {
      return {
        trust: 'coupled',
        structure,
        sigma: coupledSigma(nearest, parts, stickOutMm),
        from: `coupled from ${nearest.stickOutMm} mm on ${nearest.machineSerial}`,
      };
    }
  }
  return {
    trust: 'generic',
    structure: genericStructure(parts, stickOutMm),
    sigma: GENERIC,
    from: 'typical values, not measured',
  };
}

/** Receptance of the holder with its clamp, as the model has it: the shape the inverse coupling keeps. */
function modelledBase(parts: ToolAssembly, hz: number, axis: 'x' | 'y'): Receptance2 {
  const { clamp, toolDamping } = assemblyOf(parts, 10, axis);
  let base = noseReceptance(noseModes(parts, axis), hz);
  const residual = (parts.machine.frf_at_bare_holder?.residual_stiffness_n_um[axis] ?? 1e4) * 1e6;
  base = [{ re: base[0].re + 1 / residual, im: base[0].im }, base[1], base[2], base[3]];
  const body = bodyPieces(parts);
  if (body.length > 0) base = coupleTip(freeBeam(body, hz, 2 * toolDamping), base);
  const spring = (stiffness: number): Complex => {
    const loss = 2 * clamp.damping;
    const size = stiffness * (1 + loss * loss);
    return { re: 1 / size, im: -loss / size };
  };
  return add2(base, [spring(clamp.translation), { re: 0, im: 0 }, { re: 0, im: 0 }, spring(clamp.rotation)]);
}

/** Coupled tips kept: a search asks again and again. */
const coupled = memoryOf<TipStructure | null>(200);
/** Lines of the response that is coupled: enough for modes of 1% damping. */
const LINES = 260;

/**
 * Modes at another stick-out or with another cutter from a measured combination: the holder's receptance is found from
 * the measured tip by inverse coupling and the new tool is set on it; modes are fitted to the result. Null where the
 * measured response has no mode to go by. Kept by what the entries say, not by their ids.
 */
export function coupledStructure(
  from: KnownTip,
  parts: ToolAssembly,
  stickOutMm: number,
): TipStructure | null {
  const { machine, holder, cutter, substrate } = parts;
  const content = [from.structure, machine, holder, cutter, substrate].map(contentOf).join();
  return coupled.recall(`${from.stickOutMm}|${stickOutMm}|${content}`, () =>
    workOutCoupling(from, parts, stickOutMm),
  );
}

function workOutCoupling(from: KnownTip, parts: ToolAssembly, stickOutMm: number): TipStructure | null {
  const axes = (['x', 'y'] as const).map((axis): TipMode[] => {
    const measured = from.structure[axis];
    if (measured.length === 0) return [];
    const hz = measured.map((m) => m.hz);
    const guess = genericStructure(parts, stickOutMm)[axis].filter((m) => m.hz < 12_000);
    const low = 0.5 * Math.min(...hz);
    const high = 1.35 * Math.max(...hz, ...softModes({ x: guess, y: [] }, 0.1).x.map((m) => m.hz));
    const grid = frequencyGrid(low, high, (high - low) / LINES);
    const re: number[] = [];
    const im: number[] = [];
    const at: number[] = [];
    for (const f of grid) {
      const shape = modelledBase(parts, f, axis);
      const old = freeBeam(toolPieces(parts, from.stickOutMm), f, 0.01);
      const s = baseFactor(old, shape, receptanceAt(measured, f));
      if (!s) continue;
      const tip = coupleTip(freeBeam(toolPieces(parts, stickOutMm), f, 0.01), scale2(shape, s))[0];
      if (!Number.isFinite(tip.re) || tip.im > 0) continue;
      at.push(f);
      re.push(tip.re);
      im.push(tip.im);
    }
    if (at.length < LINES / 4) return [];
    const fit = fitModes(
      { hz: Float64Array.from(at), re: Float64Array.from(re), im: Float64Array.from(im) },
      { mostModes: 4, start: softModes({ x: guess, y: [] }, 0.08).x.filter((m) => m.hz > low) },
    );
    const shapes = genericStructure(parts, stickOutMm)[axis];
    return fit.modes.map((m) => {
      const near = shapes.reduce<TipMode | null>(
        (a, b) => (!a || Math.abs(Math.log(b.hz / m.hz)) < Math.abs(Math.log(a.hz / m.hz)) ? b : a),
        null,
      );
      return near?.shape ? { ...m, shape: near.shape } : m;
    });
  });
  const [x, y] = axes;
  return x!.length + y!.length > 0 ? { x: x!, y: y! } : null;
}
