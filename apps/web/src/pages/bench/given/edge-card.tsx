import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import { EDGE_FACES, EDGE_FORMS, type EdgeMillingOperation, formatMeasure, type PartEdge } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { Button } from '../../../ui/button.tsx';
import { FileInput } from '../../../ui/file-input.tsx';
import { Choice, Grid } from '../../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';
import { Card, type CardProps } from './card.tsx';
import { drawingText } from './drawing-text.ts';
import { CountFields } from './held-part-fields.tsx';
import { InLatheCard } from './in-lathe-card.tsx';

const FORMS = { chamfer: 'chamfer', round: 'rounded', engraving: 'engraved line' } as const;
const FACES = { near: 'towards the spindle', far: 'at the back' } as const;
const DIRECTIONS = ['climb', 'conventional'] as const;

function fieldsOf({ form, face }: PartEdge): readonly NumberField<PartEdge>[] {
  const line = form === 'engraving';
  return [
    {
      key: 'sizeMm',
      label: line ? 'Line width' : form === 'round' ? 'Radius' : 'Chamfer width on the face',
      unit: 'mm',
    },
    { key: 'lengthMm', label: line ? 'Length of lines' : 'Length of the contour', unit: 'mm' },
    ...(form === 'chamfer' ? ([{ key: 'angleDeg', label: 'Angle to the wall', unit: 'deg' }] as const) : []),
    ...(line
      ? []
      : face === 'far'
        ? ([
            { key: 'depthMm', label: 'Near face to far edge', unit: 'mm' },
            {
              key: 'openingMm',
              label: 'Hole or slot it goes through',
              unit: 'mm',
              empty: null,
              hint: 'empty: past the outside',
            },
          ] as const)
        : ([
            { key: 'depthMm', label: 'Wall below the edge', unit: 'mm', empty: null, hint: 'empty: open' },
            {
              key: 'insideRadiusMm',
              label: 'Sharpest inside corner',
              unit: 'mm',
              empty: null,
              hint: 'empty: none',
            },
          ] as const)),
    { key: 'wanderMm', label: line ? 'Face off by' : 'Edge wanders by', unit: 'mm', empty: 0 },
    ...(line
      ? []
      : ([
          {
            key: 'leastMm',
            label: 'ISO 13715, least off',
            unit: 'mm',
            empty: null,
            hint: 'empty: not asked',
          },
          { key: 'mostMm', label: 'ISO 13715, most off', unit: 'mm', empty: null, hint: 'empty: not asked' },
        ] as const)),
  ];
}

/** Length and sharpest inside corner of the contour from a drawing. */
function ContourFile({
  face,
  onTake,
}: Pick<PartEdge, 'face'> & { onTake: (change: Partial<PartEdge>) => void }) {
  const system = useSystem();
  const picker = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ readonly text: string; readonly bad: boolean } | null>(null);
  const read = async (file: File): Promise<void> => {
    const drawing = await drawingText(file);
    if ('refused' in drawing) {
      setSaid({ text: drawing.refused, bad: true });
      return;
    }
    const { contourFromDxf } = await import('@burl/contract/profile-file/contour-from-dxf');
    const result = contourFromDxf(drawing.text);
    if (!result.ok) {
      setSaid({ text: `${file.name}: ${result.error}. Nothing was changed.`, bad: true });
      return;
    }
    const { lengthMm, insideRadiusMm, contours, sharp } = result.contour;
    const corners = `${sharp} ${sharp === 1 ? 'inside corner' : 'inside corners'} without an arc: no tool goes into ${sharp === 1 ? 'it' : 'them'}, break by hand`;
    setSaid({
      text: `${file.name}: ${contours} ${contours === 1 ? 'contour' : 'contours'}, ${formatMeasure(lengthMm, 'mm', system)}${sharp > 0 ? `; ${corners}` : ''}.`,
      bad: sharp > 0,
    });
    onTake(face === 'near' ? { lengthMm, insideRadiusMm } : { lengthMm });
  };
  return (
    <div className="col-span-2 space-y-1">
      <Button onClick={() => picker.current?.click()}>
        <FileUp size={14} aria-hidden="true" /> Contour from DXF
      </Button>
      <FileInput refOf={picker} label="Contour file" accept=".dxf" onTake={(file) => void read(file)} />
      {said && (
        <p
          role={said.bad ? 'alert' : 'status'}
          className={`text-[13px] ${said.bad ? 'text-over' : 'text-soft'}`}
        >
          {said.text}
        </p>
      )}
    </div>
  );
}

/** The edge that is broken, rounded or engraved, and how the tool goes along it. */
export function EdgeCard(props: CardProps<EdgeMillingOperation>) {
  const { op, readOnly, onChange } = props;
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { edge, cut } = op;
  const set = (change: Partial<PartEdge>): void => onChange({ ...op, edge: { ...edge, ...change } });
  const setCut = (change: Partial<EdgeMillingOperation['cut']>): void =>
    onChange({ ...op, cut: { ...cut, ...change } });
  const size =
    edge.form === 'round'
      ? `R ${mm(edge.sizeMm)}`
      : edge.form === 'engraving'
        ? `${mm(edge.sizeMm)} wide`
        : `${mm(edge.sizeMm)} × ${edge.angleDeg}°`;
  const state =
    edge.leastMm !== null && edge.mostMm !== null
      ? [`ISO 13715: −${mm(edge.leastMm)} to −${mm(edge.mostMm)}`]
      : [];
  return (
    <>
      <Card
        title={edge.form === 'engraving' ? 'Engraving' : 'Edge'}
        label={`${size}, ${mm(edge.lengthMm)} long`}
        lines={[
          ...(edge.form === 'engraving' ? [] : [FACES[edge.face]]),
          `${cut.passes === 1 ? 'one pass' : `${cut.passes} passes`}, ${cut.direction}`,
          ...state,
        ]}
      >
        {() => (
          <Grid>
            <Choice
              label="What is made"
              value={edge.form}
              options={EDGE_FORMS}
              nameOf={(f) => FORMS[f]}
              readOnly={readOnly}
              onTake={(form) => set({ form, ...(form === 'chamfer' ? {} : { face: 'near' }) })}
            />
            {edge.form === 'chamfer' && (
              <Choice
                label="Which edge"
                value={edge.face}
                options={EDGE_FACES}
                nameOf={(f) => FACES[f]}
                readOnly={readOnly}
                onTake={(face) => set({ face, ...(face === 'far' ? { depthMm: edge.depthMm ?? 20 } : {}) })}
              />
            )}
            <NumberFields of={edge} fields={fieldsOf(edge)} readOnly={readOnly} onSet={set} />
            <NumberFields
              of={cut}
              fields={[
                { key: 'passes', label: 'Passes', unit: 'pieces' },
                { key: 'offTipMm', label: 'Clear of the tip', unit: 'mm', empty: 0 },
              ]}
              readOnly={readOnly}
              onSet={setCut}
            />
            <Choice
              label="Direction"
              value={cut.direction}
              options={DIRECTIONS}
              nameOf={(d) => d}
              readOnly={readOnly}
              onTake={(direction) => setCut({ direction })}
            />
            <CountFields op={op} readOnly={readOnly} onChange={onChange} />
            {!readOnly && <ContourFile face={edge.face} onTake={set} />}
          </Grid>
        )}
      </Card>
      <InLatheCard {...props} />
    </>
  );
}
