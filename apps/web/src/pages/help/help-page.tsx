import { NavLink, useParams } from 'react-router';
import { Crumbs } from '../../frame/crumbs.tsx';
import { HELP } from '../../frame/help/places.ts';
import { TOURS } from '../../frame/tours/tours.ts';
import { useTour } from '../../frame/tours/use-tours.ts';
import { Button } from '../../ui/button.tsx';

/** Help: one page a place, and the tours. */
export default function HelpPage() {
  const { place } = useParams();
  const start = useTour();
  const help = HELP.find((h) => h.id === place) ?? HELP[0]!;
  return (
    <div className="mx-auto grid max-w-[1100px] grid-cols-[200px_minmax(0,1fr)] gap-5 p-4 max-[700px]:grid-cols-1">
      <Crumbs trail={[{ label: `Help: ${help.name}` }]} />
      <nav
        aria-label="Help by place"
        className="flex flex-col gap-0.5 max-[700px]:flex-row max-[700px]:flex-wrap"
      >
        {HELP.map((h) => (
          <NavLink
            key={h.id}
            to={`/help/${h.id}`}
            className={`inline-flex items-center rounded px-2 py-1 touch:min-h-11 ${h === help ? 'bg-accent-soft font-semibold' : 'hover:bg-accent-soft'}`}
          >
            {h.name}
          </NavLink>
        ))}
      </nav>
      <article className="space-y-4 text-[15px]">
        <header>
          <h1 className="text-xl">{help.name}</h1>
          <p className="mt-1">{help.purpose}</p>
        </header>
        <section aria-label="What to do">
          <h2 className="mb-1">What to do</h2>
          <ol className="list-outside list-decimal space-y-1 pl-5">
            {help.first.map((f) => (
              <li key={f}>{f}</li>
            ))}
          </ol>
        </section>
        <section aria-label="Words">
          <h2 className="mb-1">Words</h2>
          <dl className="grid grid-cols-[140px_minmax(0,1fr)] gap-x-3 gap-y-1">
            {help.words.map(([word, meaning]) => (
              <div key={word} className="contents">
                <dt className="font-semibold">{word}</dt>
                <dd>{meaning}</dd>
              </div>
            ))}
          </dl>
        </section>
        {help.keys.length > 0 && (
          <section aria-label="Keys">
            <h2 className="mb-1">Keys</h2>
            <dl className="grid grid-cols-[140px_minmax(0,1fr)] gap-x-3 gap-y-1">
              {help.keys.map(([keys, does]) => (
                <div key={keys} className="contents">
                  <dt>
                    <kbd className="font-mono">{keys}</kbd>
                  </dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        )}
        <section aria-label="Tours">
          <h2 className="mb-1">Tours</h2>
          <div className="flex flex-wrap gap-2">
            {TOURS.map((t) => (
              <Button key={t.id} onClick={() => void start(t)}>
                {t.name} <span className="font-normal text-soft">{t.steps.length} steps</span>
              </Button>
            ))}
          </div>
        </section>
        <p className="text-soft">
          Burl advises. The machine’s manual, the site’s rules, local law and a qualified person decide.
        </p>
      </article>
    </div>
  );
}
