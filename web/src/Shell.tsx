import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useQueryClient } from '@tanstack/react-query';
import {
  Archive,
  BookOpen,
  CalendarDays,
  ChevronLeft,
  ChevronRight,
  CookingPot,
  Keyboard,
  NotebookPen,
  Refrigerator,
  ScrollText,
  Search,
  ShoppingBasket,
  UsersRound,
} from 'lucide-react';
import { Suspense, useEffect, useRef, useState } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { api, type Schemas, take } from './api/client';
import { Palette } from './Palette';
import { Loading, useOnline } from './pieces/Asked';
import { useForgetEverything } from './pieces/account';
import { fetchTheRest } from './pieces/later';
import { Mishap } from './pieces/Mishap';
import { NewerProgram } from './pieces/NewerProgram';
import { useNotices } from './pieces/Notice';
import type { Waiting } from './pieces/outbox';
import { SheetDialog } from './pieces/Sheet';
import { addDays, dayMonth, weekNamed, weekStart } from './pieces/show';
import { useLive } from './pieces/useLive';
import { useSender, useWaiting } from './pieces/useOutbox';
import { forgetUnsaved } from './pieces/useUnsaved';
import { keepAhead } from './places/kept';
import { shortcutsOf } from './shortcuts';

const weekly = ['week', 'shop', 'session', 'shelf', 'log'];

