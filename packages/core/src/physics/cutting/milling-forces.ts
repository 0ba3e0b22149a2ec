import { requirePositive } from '../../units/input-error.ts';
import type { EdgeBand } from './edge-profile.ts';
import type { EdgeForce, ForceLaw } from './force-law.ts';

/** A rotating cutter as the force integration sees it. */
export interface RotatingEdge {
  readonly bands: readonly EdgeBand[];
  /** Angle from each tooth to the one that cut just before it, rad; sums to one turn. */
  readonly pitch: readonly number[];
  readonly helix: number;
  /** Feed per tooth averaged over the teeth, mm. */
  readonly feedPerToothMm: number;
  /** How far each tooth stands out against the one before it, mm; zero without runout. */
  readonly runoutStepMm: readonly number[];
}

/** Forces of one revolution. x along the feed, y across it (normal to the wall), z along the axis; N and N·m. */
export interface MillingForces {
  readonly meanFx: number;
  readonly meanFy: number;
  readonly meanFz: number;
  readonly meanTorqueNm: number;
  readonly peakFxy: number;
  readonly peakFyAbs: number;
  readonly peakFzAbs: number;
  readonly peakTorqueNm: number;
  /** One row a position: angle (rad), Fx, Fy, Fz (N), torque (N·m). */
  readonly trace: Float64Array;
  readonly positions: number;
}

const TURN = 2 * Math.PI;
const GAUSS_X = [-Math.sqrt(0.6), 0, Math.sqrt(0.6)];
const GAUSS_W = [5 / 9, 8 / 9, 5 / 9];
const COMPONENTS = 4;

/** Tables of a few dozen numbers are made by the thousand: plain arrays cost a fifth of typed ones to allocate. */
const zeros = (n: number): number[] => {
  const list: number[] = [];
  for (let i = 0; i < n; i++) list.push(0.5);
  list.fill(0);
  return list;
};

/**
 * Running integral over the engagement angle of the force per mm of axial depth, for one tooth on one band.
 *
 * A helical tooth on a band covers a range of angles, so its force is the difference of two values of this table
 * divided by the lag per mm: exact in the helix, and one table serves every position of the tooth. Nodes crowd at
 * both ends of the arc because Kienzle's law has an infinite slope at zero chip.
 */
interface ArcTable {
  readonly entry: number;
  readonly span: number;
  readonly panels: number;
  readonly integral: number[];
  readonly slope: number[];
}

/** Gauss points and panel ends of a band's arc with their sines: the same for every tooth, so worked out once. */
interface ArcGrid {
  readonly band: EdgeBand;
  readonly panels: number;
  /** Four to a panel: three Gauss points, then the panel's end. */
  readonly sine: number[];
  readonly cosine: number[];
  /** Half the width of each panel, rad. */
  readonly half: number[];
  /** dφ/du at each panel's end, u being the graded coordinate φ = entry + span(1 − cos πu)/2. */
  readonly stretch: number[];
}

function arcGrid(band: EdgeBand, panels: number): ArcGrid {
  const { entry, exit } = band.arc;
  const span = exit - entry;
  const sine = zeros(panels * 4);
  const cosine = zeros(panels * 4);
  const half = zeros(panels);
  const stretch = zeros(panels);
  let from = entry;
  for (let i = 0; i < panels; i++) {
    const u = (Math.PI * (i + 1)) / panels;
    const to = entry + (span * (1 - Math.cos(u))) / 2;
    half[i] = (to - from) / 2;
    stretch[i] = (span * Math.PI * Math.sin(u)) / 2;
    for (let g = 0; g < 4; g++) {
      const phi = g < 3 ? (to + from) / 2 + half[i]! * GAUSS_X[g]! : to;
      sine[i * 4 + g] = Math.sin(phi);
      cosine[i * 4 + g] = Math.cos(phi);
    }
    from = to;
  }
  return { band, panels, sine, cosine, half, stretch };
}

