import { NavLink, Outlet } from 'react-router';
import { Asked } from '../../pieces/Asked';
import { type Page, useTable } from './queries';

const parts = [
  ['/table', 'Eaters'],
  ['/table/protocols', 'Protocols'],
  ['/table/rhythm', 'Week and meals'],
  ['/table/kitchen', 'Kitchen'],
  ['/table/members', 'Who signs in'],
] as const;

/** The household: who eats, under which rules, in which kitchen. */
export function TableLayout() {
  const table = useTable();
  return (
    <Asked of={table}>
      {(page) => (
        <div className="mx-auto max-w-6xl p-4 md:p-6">
          <div className="mb-5 flex flex-wrap items-end gap-x-8 gap-y-2 border-b border-line">
            <div className="pb-2">
              <h1 className="text-xl">Table</h1>
              <p className="text-sm text-steel">
                {page.household} · {page.timeZone}
              </p>
            </div>
            <nav aria-label="Parts of the Table" className="flex gap-1">
              {parts.map(([to, word]) => (
                <NavLink
                  key={to}
                  to={to}
                  end={to === '/table'}
                  className={({ isActive }) =>
                    `-mb-px border-b-2 px-3 py-2 text-sm font-semibold ${isActive ? 'border-rim text-rim' : 'border-transparent text-steel hover:text-rim'}`
                  }
                >
                  {word}
                </NavLink>
              ))}
            </nav>
          </div>
          <Outlet context={page satisfies Page} />
        </div>
      )}
    </Asked>
  );
}
