import {
  type Cutter,
  type FirstCut,
  formatMeasure,
  isTurnedOperation,
  type MillingOperation,
  movablesOf,
  type Operation,
  type OperationContext,
  outerDiameter,
  speak,
  toolDoubt,
  toolFits,
  wrongHolder,
} from '@burl/core';

import { useSystem } from '../../../frame/preferences.tsx';
import { type Crib, type CribEntry, findable, fittingHolder } from '@burl/contract';
import { Card, type CardProps } from './card.tsx';
import { Picker } from './picker.tsx';
import { ToolOutline } from './tool-outline.tsx';
import { offered, offerOf } from '../../../judging/offer.ts';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { useMemo } from 'react';

/** A material by its first words: the record's name goes on to grain and content. */
const short = (name: string): string => name.split(/[(,]/)[0]!.trim();

/** Stepover of another cutter: the same share of its diameter where it is smaller, in a slot what fits between the walls. */
function fitted({ feature, cut }: MillingOperation, context: OperationContext, cutter: Cutter): number {
  const [now, next] = [outerDiameter(context.cutter), outerDiameter(cutter)];
  if (feature.kind === 'slot') return Math.min(next, feature.widthMm, Math.max(cut.radialEngagementMm, next));
  return Number((cut.radialEngagementMm * Math.min(1, next / now)).toFixed(3));
}

/** The operation with another cutter, in a holder that takes it; numbers it cannot do come down to what it can. */
function withCutter(
  op: Operation,
  { crib, context }: Pick<CardProps, 'context'> & { crib: Crib },
  id: string,
) {
  const cutter = crib.cutters.find((c) => c.id === id)!.document;
  const p = cutter.properties;
  const keeps = wrongHolder(cutter, context.holder) === null;
  const { holderId, stickOutMm } = op.tooling;
  const shortest = p.LPR ?? p.LF ?? stickOutMm;
  const moved: Operation = {
    ...op,
    tooling: {
      cutterId: id,
      holderId: keeps ? holderId : (fittingHolder(crib, op.machineId, id) ?? holderId),
      stickOutMm: Math.max(shortest, Math.min(stickOutMm, (p.OAL ?? 999) - 10)),
    },
  };
  const at =
    moved.kind === 'milling'
      ? { ...moved, cut: { ...moved.cut, radialEngagementMm: fitted(moved, context, cutter) } }
      : moved;
  return movablesOf(at, { ...context, cutter }).reduce<Operation>(
    (next, m) => (m.read(next) > m.most ? m.write(next, m.most) : next),
    at,
  );
}

/** Those rated for the alloy first, then the same type, then the nearest diameter: what one changes to as a rule. */
function nearestFirst(
  list: readonly CribEntry<'cutters'>[],
  { alloy, cutter }: OperationContext,
): CribEntry<'cutters'>[] {
  const d = outerDiameter(cutter);
  const off = ({ document: c }: CribEntry<'cutters'>): number =>
    (c.suits_iso_groups.includes(alloy.iso513_group) ? 0 : 1e4) +
    (c.type === cutter.type ? 0 : 1e3) +
    Math.abs(outerDiameter(c) - d);
  return [...list].sort((a, b) => off(a) - off(b));
}

/** Cutters for the feature: the best first cuts as their worker finds them, then what one changes to as a rule. */
function Cutters({
  op,
  context,
  crib,
  fits,
  onPick,
}: Pick<CardProps, 'op' | 'context'> & {
  crib: Crib;
  fits: readonly CribEntry<'cutters'>[];
  onPick: (id: string) => void;
}) {
  const system = useSystem();
  const { alloy } = context;
  const milling = op.kind === 'milling' ? (op as MillingOperation) : null;
  const offer = useMemo(() => offerOf(crib), [crib]);
  const { data: best } = useHeavy<readonly FirstCut[]>(
    'rank',
    milling && question('first-cuts', milling, context, crib.cutters.length),
    (api) => api.firstCuts(milling!, context, offer),
    0,
  );
  const place = (id: string): number => {
    const at = best?.findIndex((b) => b.cutterId === id) ?? -1;
    return at < 0 ? Infinity : at;
  };
  const ordered = [...fits].sort((a, b) =>
    place(a.id) < place(b.id) ? -1 : place(a.id) > place(b.id) ? 1 : 0,
  );
  const notesOf = ({ id, document: c }: CribEntry<'cutters'>): string => {
    const cut = best?.[place(id)];
    return [
      cut &&
        `${place(id) === 0 ? 'best first cut' : 'good first cut'}: ${cut.state}, ${formatMeasure(cut.minutes, 'min', system)}`,
      c.suits_iso_groups.includes(alloy.iso513_group) ? null : `not rated for ISO ${alloy.iso513_group}`,
      toolDoubt(op, c),
    ]
      .filter(Boolean)
      .join('; ');
  };
  return (
    <Picker
      // The list begins anew with the best when it is known: the first of it is preselected.
      key={best ? 'ranked' : 'nearest'}
      label="Cutters"
      entries={ordered.map((c) => ({
        ...findable('cutters', c.document),
        note: notesOf(c),
      }))}
      chosen={op.tooling.cutterId}
      onPick={onPick}
    />
  );
}

/** Cutter, holder and stick-out, one by one or as an assembly of the crib. */
export function CutterCard({ op, context, crib, readOnly, onChange }: CardProps & { crib: Crib }) {
  const system = useSystem();
  const { machine, cutter, holder, coating, substrate } = context;
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const change = (next: Operation) => !readOnly && onChange(next);
  const fits = nearestFirst(
    offered(crib.cutters, op.tooling.cutterId).filter((c) => toolFits(op, c.document)),
    context,
  );
  const assemblies = crib.assemblies.filter((a) => fits.some((c) => c.id === a.cutterId));
  return (
    <Card
      title="Cutter in holder"
      label={cutter.name}
      lines={[
        `${short(coating.name)} on ${short(substrate.name).toLowerCase()}`,
        `${holder.name}, stick-out ${mm(op.tooling.stickOutMm)}`,
      ]}
      drawing={
        isTurnedOperation(op) ? null : <ToolOutline context={context} stickOutMm={op.tooling.stickOutMm} />
      }
    >
      {(close) => (
        <div className="space-y-3">
          <Cutters
            op={op}
            context={context}
            crib={crib}
            fits={fits}
            onPick={(id) => (change(withCutter(op, { crib, context }, id)), close())}
          />
          <Picker
            label="Holders"
            entries={offered(crib.holders, op.tooling.holderId)
              .filter((h) => h.document.interfaces.includes(machine.spindle_interface))
              .map((h) => {
                const wrong = wrongHolder(cutter, h.document);
                return { id: h.id, name: h.document.name, wrong: wrong && speak(wrong, system) };
              })}
            chosen={op.tooling.holderId}
            onPick={(id) => (change({ ...op, tooling: { ...op.tooling, holderId: id } }), close())}
          />
          {assemblies.length > 0 && (
            <Picker
              label="Assemblies"
              entries={assemblies.map((a) => ({
                id: a.id,
                name: a.name,
                note: `stick-out ${mm(a.stickOutMm)}`,
              }))}
              chosen=""
              onPick={(id) => {
                const { cutterId, holderId, stickOutMm, runoutUm } = assemblies.find((x) => x.id === id)!;
                change({
                  ...op,
                  tooling: { cutterId, holderId, stickOutMm },
                  measured: { ...op.measured, runoutUm },
                });
                close();
              }}
            />
          )}
        </div>
      )}
    </Card>
  );
}
