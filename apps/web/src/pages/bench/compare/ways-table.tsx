import {
  formatMeasure,
  limitOf,
  type Operation,
  speak,
  type Way,
  type WaysVerdict,
  capital,
} from '@burl/core';
import type { ReactNode } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { Button } from '../../../ui/button.tsx';
import { StateWord } from '../../../ui/state-mark.tsx';

/** Numbers compared, in their order; a way that has none leaves its cell empty. */
const LINES: readonly (readonly [key: string, name: string])[] = [
  ['vc', 'Cutting speed'],
  ['n', 'Spindle speed'],
  ['fn', 'Feed per revolution'],
  ['fz', 'Feed per tooth'],
  ['vf', 'Table feed'],
  ['ap', 'Depth'],
  ['ae', 'Radial depth'],
  ['passes', 'Passes'],
  ['plunges', 'Plunges or layers'],
  ['Fc', 'Cutting force'],
  ['Fp', 'Passive force'],
  ['F', 'Peak radial force'],
  ['lean', 'Deflection at tip'],
  ['P', 'Spindle power'],
  ['size', 'Size along the cut'],
  ['Ra', 'Roughness'],
  ['T', 'Tool life'],
];

/** What a way is best at, in a few words. */
const wins = (verdict: WaysVerdict, id: string): string[] => [
  ...(verdict.quickest === id ? ['shortest'] : []),
  ...(verdict.cheapest === id ? ['cheapest'] : []),
  ...(verdict.calmest === id ? ['lowest force'] : []),
];

/** One line of the table. */
const Row = ({ name, ways, of }: { name: string; ways: readonly Way[]; of: (way: Way) => ReactNode }) => (
  <tr className="border-t border-line align-top">
    <th scope="row" className="p-1.5 text-left font-normal text-soft">
      {name}
    </th>
    {ways.map((w) => (
      <td key={w.id} className="border-l border-line p-1.5">
        {of(w)}
      </td>
    ))}
  </tr>
);

/** Head of a column: its name, its state, what it is best at, and what can be done with it. */
const Head = <O extends Operation>({
  way,
  best,
  disabled,
  onTake,
  onKeep,
}: {
  way: Way<O>;
  best: readonly string[];
  disabled: boolean;
  onTake: (next: O) => void;
  onKeep: (next: O) => void;
}) => (
  <th scope="col" className="border-l border-line p-2 text-left font-normal">
    <b>{way.name}</b>
    <span className="block">
      <StateWord state={way.evaluation.state} />
    </span>
    {best.map((word) => (
      <span
        key={word}
        className="mr-1 inline-block rounded bg-accent-soft px-1.5 text-[12.5px] font-semibold"
      >
        {word}
      </span>
    ))}
    <span className="mt-1.5 flex flex-wrap gap-1.5">
      <Button look="main" disabled={disabled} aria-label={`Use: ${way.name}`} onClick={() => onTake(way.op)}>
        Use
      </Button>
      <Button
        disabled={disabled}
        aria-label={`Keep as a variant: ${way.name}`}
        onClick={() => onKeep(way.op)}
      >
        Keep
      </Button>
    </span>
  </th>
);

/** Ways to make the same side by side, line by line. */
export function WaysTable<O extends Operation>({
  ways,
  about,
  verdict,
  disabled,
  onTake,
  onKeep,
}: {
  ways: readonly Way<O>[];
  about: string;
  verdict: WaysVerdict;
  disabled: boolean;
  onTake: (next: O) => void;
  onKeep: (next: O) => void;
}) {
  const system = useSystem();
  const numberOf = (w: Way, key: string) => w.evaluation.numbers.find((n) => n.key === key);
  // What depth and width are called is the mill's matter: over a surface they are stock and step.
  const named = (key: string, name: string): string => {
    const own = ways[0]?.op.kind === 'milling' ? numberOf(ways[0], key)?.name : undefined;
    return own ? capital(own) : name;
  };
  const lines = LINES.filter(([key]) => ways.some((w) => numberOf(w, key)));
  return (
    <div
      className="overflow-x-auto rounded-lg border border-line bg-card"
      tabIndex={0}
      role="region"
      aria-label="Ways side by side"
    >
      <table className="w-full min-w-[760px] border-collapse text-[13.5px]">
        <thead>
          <tr className="align-top">
            <td className="p-2 text-soft">{about}</td>
            {ways.map((w) => (
              <Head
                key={w.id}
                way={w}
                best={wins(verdict, w.id)}
                disabled={disabled}
                onTake={onTake}
                onKeep={onKeep}
              />
            ))}
          </tr>
        </thead>
        <tbody>
          <Row
            name="Minutes with edge changes"
            ways={ways}
            of={(w) => <b>{formatMeasure(w.minutes, 'min', system)}</b>}
          />
          <Row name="Cost per feature" ways={ways} of={(w) => formatMeasure(w.cost, 'money', system)} />
          {lines.map(([key, name]) => (
            <Row
              key={key}
              name={named(key, name)}
              ways={ways}
              of={(w) => {
                const n = numberOf(w, key);
                return n ? formatMeasure(n.value, n.unit, system) : '';
              }}
            />
          ))}
          {ways.some((w) => w.mind) && (
            <Row name="Mind" ways={ways} of={(w) => w.mind && speak(w.mind, system)} />
          )}
          <Row
            name="Governed by"
            ways={ways}
            of={(w) => limitOf(w.evaluation, w.evaluation.governing).name}
          />
        </tbody>
      </table>
    </div>
  );
}
