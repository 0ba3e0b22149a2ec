import type { OperationContext } from '../operations/context.ts';
import type { Operation } from '../operations/operation.ts';
import { formatMeasure } from '../units/unit.ts';
import { kindOf } from './registry.ts';

/** What can hurt someone in this cut. Shown with the operation and printed on the sheet; it replaces no local rule. */
export function cautionsOf(op: Operation, context: OperationContext): string[] {
  const { alloy, cutter, holder } = context;
  const rated = Math.min(cutter.properties.RPMX ?? Infinity, holder.max_rpm || Infinity);
  // What stands still has no rating of its own.
  const never = Number.isFinite(rated)
    ? `Never above ${formatMeasure(rated, 'rpm', 'metric')}, the lower rating of cutter and holder. `
    : '';
  const cautions = [
    `${never}Guards closed and interlocks working; a broken tool is thrown out.`,
    'Eye and ear protection. No gloves near a turning spindle. Reach in only with the spindle stopped.',
  ];
  if (alloy.hazards.fire_class === 'D') {
    cautions.push(
      `${alloy.name} chips burn (metal fire). Class D agent or dry sand at the machine; no water, CO₂ or ABC powder on burning chips.`,
    );
  }
  cautions.push(...alloy.hazards.actions.filter((a) => !/class d/i.test(a)).map(sentence));
  if (!/^(low|none|nuisance$)/i.test(alloy.hazards.dust_toxicity))
    cautions.push(`Dust and mist: ${alloy.hazards.dust_toxicity}.`);
  if (op.coolant === 'flood' || op.coolant === 'through-tool') {
    cautions.push('Coolant on before contact and never fading in the cut; keep it off the skin.');
  }
  cautions.push(...kindOf(op).cautions(op, context));
  cautions.push('The machine’s manual, the site’s rules, local law and a qualified person decide.');
  return cautions;
}

const sentence = (text: string): string => {
  const t = text.trim();
  return t.charAt(0).toUpperCase() + t.slice(1) + (/[.?]$/.test(t) ? '' : '.');
};
