import { hasEnded, kaplanMeier, toShown, UNITS } from '@burl/core';
import type { TrialQuestion } from '@burl/contract';
import { useMemo } from 'react';
import { useTrials } from '../../api/hooks.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { type Curve, Plot } from '../../charts/plot.tsx';
import { Loading } from '../../ui/page-states.tsx';

/** Trials a picture is drawn of at the most: the newest. */
const MOST_DRAWN = 2000;

const marks = (
  points: readonly { readonly x: number; readonly y: number; readonly ended: boolean }[],
): Curve[] => [
  {
    label: 'ended',
    points: points.filter((p) => p.ended),
    colour: 'accent',
    mark: 'circle',
    size: 4,
  },
  {
    label: 'still good when last seen',
    points: points.filter((p) => !p.ended),
    colour: 'tight',
    mark: 'triangle',
    size: 5,
    inside: 'card',
  },
];

const rangeOf = (values: readonly number[]): readonly [number, number] => {
  const low = Math.min(...values);
  const high = Math.max(...values);
  return [low * 0.8, high * 1.25];
};

const equality = (values: readonly number[]): Curve => {
  const [low, high] = rangeOf(values);
  return {
    label: 'as expected',
    points: [
      { x: low, y: low },
      { x: high, y: high },
    ],
    colour: 'soft',
    dash: [5, 4],
    width: 1.5,
  };
};

function Picture({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <figure className="rounded-xl border border-line bg-card p-3">
      <figcaption className="mb-1 font-semibold">{title}</figcaption>
      <div className="h-72">{children}</div>
    </figure>
  );
}

/** What the trials tell at a glance: life against speed, measured against expected, survival, load. */
export function TrialPlots({ question }: { question: TrialQuestion }) {
  const asked = useMemo(() => ({ ...question, most: MOST_DRAWN }), [question]);
  const system = useSystem();
  const { data } = useTrials(asked);
  const trials = data?.trials;
  const drawn = useMemo(() => {
    if (!trials) return null;
    const life = trials.map((t) => ({
      x: toShown(t.cuttingSpeedMMin, 'm/min', system),
      y: t.minutes,
      ended: hasEnded(t.ending),
    }));
    const against = trials.flatMap((t) =>
      t.expectedLife === null ? [] : [{ x: t.expectedLife, y: t.minutes, ended: hasEnded(t.ending) }],
    );
    const load = trials.flatMap((t) =>
      t.loadPercent === null || t.expectedLoad === null ? [] : [{ x: t.expectedLoad, y: t.loadPercent }],
    );
    const steps = kaplanMeier(
      trials.flatMap((t) =>
        t.expectedLife === null ? [] : [{ life: t.minutes / t.expectedLife, ended: hasEnded(t.ending) }],
      ),
    );
    const survival: Curve = {
      label: 'share of edges still good',
      points: steps.map((s) => ({ x: s.life, y: 100 * s.alive })),
      colour: 'accent',
      stepped: true,
    };
    return { life, against, load, survival };
  }, [trials, system]);
  if (!drawn) return <Loading what="the trials" />;
  if (drawn.life.length === 0) return <p className="text-soft">No trial matches. Widen the filter.</p>;
  const { life, against, load, survival } = drawn;
  const lives = against.flatMap((p) => [p.x, p.y]);
  const loads = load.flatMap((p) => [p.x, p.y]);
  return (
    <div className="grid grid-cols-1 gap-3 lg:grid-cols-2">
      <Picture title="Edge life against cutting speed">
        <Plot
          text={`Minutes of cutting against cutting speed of ${life.length} edges`}
          curves={marks(life)}
          x={`cutting speed, ${UNITS['m/min'][system].label}`}
          y="life, min"
          log
          xLog
        />
      </Picture>
      <Picture title="Life, measured against expected">
        {against.length > 0 ? (
          <Plot
            text={`Measured against expected life of ${against.length} edges; on the line both are equal`}
            curves={[...marks(against), equality(lives)]}
            x="life the library expects, min"
            y="life, min"
            log
            xLog
          />
        ) : (
          <p className="text-soft">No life was expected of these edges.</p>
        )}
      </Picture>
      <Picture title="Survival over the life expected">
        <Plot
          text="Share of edges still good over minutes run as a multiple of the life expected"
          curves={[survival]}
          x="minutes run / life expected"
          y="still good, %"
          yRange={[0, 100]}
          legend="none"
        />
      </Picture>
      <Picture title="Load meter, read against expected">
        {load.length > 0 ? (
          <Plot
            text={`Load meter read against expected in ${load.length} cuts; on the line both are equal`}
            curves={[
              { label: 'read', points: load, colour: 'accent', mark: 'circle', size: 4 },
              equality(loads),
            ]}
            x="load expected, %"
            y="load read, %"
          />
        ) : (
          <p className="text-soft">No load meter was read in these cuts.</p>
        )}
      </Picture>
    </div>
  );
}
