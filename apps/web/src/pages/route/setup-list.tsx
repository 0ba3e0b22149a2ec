import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Plus, Settings2 } from 'lucide-react';
import { HOLDINGS, type SetupPlan } from '@burl/core';
import { Button } from '../../ui/button.tsx';
import type { RouteFacts } from './route-facts.ts';
import { Station } from './station.tsx';
import type { RouteChanges } from './use-route-changes.ts';

/** Holding, offset and load of a setup in a line. */
const setupLine = ({ holding, workOffset, partsPerLoad, up, takenOver }: SetupPlan): string =>
  [
    `${up} up`,
    holding && HOLDINGS[holding.kind].name,
    workOffset,
    takenOver && 'taken over by the sub-spindle',
    partsPerLoad > 1 && `${partsPerLoad} parts a load`,
  ]
    .filter(Boolean)
    .join(' · ');

/** Setups with their operations, each to be dragged to another place in its setup. */
export function SetupList({
  jobId,
  facts,
  changes,
  readOnly,
  onAdd,
  onFeature,
  onEdit,
}: {
  jobId: string;
  facts: RouteFacts;
  changes: RouteChanges;
  readOnly: boolean;
  /** Begins a new operation in a setup. */
  onAdd: (setupId: string) => void;
  /** Begins a feature whose operations go into a setup. */
  onFeature: (setupId: string) => void;
  /** Opens a setup's own words: machine, holding, load. */
  onEdit: (setupId: string) => void;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const { judged, risk, names, widest } = facts;
  const { shown } = changes;
  const riskOf = (id: string) => risk?.operations.find((r) => r.id === id) ?? null;
  const places = new Map(shown.flatMap((s) => s.operations).map((o, i) => [o.id, i + 1]));
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        if (over && active.id !== over.id) changes.drop(String(active.id), String(over.id));
      }}
    >
      <div className="space-y-5">
        {shown.map((s) => (
          <section key={s.id} aria-label={s.name}>
            <h2 className="mb-2 flex items-center justify-between border-b-2 border-ink pb-1">
              <span className="min-w-0">
                {s.name}
                <span className="ml-2 text-[13px] font-normal text-soft">{setupLine(s.plan)}</span>
              </span>
              {!readOnly && (
                <span className="flex">
                  <Button look="quiet" aria-label={`Set up ${s.name}`} onClick={() => onEdit(s.id)}>
                    <Settings2 size={15} aria-hidden="true" /> Setup
                  </Button>
                  <Button look="quiet" onClick={() => onFeature(s.id)}>
                    <Plus size={15} aria-hidden="true" /> Feature
                  </Button>
                  <Button look="quiet" onClick={() => onAdd(s.id)}>
                    <Plus size={15} aria-hidden="true" /> Operation
                  </Button>
                </span>
              )}
            </h2>
            {s.operations.length === 0 && (
              <p className="py-2 text-soft">
                No operation yet.{readOnly ? '' : ' Add the first: a pocket, a face, a hole.'}
              </p>
            )}
            <SortableContext items={s.operations.map((o) => o.id)} strategy={verticalListSortingStrategy}>
              <ol className="space-y-1.5">
                {s.operations.map((o) => (
                  <Station
                    key={o.id}
                    judged={
                      judged.get(o.id) ?? { operation: o, evaluation: null, document: null, tool: null }
                    }
                    risk={riskOf(o.id)}
                    currency={facts.currency}
                    before={names.get(riskOf(o.id)?.earlier?.before ?? '') ?? ''}
                    onEarly={() => changes.bringEarly(o)}
                    number={places.get(o.id)!}
                    jobId={jobId}
                    widest={widest}
                    readOnly={readOnly}
                    onRemove={() => changes.remove(o)}
                  />
                ))}
              </ol>
            </SortableContext>
          </section>
        ))}
        {!readOnly && (
          <Button onClick={changes.addSetup}>
            <Plus size={15} aria-hidden="true" /> Setup
          </Button>
        )}
      </div>
    </DndContext>
  );
}
