import type { OperationContext } from '../operations/context.ts';
import { type HoleOperation, isHole } from '../operations/hole-operation.ts';
import type { Operation } from '../operations/operation.ts';

/** What can hurt someone in this cut. Shown with the operation and printed on the sheet; it replaces no local rule. */
export function cautionsOf(op: Operation, { alloy, cutter, holder }: OperationContext): string[] {
  const rated = Math.min(cutter.properties.RPMX ?? Infinity, holder.max_rpm || Infinity);
  const cautions = [
    `Never above ${Math.round(rated)} rpm, the lower rating of cutter and holder. Guards closed and interlocks working; a broken tool is thrown out.`,
    'Eye and ear protection. No gloves near a turning spindle. Reach in only with the spindle stopped.',
  ];
  if (alloy.hazards.fire_class === 'D') {
    cautions.push(
      `Chips of ${alloy.name} burn. Class D agent or dry sand at the machine; no water, CO₂ or ABC powder on burning chips.`,
    );
  }
  cautions.push(...alloy.hazards.actions.filter((a) => !/class d/i.test(a)).map(sentence));
  if (!/^(low|none|nuisance$)/i.test(alloy.hazards.dust_toxicity))
    cautions.push(`Dust and mist: ${alloy.hazards.dust_toxicity}.`);
  if (op.coolant === 'flood' || op.coolant === 'through-tool') {
    cautions.push('Coolant on before contact and never fading in the cut; keep it off the skin.');
  }
  if (isHole(op)) cautions.push(...holeCautions(op, alloy));
  cautions.push('The machine’s manual, the site’s rules, local law and a qualified person decide.');
  return cautions;
}

const sentence = (text: string): string => {
  const t = text.trim();
  return t.charAt(0).toUpperCase() + t.slice(1) + (/[.?]$/.test(t) ? '' : '.');
};

/** What a step of a hole adds. */
function holeCautions(op: HoleOperation, alloy: OperationContext['alloy']): string[] {
  const list: string[] = [];
  const hardens = alloy.work_hardening.tendency === 'high' || alloy.work_hardening.tendency === 'severe';
  if (op.kind === 'drilling' && op.hole.through)
    list.push('Reduce feed by a third to a half at breakthrough; the disc that drops out is hot and sharp.');
  if (op.kind === 'hole-milling' && op.hole.through)
    list.push(
      'What drops out of the open hole is loose, hot and sharp; nobody under it, spindle stopped to take it.',
    );
  if (hardens && op.kind !== 'thread-milling' && op.kind !== 'chamfering')
    list.push('No dwell at the bottom and no feed hold in the hole: rubbing hardens it for the next edge.');
  if (op.kind === 'tapping')
    list.push(
      'A tap that jams is under load: stop, relieve by hand in the cutting direction, never reach in while it turns.',
    );
  if (op.kind === 'reaming') list.push('Never turn a reamer backwards in the hole.');
  return list;
}
