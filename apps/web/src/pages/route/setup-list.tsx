import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Plus } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import type { RouteFacts } from './route-facts.ts';
import { Station } from './station.tsx';
import type { RouteChanges } from './use-route-changes.ts';

/** Setups with their operations, each to be dragged to another place in its setup. */
export function SetupList({
  jobId,
  facts,
  changes,
  readOnly,
  onAdd,
}: {
  jobId: string;
  facts: RouteFacts;
  changes: RouteChanges;
  readOnly: boolean;
  /** Begins a new operation in a setup. */
  onAdd: (setupId: string) => void;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const { judged, risk, names, widest } = facts;
  const { shown } = changes;
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
              {s.name}
              {!readOnly && (
                <Button look="quiet" onClick={() => onAdd(s.id)}>
                  <Plus size={15} aria-hidden="true" /> Operation
                </Button>
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
                    risk={risk.risks.get(o.id) ?? null}
                    before={names.get(risk.risks.get(o.id)?.earlier?.before ?? '') ?? ''}
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
