import type { OperationContext } from '../../operations/context.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import type { Operation } from '../../operations/operation.ts';
import { measure, say } from '../../units/sentence.ts';
import { millingState } from '../../operations/milling/milling-state.ts';
import { clears } from './remedy.ts';
import type { Switch } from '../../operations/switch.ts';
import { kindOf } from '../../evaluation/registry.ts';
import { fastestOf } from '../../operations/common-movables.ts';
import { writeFree } from '../../operations/milling/milling-movables.ts';

/** How far from today's speed a pocket is looked for, as ratios. */
const FROM = 0.65;
const TO = 1.6;
const STEPS = 64;

/** The milling cut whose stability a limit is about; null for any other limit. */
export function lobedCut(op: Operation, limitId: string): MillingOperation | null {
  const kind = kindOf(op);
  return kind.ladder.some((l) => l.id === limitId && l.lobed) ? kind.turning(op) : null;
}

/**
 * Speeds at which the lobes leave room: the nearest one that clears the limit and the roomiest in reach. Between two
 * speeds the border rises and falls, so that neither end of a range tells. The feed per tooth stays and the table feed
 * goes with the speed. None when the speed is pinned.
 */
export function pocketSpeeds(op: Operation, context: OperationContext, limitId: string): Switch[] {
  const cut = lobedCut(op, limitId);
  if (!cut) return [];
  if (['n', 'vc', 'vf'].some((key) => op.pins.includes(key))) return [];
  const { stability } = millingState(cut, context);
  const now = cut.cut.speedRpm;
  const most = fastestOf(context);
  const at = (rpm: number): MillingOperation => writeFree(cut, 'n', rpm);
  const found = Array.from(
    { length: STEPS + 1 },
    (_, i) => Math.round((now * FROM * (TO / FROM) ** (i / STEPS)) / 10) * 10,
  )
    .filter((rpm) => rpm >= (context.machine.min_rpm ?? 10) && rpm <= most && Math.abs(rpm / now - 1) > 0.005)
    .map((rpm) => ({ rpm, room: stability.borderAt(rpm).depthMm ?? Infinity }));
  const roomiest = found.reduce<(typeof found)[number] | null>(
    (a, b) => (!a || b.room > a.room ? b : a),
    null,
  );
  const nearest = [...found]
    .sort((a, b) => Math.abs(Math.log(a.rpm / now)) - Math.abs(Math.log(b.rpm / now)))
    .find(({ rpm, room }) => room > cut.cut.axialDepthMm && clears(at(rpm), context, limitId));
  const chosen = [...new Set([nearest?.rpm, roomiest?.rpm].filter((v): v is number => v !== undefined))];
  return chosen.map((rpm, i) => ({
    id: `pocket-${i}`,
    title: say(
      'Set spindle speed {0} → {1}, a stable pocket, at the same chip load',
      measure(now, 'rpm'),
      measure(rpm, 'rpm'),
    ),
    after: at(rpm),
  }));
}
