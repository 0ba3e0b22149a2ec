import { Link } from 'react-router';

export function NotHere({ broken = false }: { broken?: boolean }) {
  return (
    <main className="p-8">
      <h1 className="mb-2 text-xl">
        {broken ? 'This page stopped working' : 'There is nothing under this address'}
      </h1>
      <p className="mb-3 text-soft">
        {broken
          ? 'What was saved is safe. Load the page again, or go back to the desk.'
          : 'It may have been removed.'}
      </p>
      <Link to="/" className="font-semibold text-accent underline">
        To the desk
      </Link>
    </main>
  );
}
