import type { Stock } from '@burl/contract';
import { Minus, Plus } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { ApiError, messageOf } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { Num } from '../../ui/form-parts.tsx';
import { edgesOf, putOnShelf, readAgain, uncounted } from './save-entry.ts';

/** What lies on the shelf of a cutter: taken, put back, counted. Every job that names it is judged by that. */
export function ShelfCard({
  cutterId,
  stock,
  edit,
}: {
  cutterId: string;
  stock: Stock | undefined;
  edit: boolean;
}) {
  // What was saved here is known before the crib is read again: a quick hand takes two, one after the other.
  const [saved, setSaved] = useState<Stock | null>(null);
  const read = stock ?? uncounted(cutterId);
  const known = saved && saved.version > read.version ? saved : read;
  const latest = useRef(known);
  useEffect(() => {
    latest.current = known;
  }, [known]);
  const before = useRef(Promise.resolve());
  /** While it is typed; else what is known, which somebody else may change. */
  const [typed, setTyped] = useState<string | null>(null);
  const place = typed ?? known.place;

  type Change = Partial<Pick<Stock, 'edges' | 'place' | 'price'>>;
  function put(change: Change | ((now: Stock) => Change), why?: string): Promise<void> {
    return (before.current = before.current.then(async () => {
      const now = latest.current;
      try {
        const kept = await putOnShelf(now, typeof change === 'function' ? change(now) : change, why);
        latest.current = kept;
        setSaved(kept);
      } catch (error) {
        toast.error(
          error instanceof ApiError && error.status === 409
            ? 'Somebody counted this shelf a moment ago. Look again, then take or count.'
            : messageOf(error),
        );
      }
      void readAgain('cutters', cutterId);
    }));
  }

  return (
    <section aria-label="On the shelf" className="mb-3 rounded-md border border-line bg-paper p-2">
      <div className="flex flex-wrap items-end gap-3">
        <div className="flex items-end gap-1">
          <Button
            aria-label="Take one edge"
            disabled={!edit || known.edges < 1}
            onClick={() => void put((now) => ({ edges: Math.max(0, now.edges - 1) }), 'taken from the shelf')}
          >
            <Minus size={14} aria-hidden="true" />
          </Button>
          <div className="w-28">
            <Num
              label="Edges in stock"
              value={stock || saved ? known.edges : null}
              unit="pieces"
              readOnly={!edit}
              onTake={(v) => v !== null && void put({ edges: edgesOf(v) }, 'counted')}
            />
          </div>
          <Button
            aria-label="Put one edge back"
            disabled={!edit}
            onClick={() => void put((now) => ({ edges: now.edges + 1 }), 'put on the shelf')}
          >
            <Plus size={14} aria-hidden="true" />
          </Button>
        </div>
        <div className="min-w-48 flex-1">
          <Field label="Place">
            {(p) => (
              <input
                {...p}
                value={place}
                readOnly={!edit}
                maxLength={80}
                onChange={(e) => setTyped(e.target.value)}
                onBlur={() => {
                  if (place !== known.place) void put({ place }).then(() => setTyped(null));
                  else setTyped(null);
                }}
                onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
                className={FIELD_LOOK}
              />
            )}
          </Field>
        </div>
        <div className="w-32">
          <Num
            label="Price of an edge"
            value={known.price}
            unit="money"
            empty
            readOnly={!edit}
            onTake={(price) => put({ price })}
          />
        </div>
      </div>
      {!stock && <p className="mt-1 text-[12.5px] text-soft">Not counted yet: jobs assume nothing.</p>}
    </section>
  );
}
