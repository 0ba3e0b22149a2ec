import { type HoleDemand, type HolePattern, THREAD_SERIES } from '@burl/core';
import { Choice, Grid, Num } from '../bench/form-parts.tsx';
import { SurfaceFields } from '../bench/surface-fields.tsx';
import { Field, FIELD_LOOK } from '../parts/field.tsx';

/** The pattern of another kind with as much kept as can be. */
export function asPattern(kind: HolePattern['kind'], now: HolePattern): HolePattern {
  const count = now.kind === 'single' ? 4 : now.kind === 'grid' ? now.columns * now.rows : now.count;
  switch (kind) {
    case 'single':
      return { kind };
    case 'row':
      return { kind, count, pitchMm: 30 };
    case 'circle':
      return { kind, count, diameterMm: 100 };
    case 'grid':
      return { kind, columns: count, rows: 2, columnPitchMm: 30, rowPitchMm: 30 };
    case 'scattered':
      return { kind, count, betweenMm: 60 };
  }
}

/** What the drawing and the part ask of one kind of hole. */
export function DemandForm({
  demand,
  readOnly,
  onChange,
}: {
  demand: HoleDemand;
  readOnly: boolean;
  onChange: (next: HoleDemand) => void;
}) {
  const set = (change: Partial<HoleDemand>) => onChange({ ...demand, ...change });
  const pattern = demand.pattern;
  const lie = (change: object) => set({ pattern: { ...pattern, ...change } as HolePattern });
  const whole = (label: string, key: string, value: number) => (
    <Num
      label={label}
      value={value}
      unit="pieces"
      readOnly={readOnly}
      onTake={(v) => v && lie({ [key]: Math.max(1, Math.round(v)) })}
    />
  );
  const apart = (label: string, key: string, value: number) => (
    <Num label={label} value={value} unit="mm" readOnly={readOnly} onTake={(v) => v && lie({ [key]: v })} />
  );
  return (
    <Grid>
      <div className="col-span-2">
        <Field label="Name">
          {(p) => (
            <input
              {...p}
              key={demand.name}
              defaultValue={demand.name}
              readOnly={readOnly}
              onBlur={(e) => {
                const name = e.target.value.trim();
                if (name && name !== demand.name) set({ name });
              }}
              className={FIELD_LOOK}
            />
          )}
        </Field>
      </div>
      <div className="col-span-2">
        <Field label="Thread">
          {(p) => (
            <select
              {...p}
              disabled={readOnly}
              value={demand.thread ?? ''}
              onChange={(e) =>
                set({ thread: e.target.value || null, grade: e.target.value ? null : demand.grade })
              }
              className={FIELD_LOOK}
            >
              <option value="">none, a plain hole</option>
              {THREAD_SERIES.map((s) => (
                <optgroup key={s.id} label={`${s.name}, ${s.standard}`}>
                  {s.threads.map((t) => (
                    <option key={t.designation} value={t.designation}>
                      {t.designation}
                    </option>
                  ))}
                </optgroup>
              ))}
            </select>
          )}
        </Field>
      </div>
      {demand.thread === null && (
        <Num
          label="Diameter"
          value={demand.diameterMm}
          unit="mm"
          readOnly={readOnly}
          onTake={(v) => v && set({ diameterMm: v })}
        />
      )}
      <Num
        label={demand.thread === null ? 'Depth' : 'Depth of full thread'}
        value={demand.depthMm}
        unit="mm"
        readOnly={readOnly}
        onTake={(v) => v && set({ depthMm: v })}
      />
      {demand.thread !== null && !demand.through && (
        <Num
          label="Drilled no deeper than"
          value={demand.drilledDepthMm}
          unit="mm"
          empty
          readOnly={readOnly}
          onTake={(v) => set({ drilledDepthMm: v })}
          hint="empty: as the tool needs"
        />
      )}
      <Choice
        label="Bottom"
        value={demand.through ? 'through' : 'blind'}
        options={['blind', 'through']}
        readOnly={readOnly}
        onTake={(v) => set({ through: v === 'through' })}
      />
      {demand.thread === null && (
        <>
          <Num
            label="Tolerance grade, IT"
            value={demand.grade}
            unit="pieces"
            empty
            readOnly={readOnly}
            onTake={(v) => set({ grade: v === null ? null : Math.round(v) })}
            hint="empty: not asked"
          />
          <Num
            label="Roughness, Ra"
            value={demand.raUm}
            unit="um-fine"
            empty
            readOnly={readOnly}
            onTake={(v) => set({ raUm: v })}
            hint="empty: not asked"
          />
        </>
      )}
      <Num
        label="Chamfer"
        value={demand.chamferMm}
        unit="mm"
        empty
        readOnly={readOnly}
        onTake={(v) => set({ chamferMm: v ?? 0 })}
      />
      <SurfaceFields hole={demand} readOnly={readOnly} onChange={set} />
      <Choice
        label="They lie"
        value={pattern.kind}
        options={['single', 'row', 'circle', 'grid', 'scattered']}
        readOnly={readOnly}
        onTake={(kind) => set({ pattern: asPattern(kind, pattern) })}
      />
      {pattern.kind === 'grid' ? (
        <>
          {whole('Columns', 'columns', pattern.columns)}
          {whole('Rows', 'rows', pattern.rows)}
          {apart('Between columns', 'columnPitchMm', pattern.columnPitchMm)}
          {apart('Between rows', 'rowPitchMm', pattern.rowPitchMm)}
        </>
      ) : (
        pattern.kind !== 'single' && whole('How many', 'count', pattern.count)
      )}
      {pattern.kind === 'row' && apart('Pitch', 'pitchMm', pattern.pitchMm)}
      {pattern.kind === 'circle' && apart('Circle’s diameter', 'diameterMm', pattern.diameterMm)}
      {pattern.kind === 'scattered' && apart('Way between', 'betweenMm', pattern.betweenMm)}
      <div className="col-span-2">
        <Num
          label="What the part is worth when they are made"
          value={demand.partValue}
          unit="money"
          empty
          readOnly={readOnly}
          onTake={(v) => set({ partValue: v })}
          hint="empty: a usual value is assumed"
        />
      </div>
    </Grid>
  );
}
