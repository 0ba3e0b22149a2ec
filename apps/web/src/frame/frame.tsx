import { mayAdminister, type Person } from '@burl/contract';
import { CircleHelp, Keyboard, LogOut, Moon, Search, Sun } from 'lucide-react';
import { type CSSProperties, lazy, type ReactNode, Suspense, useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, NavLink, useLocation, useNavigate } from 'react-router';
import { mutate } from 'swr';
import { call } from '../api/client.ts';
import { AccountDialog } from './account-dialog.tsx';
import { type Action, useOffer } from './actions.tsx';
import { CommandPalette } from './command-palette.tsx';
import { KeyboardHelp } from './keyboard-help.tsx';
import { placeOf } from './help/places.ts';
import { TOURS } from './tours/tours.ts';
import { useTour } from './tours/use-tours.ts';
import { usePreferences } from './preferences.tsx';

/** Comes after the page: what waits in the browser’s database is in no hurry. */
const WaitingStrip = lazy(() => import('./waiting-strip.tsx'));

function useOnline(): boolean {
  const [online, setOnline] = useState(navigator.onLine);
  useEffect(() => {
    const update = () => setOnline(navigator.onLine);
    addEventListener('online', update);
    addEventListener('offline', update);
    return () => {
      removeEventListener('online', update);
      removeEventListener('offline', update);
    };
  }, []);
  return online;
}

async function signOut(): Promise<void> {
  await call('DELETE', '/api/session', {}).catch(() => undefined);
  await mutate(() => true, undefined, { revalidate: false });
  await mutate('/api/session');
}

/** The bar above every page. */
function Header({
  person,
  onPalette,
  onHelp,
  onAccount,
}: {
  person: Person;
  onPalette: () => void;
  onHelp: () => void;
  onAccount: () => void;
}) {
  const { system, setSystem, theme, setTheme } = usePreferences();
  const { pathname } = useLocation();
  const unit = (value: 'metric' | 'inch', label: string) => (
    <button
      type="button"
      aria-pressed={system === value}
      onClick={() => setSystem(value)}
      className={`px-2.5 py-1 font-semibold ${system === value ? 'bg-accent text-on-accent' : 'bg-card text-ink hover:bg-accent-soft'}`}
    >
      {label}
    </button>
  );
  const place = ({ isActive }: { isActive: boolean }) =>
    `inline-flex items-center rounded px-2 py-1 touch:min-h-11 ${isActive ? 'font-semibold underline decoration-2 underline-offset-4' : 'text-soft hover:text-ink'}`;

  return (
    <header className="no-print flex min-h-12 shrink-0 items-center gap-x-3 border-b border-line bg-card px-3 max-[900px]:flex-wrap max-[900px]:gap-x-2 max-[900px]:py-1">
      <Link to="/" className="flex items-center gap-2 text-lg font-bold" aria-label="Burl, to the desk">
        <img src="/mark.svg" alt="" width={24} height={24} />
        Burl
      </Link>
      <nav
        aria-label="Places"
        className="flex gap-1 max-[900px]:order-last max-[900px]:basis-full max-[900px]:flex-wrap"
      >
        <NavLink to="/" end className={place}>
          Desk
        </NavLink>
        <NavLink to="/quick" className={place}>
          Quick
        </NavLink>
        <NavLink to="/resonance" className={place}>
          Chatter
        </NavLink>
        <NavLink to="/programs" className={place}>
          Programs
        </NavLink>
        <NavLink to="/logbook" className={place}>
          Logbook
        </NavLink>
        <NavLink to="/crib" className={place}>
          Crib
        </NavLink>
        {mayAdminister(person.role) && (
          <NavLink to="/people" className={place}>
            People
          </NavLink>
        )}
      </nav>
      <div id="crumbs" className="min-w-0 flex-1 truncate max-[600px]:[&>nav]:hidden" />
      <button
        type="button"
        onClick={onPalette}
        className="flex min-h-8 items-center gap-2 rounded-md border border-line bg-paper px-2.5 text-soft hover:text-ink"
      >
        <Search size={14} aria-hidden="true" />
        <span className="max-[1150px]:sr-only">
          Search or command <kbd className="text-[12px]">Ctrl K</kbd>
        </span>
      </button>
      <div role="group" aria-label="Units" className="flex overflow-hidden rounded-md border border-line">
        {unit('metric', 'mm')}
        {unit('inch', 'inch')}
      </div>
      <button
        type="button"
        aria-label={theme === 'light' ? 'Dark theme' : 'Light page'}
        className="rounded p-1.5 hover:bg-accent-soft"
        onClick={() => setTheme(theme === 'light' ? 'dark' : 'light')}
      >
        {theme === 'light' ? <Moon size={17} aria-hidden="true" /> : <Sun size={17} aria-hidden="true" />}
      </button>
      <Link
        to={`/help/${placeOf(pathname)}`}
        aria-label="Help on this place"
        className="inline-flex items-center justify-center rounded p-1.5 hover:bg-accent-soft touch:size-11"
      >
        <CircleHelp size={17} aria-hidden="true" />
      </Link>
      <button
        type="button"
        aria-label="Keyboard shortcuts"
        className="rounded p-1.5 hover:bg-accent-soft touch:hidden"
        onClick={onHelp}
      >
        <Keyboard size={17} aria-hidden="true" />
      </button>
      <button
        type="button"
        aria-label={`Your account, ${person.name}`}
        onClick={onAccount}
        className="hidden rounded px-1 text-right leading-tight hover:bg-accent-soft lg:block"
      >
        <span className="block font-semibold">{person.name}</span>
        <span className="block text-[12px] text-soft">{person.role}</span>
      </button>
      <button
        type="button"
        aria-label="Sign out"
        className="rounded p-1.5 hover:bg-accent-soft"
        onClick={() => void signOut()}
      >
        <LogOut size={17} aria-hidden="true" />
      </button>
    </header>
  );
}

