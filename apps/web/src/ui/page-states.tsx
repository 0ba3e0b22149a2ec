import { Button } from './button.tsx';

/** Shown while a page's data is on its way. */
export function Loading({ what }: { what: string }) {
  return (
    <div role="status" className="p-8 text-soft">
      Fetching {what}…
    </div>
  );
}

/** Something could not be fetched: what it was, what was said, and the way on. */
export function Failed({ what, message, retry }: { what: string; message: string; retry?: () => void }) {
  return (
    <div role="alert" className="m-6 max-w-xl rounded-lg border border-over bg-card p-4">
      <h2 className="mb-1">Could not load {what}</h2>
      <p className="mb-3">{message}</p>
      {retry && <Button onClick={retry}>Try again</Button>}
    </div>
  );
}
