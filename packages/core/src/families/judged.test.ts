import { describe, expect, it } from 'vitest';
import { SEAL_POCKET, SHIPPED } from '../../fixtures/crib.ts';
import {
  type Cutter,
  isDrill,
  isMillingCutter,
  isTap,
  isUndercutter,
  outerDiameter,
} from '../crib/cutter.ts';
import { madeOf } from '../crib/tool-materials.ts';
import { fittingHolders } from '../deciding/choosing/fitting-holder.ts';
import { type StepDraft, stepWith } from '../deciding/hole-plan/shop.ts';
import { evaluate } from '../evaluation/evaluate.ts';
import { startingStickOut, withStartingCut } from '../evaluation/starting-cut.ts';
import type { OperationContext } from '../operations/context.ts';
import { PLAIN_EDGE } from '../operations/edge-milling/edge-milling-operation.ts';
import { type MillingOperation, usualPath } from '../operations/milling/milling-operation.ts';
import { PLAIN_UNDERCUT } from '../physics/path/undercut.ts';
import type { Operation } from '../operations/operation.ts';
import { PLAIN_HOLE } from '../physics/holes/hole.ts';
import { threadOf } from '../physics/threads/thread-table.ts';

const LARGE = SHIPPED.machines.find((m) => m.id === 'axis5-24k')!;
/** Every alloy of a tool’s groups with `BURL_EVERY_ALLOY`, which takes minutes; one a group, in turn, without. */
const EVERY = process.env['BURL_EVERY_ALLOY'] === '1';

function alloysFor(cutter: Cutter, turn: number) {
  const groups = [...new Set(cutter.suits_iso_groups)];
  return groups.flatMap((group) => {
    const list = SHIPPED.alloys.filter((a) => a.iso513_group === group);
    return EVERY ? list : [list[turn % list.length]!];
  });
}

/** A wide open face or a pocket three diameters wide, an allowance left. */
function milled(cutter: Cutter, context: OperationContext): Operation {
  const d = outerDiameter(cutter);
  const kind = cutter.type.startsWith('face_mill') ? ('face' as const) : ('pocket' as const);
  const depthMm = Math.min(0.4 * (cutter.properties.LU ?? d), d);
  return withStartingCut(
    {
      ...SEAL_POCKET,
      alloyId: context.alloy.id,
      machineId: context.machine.id,
      tooling: {
        cutterId: cutter.id,
        holderId: context.holder.id,
        stickOutMm: Math.ceil(startingStickOut({ cutter }, depthMm + 2)),
      },
      feature: {
        ...SEAL_POCKET.feature,
        kind,
        lengthMm: 6 * d,
        widthMm: 3 * d,
        depthMm,
        cornerRadiusMm: kind === 'pocket' ? 0.7 * d : null,
      },
      path: usualPath(kind),
    },
    context,
  );
}

function holed(cutter: Cutter): { readonly draft: StepDraft; readonly depthMm: number } | null {
  const d = cutter.properties.DC!;
  const hole = { ...PLAIN_HOLE, through: true };
  if (isDrill(cutter))
    return {
      depthMm: 2 * d,
      draft: {
        kind: 'drilling',
        role: 'drill',
        followedByDeg: null,
        hole: { ...hole, diameterMm: d, depthMm: 2 * d },
        cut: { speedRpm: 500, feedPerRevMm: 0.05, peck: 'plan', breakthroughFeed: 1 },
      } as StepDraft,
    };
  if (cutter.type === 'reamer')
    return {
      depthMm: 2 * d,
      draft: {
        kind: 'reaming',
        hole: { ...hole, diameterMm: d, depthMm: 2 * d, startMm: d - 0.2, piloted: true },
        cut: { speedRpm: 200, feedPerRevMm: 0.2, outFeed: 1.5 },
      } as StepDraft,
    };
  if (cutter.type === 'chamfer_mill') {
    const widest = cutter.properties.DCX!;
    return {
      depthMm: 0.5,
      draft: {
        kind: 'chamfering',
        hole: { ...hole, through: false, diameterMm: 0.7 * widest, depthMm: 0.4, piloted: true },
        cut: { speedRpm: 500, feedPerToothMm: 0.03, widthMm: 0.4 },
      } as StepDraft,
    };
  }
  if (!isTap(cutter) && cutter.type !== 'thread_mill') return null;
  const thread = threadOf(String(cutter.properties['TDZ']));
  const startMm = Number(cutter.extended['tap_drill_mm'] ?? thread.majorMm - thread.pitchMm);
  const depthMm = 1.5 * thread.majorMm;
  const threaded = {
    ...hole,
    diameterMm: thread.majorMm,
    depthMm,
    startMm,
    startDepthMm: depthMm + 3,
    piloted: true,
  };
  return {
    depthMm,
    draft: (isTap(cutter)
      ? { kind: 'tapping', thread, hole: threaded, cut: { speedRpm: 100, synchronous: true } }
      : {
          kind: 'thread-milling',
          thread,
          hole: threaded,
          cut: { speedRpm: 500, feedPerToothMm: 0.03, passes: 1, springPasses: 0 },
        }) as StepDraft,
  };
}