function arcTable(grid: ArcGrid, law: ForceLaw, feedMm: number, runoutMm: number): ArcTable {
  const { band, panels } = grid;
  const integral = zeros((panels + 1) * COMPONENTS);
  const slope = zeros((panels + 1) * COMPONENTS);
  const force: EdgeForce = { tangential: 0, radial: 0, axial: 0 };
  const sinK = Math.sin(band.kapr);
  const lift = Math.cos(band.kapr) / sinK;
  for (let i = 0; i < panels; i++) {
    let x = 0;
    let y = 0;
    let z = 0;
    let t = 0;
    const base = (i + 1) * COMPONENTS;
    for (let g = 0; g < 4; g++) {
      const sine = grid.sine[i * 4 + g]!;
      const cosine = grid.cosine[i * 4 + g]!;
      const h = (feedMm * sine + runoutMm) * sinK;
      if (h <= 1e-9) continue;
      law.at(h, force);
      const ft = force.tangential / sinK;
      const fr = force.radial;
      // The force normal to the edge splits into a radial part and one that lifts the tool.
      const dx = -ft * cosine - fr * sine;
      const dy = ft * sine - fr * cosine;
      const dz = force.axial - fr * lift;
      if (g < 3) {
        const weight = grid.half[i]! * GAUSS_W[g]!;
        x += weight * dx;
        y += weight * dy;
        z += weight * dz;
        t += weight * ft;
      } else {
        // Slope against the graded coordinate: smooth even where the law is not.
        const stretch = grid.stretch[i]!;
        slope[base] = dx * stretch;
        slope[base + 1] = dy * stretch;
        slope[base + 2] = dz * stretch;
        slope[base + 3] = ft * stretch;
      }
    }
    integral[base] = integral[base - 4]! + x;
    integral[base + 1] = integral[base - 3]! + y;
    integral[base + 2] = integral[base - 2]! + z;
    integral[base + 3] = integral[base - 1]! + t;
  }
  return { entry: band.arc.entry, span: band.arc.exit - band.arc.entry, panels, integral, slope };
}

/** Adds `sign × integral(entry..phi)` of the table to `out`, cubic between the nodes. */
function addIntegral(table: ArcTable, phi: number, sign: number, out: number[]): void {
  const x = Math.min(1, Math.max(0, (phi - table.entry) / table.span));
  const u = (Math.acos(1 - 2 * x) / Math.PI) * table.panels;
  const i = Math.min(table.panels - 1, Math.floor(u));
  const t = u - i;
  const width = 1 / table.panels;
  const t2 = t * t;
  const t3 = t2 * t;
  const a = i * COMPONENTS;
  const b = a + COMPONENTS;
  for (let c = 0; c < COMPONENTS; c++) {
    out[c]! +=
      sign *
      ((2 * t3 - 3 * t2 + 1) * table.integral[a + c]! +
        (t3 - 2 * t2 + t) * width * table.slope[a + c]! +
        (-2 * t3 + 3 * t2) * table.integral[b + c]! +
        (t3 - t2) * width * table.slope[b + c]!);
  }
}

/** Adds the density at one angle times `height`: a straight tooth sits at a single angle. */
function addDensity(
  band: EdgeBand,
  law: ForceLaw,
  feed: number,
  runout: number,
  phi: number,
  out: number[],
): void {
  const force: EdgeForce = { tangential: 0, radial: 0, axial: 0 };
  const sinK = Math.sin(band.kapr);
  const h = (feed * Math.sin(phi) + runout) * sinK;
  if (phi < band.arc.entry - 1e-9 || phi > band.arc.exit + 1e-9 || h < -1e-9) return;
  law.at(Math.max(h, 1e-12), force);
  const height = band.toMm - band.fromMm;
  const ft = force.tangential / sinK;
  out[0]! += height * (-ft * Math.cos(phi) - force.radial * Math.sin(phi));
  out[1]! += height * (ft * Math.sin(phi) - force.radial * Math.cos(phi));
  out[2]! += height * (force.axial - (force.radial * Math.cos(band.kapr)) / sinK);
  out[3]! += height * ft;
}

/** Angle by which tooth j trails tooth 0, rad. */
function toothOffsets(pitch: readonly number[]): number[] {
  let sum = 0;
  return pitch.map((p, j) => (j === 0 ? 0 : (sum += p)));
}

/**
 * Forces through one revolution of a helical, possibly unequal-pitch cutter with runout.
 *
 * Kinematics and signs: φ clockwise from +y, feed +x, the tip leads, tooth j trails tooth j−1 by its pitch and takes
 * a feed in proportion to it. Source: Altintas, Manufacturing Automation (2012), ch. 2; immersion integral form.
 * `positions` is the number of angles sampled over a turn, `panels` how finely the arc is integrated: 20 is exact to
 * four digits, 8 to three. Throws when there is no tooth or no feed.
 */
