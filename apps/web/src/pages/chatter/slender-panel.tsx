import type { Crib } from '@burl/contract';
import { boringVerdict, drillVibration, formatMeasure, InputError, isDrill, madeOf } from '@burl/core';
import { useMemo, useState } from 'react';
import { Num } from '../../ui/form-parts.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { EntrySelect } from '../../ui/entry-select.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { offered, searchable } from '../../judging/offer.ts';
import { SearchSelect } from '../../ui/search-select.tsx';

/** Works something out, or says what is impossible. */
function tried<T>(work: () => T): { readonly value: T | null; readonly failed: string | null } {
  try {
    return { value: work(), failed: null };
  } catch (error) {
    if (error instanceof InputError) return { value: null, failed: error.message };
    throw error;
  }
}

function BoringBar({ crib }: { crib: Crib }) {
  const system = useSystem();
  const bars = offered(crib.cutters).filter((c) => c.document.type === 'boring_bar');
  const [bore, setBore] = useState({
    bar: bars[0]?.id ?? '',
    alloy: 'ti-6al-4v-annealed',
    overhangMm: 64,
    boreDiameterMm: 30,
    cuttingSpeedMMin: 60,
    feedMmRev: 0.1,
  });
  const bored = useMemo(() => {
    const bar = crib.cutters.find((c) => c.id === bore.bar)?.document;
    const alloy = crib.alloys.find((a) => a.id === bore.alloy)?.document;
    return bar && alloy ? tried(() => boringVerdict({ ...bore, bar, alloy })) : null;
  }, [bore, crib]);
  const b = bored?.value;
  const hz = (v: number): string => formatMeasure(v, 'Hz', system);
  return (
    <section aria-label="Boring bar" className="space-y-2 rounded-lg border border-line bg-card p-3">
      <h2>Boring bar</h2>
      <EntrySelect label="Bar" value={bore.bar} list={bars} onTake={(bar) => setBore({ ...bore, bar })} />
      <EntrySelect
        label="Alloy"
        value={bore.alloy}
        list={crib.alloys}
        onTake={(alloy) => setBore({ ...bore, alloy })}
      />
      <div className="grid grid-cols-2 gap-2">
        <Num
          label="Overhang"
          unit="mm"
          value={bore.overhangMm}
          readOnly={false}
          onTake={(v) => v && setBore({ ...bore, overhangMm: v })}
        />
        <Num
          label="Bore"
          unit="mm"
          value={bore.boreDiameterMm}
          readOnly={false}
          onTake={(v) => v && setBore({ ...bore, boreDiameterMm: v })}
        />
        <Num
          label="Cutting speed"
          unit="m/min"
          value={bore.cuttingSpeedMMin}
          readOnly={false}
          onTake={(v) => v && setBore({ ...bore, cuttingSpeedMMin: v })}
        />
        <Num
          label="Feed"
          unit="mm/rev"
          value={bore.feedMmRev}
          readOnly={false}
          onTake={(v) => v && setBore({ ...bore, feedMmRev: v })}
        />
      </div>
      <FormError message={bored?.failed ?? null} />
      {b && (
        <div className="space-y-1">
          <p className="text-[16px] font-semibold" role="status">
            {b.limitMm === Infinity
              ? `No depth chatters at ${formatMeasure(b.rpm, 'rpm', system)}.`
              : `From ${formatMeasure(b.limitMm, 'mm', system)} deep it chatters near ${hz(b.hz)}.`}
          </p>
          <p className="text-[13px]">
            {b.ratio.toFixed(1)} ×D overhang; the bar is made for {b.mostRatio}. It bends at {hz(b.mode.hz)},{' '}
            {formatMeasure(b.mode.stiffness / 1e6, 'N/um', system)}, damping{' '}
            {(100 * b.mode.damping).toFixed(1)}%. Under {formatMeasure(b.unconditionalMMin, 'm/min', system)}{' '}
            the edge’s land damps every depth.
          </p>
          <p className="text-[13px] text-soft">
            On the nose the force turns across the bar, so a shallow cut may sing where a deeper one is calm:
            a depth of the nose radius or more, or a smaller nose, helps. Typical values, nobody has measured
            this bar: unproven.
          </p>
        </div>
      )}
    </section>
  );
}

function SlenderDrill({ crib }: { crib: Crib }) {
  const system = useSystem();
  const drills = useMemo(() => searchable(offered(crib.cutters).filter((c) => isDrill(c.document))), [crib]);
  const [drill, setDrill] = useState({ id: drills[0]?.id ?? '', stickOutMm: 60, rpm: 2000 });
  const drilled = useMemo(() => {
    const cutter = crib.cutters.find((c) => c.id === drill.id)?.document;
    const made = cutter && madeOf(cutter, crib.materials);
    return made ? tried(() => drillVibration(cutter, made.substrate, drill.stickOutMm, drill.rpm)) : null;
  }, [drill, crib]);
  const d = drilled?.value;
  const hz = (v: number): string => formatMeasure(v, 'Hz', system);
  return (
    <section aria-label="Slender drill" className="space-y-2 rounded-lg border border-line bg-card p-3">
      <h2>Slender drill</h2>
      <SearchSelect
        label="Drill"
        what="drill"
        rows={4}
        value={drill.id}
        list={drills}
        onTake={(id) => setDrill({ ...drill, id })}
      />
      <div className="grid grid-cols-2 gap-2">
        <Num
          label="Stick-out"
          unit="mm"
          value={drill.stickOutMm}
          readOnly={false}
          onTake={(v) => v && setDrill({ ...drill, stickOutMm: v })}
        />
        <Num
          label="Speed"
          unit="rpm"
          value={drill.rpm}
          readOnly={false}
          onTake={(v) => v && setDrill({ ...drill, rpm: v })}
        />
      </div>
      <FormError message={drilled?.failed ?? null} />
      {d && (
        <div className="space-y-1 text-[13.5px]">
          <p>
            Bends at {hz(d.bendingFreeHz)} with its point free, at {hz(d.bendingHeldHz)} once the hole holds
            it; twists at {hz(d.torsionHz)}.
          </p>
          <p>
            Lobed holes at the start near{' '}
            {d.whirlRpm.map((w) => `${formatMeasure(w.rpm, 'rpm', system)} (${w.lobes} lobes)`).join(' and ')}
            : keep off, spot or pilot, or start at half the speed.
          </p>
          <p>
            Twisting lengthens and shortens the drill: {d.torsionWaves.toFixed(0)} waves lie on the bottom
            between two lips.{' '}
            {d.torsionWaves > 8
              ? 'So many that another speed hardly matters; more feed and a shorter drill do.'
              : 'Few enough that a change of speed can matter.'}
          </p>
        </div>
      )}
    </section>
  );
}

/** Boring bars and slender drills: by typical values, as the literature has them. */
export const SlenderPanel = ({ crib }: { crib: Crib }) => (
  <div className="grid grid-cols-1 gap-3 lg:grid-cols-2">
    <BoringBar crib={crib} />
    <SlenderDrill crib={crib} />
  </div>
);
