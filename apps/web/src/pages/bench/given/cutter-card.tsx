import {
  formatMeasure,
  movablesOf,
  type Operation,
  type OperationContext,
  outerDiameter,
  speak,
  toolDoubt,
  toolFits,
  wordsOfCutter,
  wrongHolder,
} from '@burl/core';
import type { Crib, CribEntry } from '@burl/contract';
import { useSystem } from '../../../frame/preferences.tsx';
import { fittingHolder } from '@burl/contract';
import { Card, type CardProps } from './card.tsx';
import { Picker } from './picker.tsx';
import { ToolOutline } from './tool-outline.tsx';
import { offered } from '../../../judging/offer.ts';

/** A material by its first words: the record's name goes on to grain and content. */
const short = (name: string): string => name.split(/[(,]/)[0]!.trim();

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
  return movablesOf(moved, { ...context, cutter }).reduce<Operation>(
    (next, m) => (m.read(next) > m.most ? m.write(next, m.most) : next),
    moved,
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

/** Cutter, holder and stick-out, one by one or as an assembly of the crib. */
export function CutterCard({ op, context, crib, readOnly, onChange }: CardProps & { crib: Crib }) {
  const system = useSystem();
  const { alloy, machine, cutter, holder, coating, substrate } = context;
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
      drawing={<ToolOutline context={context} stickOutMm={op.tooling.stickOutMm} />}
    >
      {(close) => (
        <div className="space-y-3">
          <Picker
            label="Cutters"
            entries={fits.map((c) => ({
              id: c.id,
              name: c.document.name,
              words: wordsOfCutter(c.document),
              note: [
                c.document.suits_iso_groups.includes(alloy.iso513_group)
                  ? null
                  : `not rated for ISO ${alloy.iso513_group}`,
                toolDoubt(op, c.document),
              ]
                .filter(Boolean)
                .join('; '),
            }))}
            chosen={op.tooling.cutterId}
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