export function millingForces(
  edge: RotatingEdge,
  law: ForceLaw,
  positions: number,
  panels = 20,
): MillingForces {
  const teeth = edge.pitch.length;
  requirePositive('number of teeth', teeth);
  requirePositive('feed per tooth', edge.feedPerToothMm);
  const offsets = toothOffsets(edge.pitch);
  const lagPerMm = edge.bands.length
    ? Math.tan(edge.helix) / Math.max(...edge.bands.map((b) => b.radiusMm))
    : 0;
  const equal = edge.pitch.every(
    (p, j) => p === edge.pitch[0] && edge.runoutStepMm[j] === edge.runoutStepMm[0],
  );
  const feeds = edge.pitch.map((p) => (edge.feedPerToothMm * teeth * p) / TURN);
  const grids = edge.bands.map((b) => arcGrid(b, panels));
  const tables = edge.pitch.map((_, j) =>
    equal && j > 0 ? null : grids.map((g) => arcTable(g, law, feeds[j]!, edge.runoutStepMm[j] ?? 0)),
  );
  const tablesOf = (j: number): ArcTable[] => tables[equal ? 0 : j]!;

  const mean = zeros(COMPONENTS);
  let meanTorque = 0;
  for (let j = 0; j < teeth; j++) {
    edge.bands.forEach((band, b) => {
      const { integral } = tablesOf(j)[b]!;
      const share = (band.toMm - band.fromMm) / TURN;
      for (let c = 0; c < COMPONENTS; c++) mean[c]! += share * integral[panels * COMPONENTS + c]!;
      meanTorque += (share * integral[panels * COMPONENTS + 3]! * band.radiusMm) / 1000;
    });
  }

  const trace = new Float64Array(positions * 5);
  const sum = zeros(COMPONENTS);
  let peakFxy = 0;
  let peakFy = 0;
  let peakFz = 0;
  let peakTorque = 0;
  const range = equal ? TURN / teeth : TURN;
  for (let k = 0; k < positions; k++) {
    const theta = (range * k) / positions;
    let fx = 0;
    let fy = 0;
    let fz = 0;
    let torque = 0;
    for (let b = 0; b < edge.bands.length; b++) {
      const band = edge.bands[b]!;
      sum.fill(0);
      for (let j = 0; j < teeth; j++) {
        const tip = theta - offsets[j]!;
        // Highest angle of this band's piece of tooth, brought into the first window that can reach the arc.
        let leading = tip - lagPerMm * band.fromMm;
        const length = lagPerMm * (band.toMm - band.fromMm);
        leading -= TURN * Math.floor((leading - band.arc.entry) / TURN);
        for (let lead = leading; lead - length <= band.arc.exit; lead += TURN) {
          if (length < 1e-6) {
            addDensity(band, law, feeds[j]!, edge.runoutStepMm[j] ?? 0, lead, sum);
            continue;
          }
          const high = Math.min(lead, band.arc.exit);
          const low = Math.max(lead - length, band.arc.entry);
          if (high <= low) continue;
          const table = tablesOf(j)[b]!;
          addIntegral(table, high, 1 / lagPerMm, sum);
          addIntegral(table, low, -1 / lagPerMm, sum);
        }
      }
      fx += sum[0]!;
      fy += sum[1]!;
      fz += sum[2]!;
      torque += (sum[3]! * band.radiusMm) / 1000;
    }
    const row = k * 5;
    trace[row] = theta;
    trace[row + 1] = fx;
    trace[row + 2] = fy;
    trace[row + 3] = fz;
    trace[row + 4] = torque;
    peakFxy = Math.max(peakFxy, Math.hypot(fx, fy));
    peakFy = Math.max(peakFy, Math.abs(fy));
    peakFz = Math.max(peakFz, Math.abs(fz));
    peakTorque = Math.max(peakTorque, torque);
  }
  return {
    meanFx: mean[0]!,
    meanFy: mean[1]!,
    meanFz: mean[2]!,
    meanTorqueNm: meanTorque,
    peakFxy,
    peakFyAbs: peakFy,
    peakFzAbs: peakFz,
    peakTorqueNm: peakTorque,
    trace,
    positions,
  };
}

/** Mean cutting power, kW, from mean torque (N·m) and speed (rpm). */
export const powerFromTorque = (torqueNm: number, speedRpm: number): number =>
  (torqueNm * TURN * speedRpm) / 60000;
