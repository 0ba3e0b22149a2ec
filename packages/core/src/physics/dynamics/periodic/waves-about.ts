import { receptanceAt } from '../tip-structure.ts';
import type { FreeModes } from './free-motion.ts';
import type { PeriodMap } from './period-map.ts';

const TURN = 2 * Math.PI;
/** Waves to either side of the one expected, one more to a period each: in slow cuts they grow nearly as much. */
const BESIDE = 2;
/** Turn of each wave's phase against the one before, rad: any that does not let them pile up. */
const APART = 2.4;

/**
 * Waves about a frequency, Hz, as a vector of a map: all modes shaken at the tip by a force that turns with each. What leads on the map is
 * more like them than like noise, so fewer steps find it. None where the nodes follow no such wave.
 */
export function wavesAbout(hz: number, map: PeriodMap, modes: FreeModes): Float64Array | undefined {
  const out = new Float64Array(map.size);
  let some = false;
  for (let k = -BESIDE; k <= BESIDE; k++) {
    const own = hz + k / map.period;
    if (own <= 0 || own >= map.highestHz) continue;
    addWave(TURN * own, APART * k, map, modes, out);
    some = true;
  }
  return some ? out : undefined;
}

/** Adds a wave of angular frequency ω, rad/s, that begins with a phase: the modes' state at the start, then the tip's motion at the nodes. */
function addWave(omega: number, phase: number, map: PeriodMap, modes: FreeModes, out: Float64Array): void {
  const dims = map.directions.length;
  const re = new Float64Array(dims);
  const im = new Float64Array(dims);
  const [c0, s0] = [Math.cos(phase), Math.sin(phase)];
  for (let m = 0; m < modes.count; m++) {
    const own = modes.omega[m]!;
    const mode = { hz: own / TURN, damping: modes.damping[m]!, stiffness: modes.mass[m]! * own * own };
    const g = receptanceAt([mode], omega / TURN);
    const moved = g.re * c0 - g.im * s0;
    const ahead = g.re * s0 + g.im * c0;
    re[modes.of[m]!]! += moved;
    im[modes.of[m]!]! += ahead;
    out[2 * m]! += moved;
    out[2 * m + 1]! -= (omega / own) * ahead;
  }
  for (const { from, to, nodes, first } of map.spans) {
    for (let i = 0; i < nodes.count; i++) {
      const turned = omega * map.perRadian * (from + (to - from) * nodes.at[i]!);
      const [c, s] = [Math.cos(turned), Math.sin(turned)];
      for (let d = 0; d < dims; d++) {
        out[map.state + first * dims + d * nodes.count + i]! += re[d]! * c - im[d]! * s;
      }
    }
  }
}
