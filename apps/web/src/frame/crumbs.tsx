import { Fragment, useEffect } from 'react';
import { createPortal } from 'react-dom';
import { Link } from 'react-router';

/** Where one is, written into the frame's header. The page's title follows. */
export function Crumbs({ trail }: { trail: readonly { readonly label: string; readonly to?: string }[] }) {
  // The frame is there before any page is.
  const place = document.getElementById('crumbs');
  const last = trail.at(-1)?.label ?? '';
  useEffect(() => {
    document.title = last ? `${last} · Burl` : 'Burl';
  }, [last]);
  if (!place) return null;
  return createPortal(
    <nav aria-label="Where this is" className="flex items-center gap-1.5 truncate">
      {trail.map((t, i) => (
        <Fragment key={t.label}>
          <span aria-hidden="true" className="text-soft">
            /
          </span>
          {t.to && i < trail.length - 1 ? (
            <Link to={t.to} className="truncate text-soft hover:text-ink hover:underline">
              {t.label}
            </Link>
          ) : (
            <span className="truncate font-semibold" aria-current="page">
              {t.label}
            </span>
          )}
        </Fragment>
      ))}
    </nav>,
    place,
  );
}