export function Shell({ person }: { person: Schemas['PersonState'] }) {
  const { pathname } = useLocation();
  const [, place = 'week', dated] = pathname.split('/');
  // Who comes back from another place finds the week that was looked at last.
  const seen = useRef<string | null>(null);
  const own = weekly.includes(place) && dated ? weekNamed(dated, person.today) : null;
  // The Log is about today: looking at it does not put away the week that is being planned.
  if (own && place !== 'log') seen.current = own;
  const planned = seen.current ?? person.atHand;
  const date = own ?? planned;
  const now = weekStart(person.today);
  const queries = useQueryClient();
  useLive();
  useSender(person);
  useEffect(() => {
    const idle = setTimeout(() => {
      void fetchTheRest();
      keepAhead(queries, person.atHand, now);
    }, 2_000);
    return () => clearTimeout(idle);
  }, [queries, person.atHand, now]);
  const [asking, setAsking] = useState<'palette' | 'shortcuts' | null>(null);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, select');
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setAsking('palette');
      } else if (event.key === '?' && !typing) {
        setAsking('shortcuts');
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  return (
    <div className="flex h-dvh flex-col-reverse sm:flex-row print:block print:h-auto">
      <Rail date={planned} shelf={seen.current ?? now} now={now} isDesk={person.isDesk} />
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        <NewerProgram />
        <header className="relative flex h-13 shrink-0 items-center gap-2 border-b has-[[role=status]:not(:empty)]:max-sm:mb-7 border-line px-3 print:hidden">
          {weekly.includes(place) ? (
            <WeekStepper place={place} date={date} person={person} />
          ) : (
            <span className="font-display text-lg font-semibold">{person.household}</span>
          )}
          <span className="flex-1" />
          <WaitingSign />
          <button
            type="button"
            onClick={() => setAsking('palette')}
            className="flex h-8 items-center gap-2 rounded-sm border border-line px-2 text-sm text-steel hover:border-rim"
            aria-label="Search places, recipes and commands"
          >
            <Search size={15} /> <span className="hidden md:inline">Go to …</span> <kbd className="hidden text-xs md:inline">Ctrl K</kbd>
          </button>
          <button
            type="button"
            onClick={() => setAsking('shortcuts')}
            className="hidden p-2 text-steel hover:text-rim sm:block"
            aria-label="Keyboard shortcuts"
          >
            <Keyboard size={18} />
          </button>
          {/* The week stands where the kitchen's name is elsewhere: who has several sees here which one it is. */}
          {weekly.includes(place) && person.others.length > 0 && (
            <span className="hidden max-w-40 truncate text-sm text-steel sm:inline">{person.household}</span>
          )}
          <PersonMenu person={person} />
        </header>
        <main className="min-h-0 flex-1 overflow-auto print:overflow-visible">
          {/* Each place waits for itself: the one before does not stand there meanwhile as if the click had gone astray. */}
          <Mishap at={pathname}>
            <Suspense key={place} fallback={<Loading />}>
              <Outlet context={{ today: person.today }} />
            </Suspense>
          </Mishap>
        </main>
      </div>
      {asking === 'palette' && <Palette date={date} onClose={() => setAsking(null)} />}
      {asking === 'shortcuts' && (
        <SheetDialog title={`Keys in ${place}`} onClose={() => setAsking(null)}>
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2 text-sm">
            {shortcutsOf(place).map(([keys, what]) => (
              <div key={keys} className="contents">
                <dt className="font-semibold whitespace-nowrap">{keys}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
        </SheetDialog>
      )}
    </div>
  );
}

/** At a group's desk nobody shops, cooks or eats. */
const deskPlaces = ['Recipes', 'Larder', 'Group', 'Table'];

function Rail({ date, shelf, now, isDesk }: { date: string; shelf: string; now: string; isDesk: boolean }) {
  const places = [
    { to: `/week/${date}`, word: 'Week', icon: CalendarDays },
    { to: '/recipes', word: 'Recipes', icon: BookOpen },
    { to: '/larder', word: 'Larder', icon: Archive },
    { to: `/shop/${date}`, word: 'Shop', icon: ShoppingBasket },
    { to: `/session/${date}`, word: 'Session', icon: CookingPot },
    { to: `/shelf/${shelf}`, word: 'Shelf', icon: Refrigerator },
    { to: `/log/${now}`, word: 'Log', icon: NotebookPen },
    { to: '/group', word: 'Group', icon: ScrollText },
    { to: '/table', word: 'Table', icon: UsersRound },
  ].filter(({ word }) => !isDesk || deskPlaces.includes(word));
  return (
    <nav
      aria-label="Places"
      className="flex shrink-0 justify-around overflow-x-auto border-t-2 border-rim bg-tray sm:w-16 sm:flex-col sm:justify-start sm:border-t-0 sm:border-r sm:border-line sm:pt-2 print:hidden"
    >
      {places.map(({ to, word, icon: Icon }) => (
        <NavLink
          key={word}
          to={to}
          className={({ isActive }) =>
            `flex min-h-12 min-w-12 flex-1 flex-col items-center justify-center gap-0.5 text-xs sm:min-h-14 sm:flex-none ${isActive ? 'bg-enamel font-bold text-cobalt sm:shadow-[inset_3px_0_0_var(--color-cobalt)]' : 'text-steel hover:text-rim'}`
          }
        >
          <Icon size={20} strokeWidth={1.8} />
          {word}
        </NavLink>
      ))}
    </nav>
  );
}

function WeekStepper({ place, date, person }: { place: string; date: string; person: Schemas['PersonState'] }) {
  const now = weekStart(person.today);
  const step = 'flex h-8 w-8 items-center justify-center rounded-sm text-steel hover:bg-tray hover:text-rim';
  return (
    <div className="flex items-center gap-1">
      <Link to={`/${place}/${addDays(date, -7)}`} className={step} aria-label="The week before">
        <ChevronLeft size={18} />
      </Link>
      <span className="figures font-display text-lg font-semibold whitespace-nowrap max-sm:text-base">
        {dayMonth(date)} – {dayMonth(addDays(date, 6))}
      </span>
      <Link to={`/${place}/${addDays(date, 7)}`} className={step} aria-label="The week after">
        <ChevronRight size={18} />
      </Link>
      {[
        { to: now, word: 'This week' },
        { to: person.atHand, word: 'To plan next' },
      ]
        .filter(({ to }, at) => to !== date && (at === 0 || to !== now))
        .map(({ to, word }) => (
          <Link key={word} to={`/${place}/${to}`} className="ml-1 text-sm font-semibold whitespace-nowrap text-cobalt hover:underline">
            {word}
          </Link>
        ))}
    </div>
  );
}

function waits(acts: readonly Waiting[]): string {
  const many = acts.length === 1 ? 'One act' : `${acts.length} acts`;
  return acts.every((act) => act.isKept)
    ? `${many} kept on this device, waiting for the network`
    : `${many} waiting for the network. This browser keeps nothing: leave the page open`;
}

/** Says what is done on this device and not known elsewhere yet, once it has waited long enough to be noticed. */
function WaitingSign() {
  const waiting = useWaiting();
  const isOnline = useOnline();
  const [isLong, setIsLong] = useState(false);
  const isWaiting = waiting.length > 0;
  useEffect(() => {
    setIsLong(false);
    if (!isWaiting) return;
    const timer = setTimeout(() => setIsLong(true), 2_000);
    return () => clearTimeout(timer);
  }, [isWaiting]);
  return (
    <span
      role="status"
      className="text-sm text-steel max-sm:absolute max-sm:inset-x-0 max-sm:top-full max-sm:bg-tray max-sm:px-3 max-sm:py-1 max-sm:text-xs max-sm:empty:hidden"
    >
      {isWaiting && isLong ? waits(waiting) : !isOnline && 'No network: as last seen'}
    </span>
  );
}

function PersonMenu({ person }: { person: Schemas['PersonState'] }) {
  const forget = useForgetEverything();
  const navigate = useNavigate();
  const { refused } = useNotices();
  const signOut = () =>
    take(api.POST('/api/account/sign-out')).then(() => {
      forgetUnsaved();
      navigate('/');
      return forget();
    }, refused);
  const workIn = (household: string) => {
    const from = window.location.pathname;
    return take(api.POST('/api/account/household', { body: { household } })).then(() => {
      forgetUnsaved();
      // Who has gone to another place while the answer was on its way stays there.
      if (window.location.pathname === from) navigate('/');
      return forget();
    }, refused);
  };
  return (
    <Menu>
      <MenuButton className="max-w-40 min-w-10 truncate rounded-sm px-2 py-1 text-sm font-semibold hover:bg-tray">{person.name}</MenuButton>
      <MenuItems anchor="bottom end" className="rimmed z-30 mt-1 w-56 border-x border-b border-line p-1 text-sm shadow-lg">
        <p className="px-2 py-1 text-steel">
          {person.household} · {person.email}
        </p>
        {person.others.map((one) => (
          <MenuItem key={one.id}>
            <button type="button" onClick={() => workIn(one.id)} className="w-full px-2 py-1.5 text-left data-focus:bg-tray">
              Go to {one.name}
            </button>
          </MenuItem>
        ))}
        <MenuItem>
          <button type="button" onClick={signOut} className="w-full px-2 py-1.5 text-left data-focus:bg-tray">
            Sign out
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  );
}
