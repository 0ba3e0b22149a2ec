import {
  type Evaluation,
  formatMeasure,
  hasThread,
  toolFits,
  type Operation,
  type OperationContext,
  strategyName,
} from '@burl/core';
import type { Crib, CribKind } from '@burl/contract';
import { Command } from 'cmdk';
import { ChevronRight } from 'lucide-react';
import { Popover } from 'radix-ui';
import { memo, type ReactNode, useState } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { fittingHolder } from '../../../judging/blank-operation.ts';
import { FeatureForm, HoldingForm, MeasuredForm, WearForm } from './given-forms.tsx';
import { CostForm, PathForm } from './path-form.tsx';

const CARD = 'w-full rounded-lg border border-line bg-card p-2.5 text-left hover:border-accent';

function Card({
  title,
  label,
  lines,
  children,
  drawing,
}: {
  title: string;
  label: string;
  lines: readonly string[];
  children: (close: () => void) => ReactNode;
  drawing?: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className={CARD}>
        <span className="flex items-center justify-between text-[12.5px] text-soft">
          {title} <ChevronRight size={14} aria-hidden="true" />
        </span>
        {drawing}
        <span className="block leading-snug font-semibold">{label}</span>
        {lines.map((l) => (
          <span key={l} className="block text-[12.5px] leading-snug text-soft">
            {l}
          </span>
        ))}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="right"
          align="start"
          sideOffset={6}
          collisionPadding={10}
          className="z-30 max-h-[80vh] w-[360px] overflow-auto rounded-lg border border-line bg-raised p-3 text-ink shadow-xl"
        >
          {children(() => setOpen(false))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** A searchable list of crib entries. */
function Picker({
  label,
  entries,
  chosen,
  onPick,
}: {
  label: string;
  entries: readonly { id: string; name: string; note?: string }[];
  chosen: string;
  onPick: (id: string) => void;
}) {
  return (
    <Command label={label} loop>
      <Command.Input
        placeholder={`Search ${label.toLowerCase()}`}
        className="mb-2 w-full rounded-md border border-line bg-card px-2 py-1.5"
      />
      <Command.List className="max-h-72 overflow-auto">
        <Command.Empty className="p-2 text-soft">No match.</Command.Empty>
        {entries.map((e) => (
          <Command.Item
            key={e.id}
            value={`${e.name} ${e.id}`}
            onSelect={() => onPick(e.id)}
            className="cursor-pointer rounded px-2 py-1 data-[selected=true]:bg-accent-soft"
          >
            <span className={e.id === chosen ? 'font-bold' : ''}>{e.name}</span>
            {e.note && <span className="block text-[12px] text-soft">{e.note}</span>}
          </Command.Item>
        ))}
      </Command.List>
    </Command>
  );
}

/** Small true-to-scale outline of cutter in holder, lying down. */
function ToolOutline({ context, stickOutMm }: { context: OperationContext; stickOutMm: number }) {
  const p = context.cutter.properties;
  const body = Math.min(60, context.holder.gauge_length_mm);
  const width = body + stickOutMm;
  const scale = Math.min(190 / width, 40 / context.holder.body_diameter_mm);
  const d = (p.DC ?? 10) * scale;
  const flute = Math.min(stickOutMm, p.LCF ?? p.APMX ?? stickOutMm) * scale;
  const out = stickOutMm * scale;
  const shank = Math.min(p.DCONMS ?? p.DC ?? 10, Math.max(p.DC ?? 10, p.DCONMS ?? 0)) * scale;
  const nose = context.holder.nose_diameter_mm * scale;
  const block = context.holder.body_diameter_mm * scale;
  return (
    <svg viewBox="0 0 196 46" className="my-1 h-11 w-full" aria-hidden="true">
      <g transform="translate(2 23)">
        <path
          d={`M0 ${-block / 2} H${body * scale * 0.7} L${body * scale} ${-nose / 2} V${nose / 2} L${body * scale * 0.7} ${block / 2} H0 Z`}
          fill="var(--holder)"
          stroke="var(--soft)"
        />
        <rect
          x={body * scale}
          y={-shank / 2}
          width={Math.max(0, out - flute)}
          height={shank}
          fill="var(--tool)"
          stroke="var(--accent)"
        />
        <rect
          x={body * scale + out - flute}
          y={-d / 2}
          width={flute}
          height={d}
          fill="var(--tool)"
          stroke="var(--accent)"
          strokeWidth="1.5"
        />
      </g>
    </svg>
  );
}

const list = (crib: Crib, kind: CribKind) =>
  crib[kind].map((e) => ({
    id: e.id,
    name: e.document.name,
    ...(e.origin === 'shop' ? { note: 'of the shop' } : {}),
  }));

/** A material by its first words: the record's name goes on to grain and content. */
const short = (name: string): string => name.split(/[(,]/)[0]!.trim();

/** What the cut is given: alloy, machine, cutter in holder, feature, holding, and what the numbers rest on. */
export const Given = memo(function Given({
  op,
  context,
  crib,
  evaluation,
  readOnly,
  onChange,
}: {
  op: Operation;
  context: OperationContext;
  crib: Crib;
  evaluation: Evaluation | null;
  readOnly: boolean;
  onChange: (next: Operation) => void;
}) {
  const system = useSystem();
  const { alloy, machine, cutter, holder } = context;
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const fits = crib.cutters.filter((c) => toolFits(op, c.document));
  const through = (run: (next: Operation) => void) => (next: Operation) => !readOnly && run(next);
  const change = through(onChange);
  const counted = (kind: string): number => evaluation?.sources.filter((s) => s.kind === kind).length ?? 0;
  const measureNext = evaluation?.sources
    .filter((s) => s.kind !== 'measured' && s.narrowBy)
    .sort((a, b) => b.sigma - a.sigma)[0];

  function pickCutter(cutterId: string): void {
    const next = crib.cutters.find((c) => c.id === cutterId)!.document;
    const shank = next.properties.DCONMS ?? 0;
    const keeps = shank >= holder.bore_diameter_mm[0] && shank <= holder.bore_diameter_mm[1];
    const holderId = keeps
      ? op.tooling.holderId
      : (fittingHolder(crib, op.machineId, cutterId) ?? op.tooling.holderId);
    const shortest = next.properties.LPR ?? next.properties.LF ?? op.tooling.stickOutMm;
    const moved: Operation = {
      ...op,
      tooling: {
        cutterId,
        holderId,
        stickOutMm: Math.max(shortest, Math.min(op.tooling.stickOutMm, (next.properties.OAL ?? 999) - 10)),
      },
    };
    if (moved.kind === 'milling') {
      const edge = Math.min(next.properties.APMX ?? moved.cut.axialDepthMm, moved.tooling.stickOutMm);
      const wide = Math.max(next.properties.DC ?? 0, next.properties.DCX ?? 0);
      change({
        ...moved,
        cut: {
          ...moved.cut,
          axialDepthMm: Math.min(moved.cut.axialDepthMm, edge),
          radialEngagementMm: Math.min(moved.cut.radialEngagementMm, wide),
        },
      });
    } else change(moved);
  }

  return (
    <div className="space-y-2">
      <Card
        title="Alloy"
        label={alloy.name}
        lines={[
          `${op.measured.hardness ?? alloy.hardness.typical} ${alloy.hardness.scale} ${op.measured.hardness === null ? 'assumed' : 'measured'}`,
          `ISO ${alloy.iso513_group}`,
        ]}
      >
        {(close) => (
          <Picker
            label="Alloys"
            entries={list(crib, 'alloys')}
            chosen={op.alloyId}
            onPick={(id) => (
              change({
                ...op,
                alloyId: id,
                measured: { ...op.measured, hardness: null, kc11NMm2: null, lifeSpeed30MMin: null },
                ...(op.kind === 'milling' && op.forceLaw === 'orthogonal'
                  ? { forceLaw: 'kienzle' as const }
                  : {}),
              } as Operation),
              close()
            )}
          />
        )}
      </Card>
      <Card
        title="Machine"
        label={machine.name}
        lines={[
          `${machine.spindle_interface}, ${formatMeasure(machine.max_rpm, 'rpm', system)}`,
          `coolant ${op.coolant}`,
        ]}
      >
        {(close) => (
          <>
            <Picker
              label="Machines"
              entries={list(crib, 'machines')}
              chosen={op.machineId}
              onPick={(id) => (change({ ...op, machineId: id }), close())}
            />
            <WearForm op={op} readOnly={readOnly} onChange={change} />
          </>
        )}
      </Card>
      <Card
        title="Cutter in holder"
        label={cutter.name}
        lines={[
          `${short(context.coating.name)} on ${short(context.substrate.name).toLowerCase()}`,
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
                note: c.document.suits_iso_groups.includes(alloy.iso513_group)
                  ? ''
                  : `not rated for ISO ${alloy.iso513_group}`,
              }))}
              chosen={op.tooling.cutterId}
              onPick={(id) => (pickCutter(id), close())}
            />
            <Picker
              label="Holders"
              entries={crib.holders
                .filter((h) => h.document.interfaces.includes(machine.spindle_interface))
                .map((h) => ({ id: h.id, name: h.document.name }))}
              chosen={op.tooling.holderId}
              onPick={(id) => (change({ ...op, tooling: { ...op.tooling, holderId: id } }), close())}
            />
            {crib.assemblies.some((a) => fits.some((c) => c.id === a.cutterId)) && (
              <Picker
                label="Assemblies"
                entries={crib.assemblies
                  .filter((a) => fits.some((c) => c.id === a.cutterId))
                  .map((a) => ({ id: a.id, name: a.name, note: `stick-out ${mm(a.stickOutMm)}` }))}
                chosen=""
                onPick={(id) => {
                  const a = crib.assemblies.find((x) => x.id === id)!;
                  change({
                    ...op,
                    tooling: { cutterId: a.cutterId, holderId: a.holderId, stickOutMm: a.stickOutMm },
                    measured: { ...op.measured, runoutUm: a.runoutUm },
                  });
                  close();
                }}
              />
            )}
          </div>
        )}
      </Card>
      {op.kind === 'milling' ? (
        <Card
          title="Feature"
          label={`${op.feature.kind[0]!.toUpperCase()}${op.feature.kind.slice(1)} ${mm(op.feature.lengthMm)} × ${mm(op.feature.widthMm)} × ${mm(op.feature.depthMm)}`}
          lines={[
            op.feature.cornerRadiusMm === null
              ? 'no inside corners'
              : `corners ${mm(op.feature.cornerRadiusMm)}`,
            op.feature.allowanceMm > 0
              ? `${mm(op.feature.allowanceMm)} left on the wall`
              : `finishes within ${mm(op.feature.wallToleranceMm)}`,
          ]}
        >
          {() => <FeatureForm op={op} readOnly={readOnly} onChange={change} context={context} />}
        </Card>
      ) : (
        <Card
          title="Hole"
          label={`${hasThread(op) ? op.thread.designation : `⌀ ${mm(op.hole.diameterMm)}`} × ${mm(op.hole.depthMm)}`}
          lines={[
            `${op.hole.through ? 'through' : 'blind'}${op.hole.startMm > 0 ? `, ${mm(op.hole.startMm)} before` : op.hole.piloted ? ', piloted' : ''}`,
            `${op.featuresPerPart} per part`,
          ]}
        >
          {() => <FeatureForm op={op} readOnly={readOnly} onChange={change} context={context} />}
        </Card>
      )}
      {op.kind === 'milling' && (
        <Card
          title="Path"
          label={strategyName[op.path.strategy]}
          lines={[
            `entry: ${op.path.entry.method}`,
            op.path.cornerPathRadiusMm === null
              ? 'corners of the strategy'
              : `corners on ${mm(op.path.cornerPathRadiusMm)}`,
          ]}
        >
          {() => <PathForm op={op} readOnly={readOnly} onChange={change} />}
        </Card>
      )}
      {op.kind === 'milling' && (
        <Card
          title="Held by"
          label={op.workholding.kind[0]!.toUpperCase() + op.workholding.kind.slice(1)}
          lines={[
            op.workholding.capacityN === null
              ? 'holding force not entered'
              : `${formatMeasure(op.workholding.capacityN, 'N', system)} holding force`,
          ]}
        >
          {() => <HoldingForm op={op} readOnly={readOnly} onChange={change} />}
        </Card>
      )}
      {op.kind === 'milling' && (
        <Card
          title="Cost"
          label={
            op.economics.machinePerHour === null
              ? 'default rates'
              : `${formatMeasure(op.economics.machinePerHour, 'money', system)} per hour`
          }
          lines={[]}
        >
          {() => <CostForm op={op} readOnly={readOnly} onChange={change} />}
        </Card>
      )}
      <Card
        title="Based on"
        label={`${counted('measured')} measured, ${counted('library')} library, ${counted('assumed') + counted('model')} assumed`}
        lines={measureNext ? [`measure next: ${measureNext.narrowBy}`] : []}
      >
        {() => <MeasuredForm op={op} context={context} readOnly={readOnly} onChange={change} />}
      </Card>
    </div>
  );
});
