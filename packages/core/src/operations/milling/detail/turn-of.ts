import { type OneTurn, oneTurn, standOfTeeth } from '../../../physics/cutting/one-turn.ts';
import type { MillingState } from '../milling-state.ts';
import { helixOf } from '../force-law-of.ts';
import { runoutSource } from '../../sources.ts';

const RAD = Math.PI / 180;

/** One turn of this cut by slices, with the cutter's own pitch, helices and runout: 1° and 0.1 mm. */
export function turnOf(state: MillingState): OneTurn {
  const { op, context, pitch, bands, law } = state;
  const each = context.cutter.extended.helix_variation_deg;
  const mean = helixOf(context);
  return oneTurn(
    {
      bands,
      pitch,
      helix: pitch.map((_, j) => (each?.[j] === undefined ? mean : each[j] * RAD)),
      standMm: standOfTeeth(pitch, runoutSource(op, context).runoutUm),
      feedPerToothMm: op.cut.feedPerToothMm,
    },
    law,
  );
}
