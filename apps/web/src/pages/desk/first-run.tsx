import { GraduationCap, X } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { TOURS } from '../../frame/tours/tours.ts';
import { useTour } from '../../frame/tours/use-tours.ts';
import { Button } from '../../ui/button.tsx';

const HIDDEN = 'burl.first-run.hidden';

/** For somebody who sees the desk for the first time: three tours and a question to try; put away once and for all. */
export function FirstRun() {
  const [hidden, setHidden] = useState(() => localStorage.getItem(HIDDEN) === 'yes');
  const start = useTour();
  if (hidden) return null;
  return (
    <section
      aria-label="First steps"
      className="mb-4 flex flex-wrap items-center gap-x-3 gap-y-2 rounded-xl border border-line bg-card px-3 py-2"
    >
      <h2 className="flex items-center gap-2">
        <GraduationCap size={17} aria-hidden="true" /> New here?
      </h2>
      {TOURS.map((t) => (
        <Button key={t.id} onClick={() => void start(t)}>
          {t.name} <span className="font-normal text-soft">{t.steps.length} steps</span>
        </Button>
      ))}
      <Link to="/help/desk" className="font-semibold underline underline-offset-2 touch:py-3">
        Help
      </Link>
      <span className="flex-1" />
      <Button
        look="quiet"
        aria-label="Hide first steps"
        onClick={() => {
          localStorage.setItem(HIDDEN, 'yes');
          setHidden(true);
        }}
      >
        <X size={15} aria-hidden="true" />
      </Button>
    </section>
  );
}