/** Around every page: where one is, what one can do, units, theme, who one is. */
export function Frame({
  person,
  demoAccounts,
  children,
}: {
  person: Person;
  /** Anybody who read the manual can sign in: said on every page. */
  demoAccounts: boolean;
  children: ReactNode;
}) {
  const { system, setSystem, theme, setTheme } = usePreferences();
  const [palette, setPalette] = useState(false);
  const [help, setHelp] = useState(false);
  const [account, setAccount] = useState(false);
  const navigate = useNavigate();
  const online = useOnline();
  useHotkeys('ctrl+k, meta+k', () => setPalette(true), { preventDefault: true, enableOnFormTags: true });
  useHotkeys('shift+slash', () => setHelp(true));
  useHotkeys('alt+u', () => setSystem(system === 'metric' ? 'inch' : 'metric'), {
    preventDefault: true,
    enableOnFormTags: true,
  });

  const tour = useTour();
  const actions = useMemo<Action[]>(
    () => [
      { id: 'desk', label: 'Go to the desk', run: () => void navigate('/') },
      { id: 'quick', label: 'Quick question', keys: 'Q', run: () => void navigate('/quick') },
      {
        id: 'running',
        label: 'What are they running?',
        keys: 'W',
        run: () => void navigate('/quick?said='),
      },
      { id: 'resonance', label: 'Go to chatter', run: () => void navigate('/resonance') },
      { id: 'logbook', label: 'Go to the logbook', run: () => void navigate('/logbook') },
      { id: 'crib', label: 'Go to the crib', run: () => void navigate('/crib') },
      ...(mayAdminister(person.role)
        ? [{ id: 'people', label: 'Go to people', run: () => void navigate('/people') }]
        : []),
      { id: 'account', label: 'Your account, change password', run: () => setAccount(true) },
      {
        id: 'units',
        label: system === 'metric' ? 'Show inch' : 'Show metric',
        keys: 'Alt U',
        run: () => setSystem(system === 'metric' ? 'inch' : 'metric'),
      },
      {
        id: 'theme',
        label: theme === 'light' ? 'Dark theme' : 'Light page',
        run: () => setTheme(theme === 'light' ? 'dark' : 'light'),
      },
      ...TOURS.map((t) => ({ id: `tour-${t.id}`, label: `Tour: ${t.name}`, run: () => void tour(t) })),
      { id: 'palette', label: 'Search or command something', keys: 'Ctrl K', run: () => setPalette(true) },
      { id: 'help', label: 'Keyboard shortcuts', keys: '?', run: () => setHelp(true) },
      { id: 'sign-out', label: 'Sign out', run: () => void signOut() },
    ],
    [navigate, person.role, setSystem, setTheme, system, theme, tour],
  );
  useOffer('frame', actions);
  useHotkeys('q', () => void navigate('/quick'), { preventDefault: true }, [navigate]);
  useHotkeys('w', () => void navigate('/quick?said='), { preventDefault: true }, [navigate]);

  return (
    <div
      className="flex min-h-full flex-col"
      // What a page that fills the window leaves to the frame.
      style={{ '--above': demoAccounts ? '4.25rem' : '3rem' } as CSSProperties}
    >
      <a
        href="#content"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-raised focus:p-2"
      >
        Skip to the page
      </a>
      {demoAccounts && (
        <p role="note" className="no-print bg-unproven px-3 text-center text-[12px] leading-5 text-paper">
          Demo accounts are open: anybody who knows Burl can sign in. Before real work: npm run remove-demo.
        </p>
      )}
      <Header
        person={person}
        onPalette={() => setPalette(true)}
        onHelp={() => setHelp(true)}
        onAccount={() => setAccount(true)}
      />
      {!online && (
        <div role="status" className="bg-tight px-3 py-1 text-paper">
          Offline. Keep working; changes are sent on reconnect.
        </div>
      )}
      <Suspense>
        <WaitingStrip personId={person.id} />
      </Suspense>
      <main id="content" className="min-h-0 flex-1">
        {children}
      </main>
      <CommandPalette open={palette} onClose={() => setPalette(false)} person={person} />
      <KeyboardHelp open={help} onClose={() => setHelp(false)} />
      {account && <AccountDialog person={person} onClose={() => setAccount(false)} />}
    </div>
  );
}
