import type { MillingState } from '../evaluation/milling-state.ts';
import { AVERAGED_CUT, PROCESS_DAMPING, type StabilityState } from '../evaluation/stability-state.ts';
import { depthAlongTool } from '../dynamics/depth-along-tool.ts';
import type { Trust } from '../dynamics/tip-knowledge.ts';
import { cuttingForceSources } from '../evaluation/sources.ts';
import { type Estimate, exact, over, sensitiveTo, type Source } from '../uncertainty/estimate.ts';
import { measure, say } from '../units/sentence.ts';
import { input, type Limit } from './limit.ts';

const NARROW: Readonly<Record<Trust, string>> = {
  measured: 'repeat the tap test',
  coupled: 'tap-test at this stick-out',
  table: 'tap-test this combination',
  generic: 'tap-test this combination, or log test cuts',
};

function structureSources({ knowledge, sigma, testCuts }: StabilityState): readonly Source[] {
  const kind =
    testCuts > 0 || knowledge.trust === 'measured'
      ? 'measured'
      : knowledge.trust === 'generic'
        ? 'assumed'
        : 'library';
  const narrowBy = NARROW[knowledge.trust];
  return [
    {
      id: 'tip-stiffness',
      label: `stiffness of the tip, ${knowledge.from}`,
      kind,
      sigma: sigma.stiffness,
      narrowBy,
    },
    {
      id: 'tip-damping',
      label: `damping of the tip, ${knowledge.from}`,
      kind,
      sigma: sigma.damping,
      narrowBy,
    },
    {
      id: 'tip-frequency',
      label: `frequency of the tip, ${knowledge.from}`,
      kind,
      sigma: sigma.hz,
      narrowBy,
    },
  ];
}

/** Depth at the tip under which the cut settles, with what it rests on; null where nothing in reach chatters. */
export function limitDepthEstimate(
  state: MillingState,
): { estimate: Estimate; periodic: boolean; hz: number } | null {
  const { stability, op, context } = state;
  const { knowledge, testCuts } = stability;
  const border = stability.border();
  if (border.depthMm === null) return null;
  const [stiffness, damping, frequency] = structureSources(stability);
  let e: Estimate = exact(border.depthMm);
  if (border.learnt !== null) {
    e = sensitiveTo(
      e,
      {
        id: 'test-cuts',
        label: `${testCuts} test ${testCuts === 1 ? 'cut' : 'cuts'} here, on modes ${knowledge.from}`,
        kind: 'measured',
        sigma: border.learnt,
        narrowBy: 'log one more test cut near the border',
      },
      1,
    );
    if (!border.periodic) e = sensitiveTo(e, AVERAGED_CUT, 1);
    return { estimate: e, periodic: border.periodic, hz: border.hz ?? 0 };
  }
  e = sensitiveTo(e, stiffness!, 1);
  e = sensitiveTo(e, damping!, 0.8);
  for (const source of cuttingForceSources(op, context).sources) e = sensitiveTo(e, source, -1);
  e = sensitiveTo(e, PROCESS_DAMPING, 0.4);
  if (!border.periodic) e = sensitiveTo(e, AVERAGED_CUT, 1);
  // A frequency off by so much is the same as a speed off by as much the other way: the lobes may lie elsewhere.
  if (knowledge.trust === 'generic' && testCuts === 0)
    return { estimate: e, periodic: border.periodic, hz: border.hz ?? 0 };
  const rpm = op.cut.speedRpm;
  const near = [1 + frequency!.sigma, 1 - frequency!.sigma].map((f) => stability.borderAt(rpm * f).depthMm);
  const here = stability.borderAt(rpm).depthMm;
  if (here !== null && frequency!.sigma > 0) {
    const off = Math.max(...near.map((d) => Math.abs(Math.log((d ?? here) / here))));
    e = sensitiveTo(e, frequency!, off / frequency!.sigma);
  }
  return { estimate: e, periodic: border.periodic, hz: border.hz ?? 0 };
}

/** Depth of the cut against the depth at which it begins to chatter at this speed. */
export const limitDepthLimit: Limit<MillingState> = {
  id: 'limit-depth',
  group: 'vibration',
  name: 'limit depth',
  assess(state) {
    const { op, stability } = state;
    if (op.path.strategy === 'plunge') return null;
    const { knowledge, mode, testCuts } = stability;
    const found = limitDepthEstimate(state);
    const stickOut = op.tooling.stickOutMm;
    const common = {
      formula: 'ap_lim from det(I − ap·(W(t), delay, modes)) on the border of stability',
      inputs: () =>
        [
          input('ap', 'axial depth', op.cut.axialDepthMm, 'mm'),
          input('ap tip', 'depth that counts at the tip', stability.tipDepthMm, 'mm'),
          input('fn', 'softest mode', mode.hz, 'Hz'),
          input('ζ', 'its damping', mode.damping * 100, 'percent'),
          input('k', 'its stiffness', mode.stiffness / 1e6, 'N/um'),
          input('Ktc', 'force that grows with the chip', stability.cut.tangential, 'N/mm2'),
          input('Kd', 'process damping', (stability.cut.dampingNPerM ?? 0) / 1000, 'N/mm'),
        ] as const,
      source:
        'Insperger & Stépán 2004 by spectral segments, Altintas & Budak 1995 as the overview; process damping Wu 1989; modes ' +
        knowledge.from,
    };
    if (!found) {
      return {
        ...common,
        predicted: { estimate: exact(op.cut.axialDepthMm), unit: 'mm' },
        allowed: null,
        share: exact(0),
        verdict: knowledge.trust === 'generic' && testCuts === 0 ? 'unproven' : 'clear',
        why: () =>
          say(
            'No depth in reach chatters at {0}, by modes {t}.'.replace('{t}', knowledge.from),
            measure(op.cut.speedRpm, 'rpm'),
          ),
      };
    }
    const allowed = Math.min(stickOut, depthAlongTool(mode, found.estimate.value, stickOut));
    const share = over(exact(stability.tipDepthMm), found.estimate);
    const guess = knowledge.trust === 'generic' && testCuts === 0;
    const text = guess
      ? 'By class values chatter may begin near {0} at {1}, heard about {2}; nobody has measured this combination, so it may be half or twice that. Tap-test it or log test cuts.'
      : 'At {1} the cut settles up to {0}; beyond, it chatters at {2} (' +
        `${knowledge.from}${testCuts > 0 ? `, ${testCuts} test ${testCuts === 1 ? 'cut' : 'cuts'}` : ''}).`;
    return {
      ...common,
      predicted: { estimate: exact(op.cut.axialDepthMm), unit: 'mm' },
      allowed: {
        value: allowed,
        unit: 'mm',
        from: found.periodic ? 'periodic solution at this speed' : 'averaged cut, an overview',
      },
      share,
      ...(guess ? { verdict: 'unproven' as const } : {}),
      why: () => say(text, measure(allowed, 'mm'), measure(op.cut.speedRpm, 'rpm'), measure(found.hz, 'Hz')),
    };
  },
};
