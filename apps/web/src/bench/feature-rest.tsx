import type { MillingOperation } from '@burl/core';
import { Choice, type FormProps, Num } from './form-parts.tsx';

/** What not every feature has: island, stock around a boss, open floor, slope, and the surface that is asked for. */
export function FeatureRest({ op, readOnly, onChange }: FormProps<MillingOperation>) {
  const { feature } = op;
  const set = (change: Partial<MillingOperation['feature']>) =>
    onChange({ ...op, feature: { ...feature, ...change } });
  return (
    <>
      {feature.kind === 'boss' && (
        <Num
          label="Stock on each side"
          value={feature.stockMm}
          unit="mm"
          readOnly={readOnly}
          onTake={(v) => v && set({ stockMm: v })}
        />
      )}
      {feature.kind === 'pocket' && (
        <>
          <Num
            label="Island, length"
            value={feature.island?.lengthMm ?? null}
            unit="mm"
            empty
            readOnly={readOnly}
            onTake={(v) =>
              set({ island: v === null ? null : { lengthMm: v, widthMm: feature.island?.widthMm ?? v } })
            }
            hint="empty: none"
          />
          {feature.island && (
            <Num
              label="Island, width"
              value={feature.island.widthMm}
              unit="mm"
              readOnly={readOnly}
              onTake={(v) => v && set({ island: { lengthMm: feature.island!.lengthMm, widthMm: v } })}
            />
          )}
        </>
      )}
      <Choice
        label="Floor"
        value={feature.through ? 'open below' : 'closed'}
        options={['closed', 'open below']}
        readOnly={readOnly}
        onTake={(v) => set({ through: v === 'open below' })}
      />
      <Num
        label="Slope of the surface"
        value={feature.slopeDeg}
        unit="deg"
        readOnly={readOnly}
        onTake={(v) => v !== null && set({ slopeDeg: v })}
        hint="90 is a vertical wall"
      />
      <Num
        label="Roughness asked, Ra"
        value={feature.raUm}
        unit="um-fine"
        empty
        readOnly={readOnly}
        onTake={(raUm) => set({ raUm })}
        hint="empty: none asked"
      />
      <Num
        label="Ridges allowed"
        value={feature.scallopMm}
        unit="mm-fine"
        empty
        readOnly={readOnly}
        onTake={(scallopMm) => set({ scallopMm })}
        hint="empty: none asked"
      />
    </>
  );
}