/** A groove into a wall as deep as the head reaches beyond its neck. */
function grooved(cutter: Cutter, context: OperationContext): Operation {
  const { DC = 10, DN = 5, APMX = 2, KAPR = 90 } = cutter.properties;
  const dovetail = cutter.type === 'dovetail_mill';
  const widthMm = 0.7 * ((DC - DN) / 2);
  const { feature, ...op } = milled(cutter, context) as MillingOperation;
  return withStartingCut(
    {
      ...op,
      feature: {
        ...feature,
        kind: 'side',
        lengthMm: 60,
        widthMm,
        depthMm: APMX,
        cornerRadiusMm: null,
        allowanceMm: 0,
        slopeDeg: dovetail ? KAPR : 90,
        undercut: {
          ...PLAIN_UNDERCUT,
          form: dovetail ? 'dovetail' : 'wall',
          throatMm: dovetail ? DC : null,
          floorMm: APMX,
        },
      },
      path: usualPath('side'),
    },
    context,
  );
}

/** The smallest break, rounding or line a tool is made for. */
function edged(cutter: Cutter, context: OperationContext): Operation {
  const { feature: _, workholding: __, forceLaw: ___, path: ____, ...base } = SEAL_POCKET;
  const p = cutter.properties;
  const form =
    cutter.type === 'engraving_cutter'
      ? 'engraving'
      : cutter.type === 'corner_rounding_mill'
        ? 'round'
        : 'chamfer';
  return withStartingCut(
    {
      ...base,
      kind: 'edge-milling',
      alloyId: context.alloy.id,
      machineId: context.machine.id,
      tooling: {
        cutterId: cutter.id,
        holderId: context.holder.id,
        stickOutMm: Math.ceil(startingStickOut({ cutter }, 2)),
      },
      edge: {
        ...PLAIN_EDGE,
        form,
        sizeMm:
          form === 'round' ? Number(p['PRFRAD']) : form === 'engraving' ? 2 * p.DC! : 0.02 * p.DC! + 0.02,
      },
      cut: { speedRpm: 1000, feedPerToothMm: 0.01, offTipMm: 0.1, passes: 1, direction: 'climb' },
    },
    context,
  );
}

/** What cannot be judged of a tool in an alloy; null where all of it can. */
function unjudged(cutter: Cutter, alloy: OperationContext['alloy']): string | null {
  const offer = {
    cutters: [cutter],
    holders: SHIPPED.holders,
    substrates: SHIPPED.substrates,
    coatings: SHIPPED.coatings,
  };
  const at = (op: Operation, context: OperationContext): string | null => {
    const e = evaluate(op, context);
    const lost =
      e.limits.find((l) => [l.predicted?.value, l.share?.value].some(Number.isNaN))?.name ??
      e.numbers.find((n) => Number.isNaN(n.value))?.key;
    return lost === undefined ? null : `${cutter.id} in ${alloy.id}: ${lost}`;
  };
  try {
    const edges = /^(?:lollipop|back_chamfer|corner_rounding|engraving)/.test(cutter.type);
    if (isMillingCutter(cutter) || isUndercutter(cutter) || edges) {
      const [holder] = fittingHolders(SHIPPED.holders, LARGE, cutter);
      if (!holder) return `${cutter.id}: no holder`;
      const made = madeOf(cutter, offer)!;
      const context = { alloy, machine: LARGE, cutter, holder, ...made, quantity: 10 };
      const make = edges ? edged : isUndercutter(cutter) ? grooved : milled;
      return at(make(cutter, context), context);
    }
    const step = holed(cutter);
    if (!step) return null;
    const made = stepWith(
      { alloy, machine: LARGE, offer, quantity: 10 },
      cutter,
      step.draft,
      4,
      step.depthMm,
    );
    return made ? at(made.op, made.context) : `${cutter.id}: no holder`;
  } catch (error) {
    return `${cutter.id} in ${alloy.id}: ${String(error)}`;
  }
}

describe('every built-in tool is judged without an error', () => {
  const range = SHIPPED.cutters;
  const types = [...new Set(range.map((c) => c.type))].filter(
    (t) => !/turning|groov|part|boring|spot/.test(t),
  );
  it.each(types)('%s in alloys of its groups, in a holder of the crib', { timeout: 600_000 }, (type) => {
    const tools = range.filter((c) => c.type === type);
    const wrong = tools.flatMap((c, i) => alloysFor(c, i).map((a) => unjudged(c, a)));
    expect(wrong.length).toBeGreaterThanOrEqual(tools.length);
    expect(wrong.filter(Boolean)).toEqual([]);
  });
});
