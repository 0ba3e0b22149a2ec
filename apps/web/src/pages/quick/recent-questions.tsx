import type { Recent } from './recent.ts';

/** Questions people ask first; each is a link. */
const SAMPLES: readonly Recent[] = [
  { label: 'Pocket in grade 5 titanium', search: 'alloy=ti-6al-4v-annealed&want=pocket' },
  { label: '8.5 mm hole, 40 deep, in 316L', search: 'alloy=316l&want=hole&diameter=8.5&depth=40' },
  { label: 'Slot in hardened D2', search: 'alloy=d2-60hrc&want=slot&width=8&depth=4' },
  { label: 'Face 4340 at 38 HRC', search: 'alloy=4340-38hrc&want=face' },
];

/** Questions asked before in this browser, or some to begin with. */
export function RecentQuestions({
  recent,
  onAsk,
}: {
  recent: readonly Recent[];
  onAsk: (search: string) => void;
}) {
  return (
    <section aria-label="Recent questions" className="rounded-lg border border-line bg-card p-3">
      <h2 className="mb-1">{recent.length > 0 ? 'Recent questions' : 'Questions to try'}</h2>
      <ul className="space-y-1 text-[13px]">
        {(recent.length > 0 ? recent : SAMPLES).map((r) => (
          <li key={r.search}>
            <button
              type="button"
              onClick={() => onAsk(r.search)}
              className="min-h-6 rounded text-left text-accent underline underline-offset-2 touch:min-h-11"
            >
              {r.label}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
