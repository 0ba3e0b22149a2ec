import type { Hole } from '@burl/core';
import { Choice, Num } from './form-parts.tsx';

type Surfaces = Pick<
  Hole,
  'entryAngleDeg' | 'entrySurface' | 'exitAngleDeg' | 'crossHoles' | 'straightnessMm'
>;

/** What a hole enters, crosses and leaves, and how straight it is asked to be. */
export function SurfaceFields({
  hole,
  readOnly,
  onChange,
}: {
  hole: Surfaces;
  readOnly: boolean;
  onChange: (change: Partial<Surfaces>) => void;
}) {
  return (
    <>
      <Num
        label="Axis may run off"
        value={hole.straightnessMm}
        unit="mm"
        empty
        readOnly={readOnly}
        onTake={(v) => onChange({ straightnessMm: v })}
        hint="empty: not asked"
      />
      <Choice
        label="Face it enters"
        value={hole.entrySurface}
        options={['flat', 'curved']}
        readOnly={readOnly}
        onTake={(entrySurface) => onChange({ entrySurface })}
      />
      <Num
        label="Slope where it enters"
        value={hole.entryAngleDeg}
        unit="deg"
        empty
        readOnly={readOnly}
        onTake={(v) => onChange({ entryAngleDeg: v ?? 0 })}
      />
      <Num
        label="Slope where it leaves"
        value={hole.exitAngleDeg}
        unit="deg"
        empty
        readOnly={readOnly}
        onTake={(v) => onChange({ exitAngleDeg: v ?? 0 })}
      />
      <Num
        label="Cross holes on the way"
        value={hole.crossHoles}
        unit="pieces"
        empty
        readOnly={readOnly}
        onTake={(v) => onChange({ crossHoles: Math.round(v ?? 0) })}
      />
    </>
  );
}
