import { type Finding, speak } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';

/** Shape, word and colour of how bad a finding is. */
const LOOKS: Readonly<Record<Finding['gravity'], readonly [sign: string, word: string, colour: string]>> = {
  stop: ['■', 'Stop', 'text-over'],
  fault: ['◆', 'Fault', 'text-over'],
  look: ['▲', 'Look', 'text-tight'],
  note: ['·', 'Note', 'text-soft'],
};

/** What was found, worst first; each takes text and picture to its place. */
export function FindingsList({
  findings,
  line,
  onTake,
}: {
  findings: readonly Finding[];
  line: number;
  onTake: (finding: Finding) => void;
}) {
  const system = useSystem();
  if (findings.length === 0) return <p className="p-3 text-soft">Nothing found.</p>;
  return (
    <ol className="divide-y divide-line">
      {findings.map((f) => {
        const [sign, word, colour] = LOOKS[f.gravity];
        const here = f.lines.includes(line);
        return (
          <li key={`${f.rule} ${f.title} ${f.line}`}>
            <button
              type="button"
              aria-current={here ? 'true' : undefined}
              onClick={() => onTake(f)}
              className={`block w-full px-3 py-2 text-left hover:bg-accent-soft ${here ? 'bg-accent-soft' : ''}`}
            >
              <span className="flex items-baseline justify-between gap-2">
                <span className={`font-semibold ${colour}`}>
                  <span aria-hidden="true">{sign}</span> {word}
                </span>
                <span className="text-[12.5px] text-soft tabular-nums">
                  line {f.line}
                  {f.count > 1 ? ` +${f.count - 1}` : ''}
                </span>
              </span>
              <span className="block font-semibold">{f.title}</span>
              <span className="block text-[13px]">{speak(f.what, system)}</span>
              <span className="block text-[13px] text-soft">{speak(f.remedy, system)}</span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}
