import { NavLink, Outlet } from 'react-router';

const parts = [
  ['/larder', 'Foods'],
  ['/larder/stock', 'Stock'],
  ['/larder/prices', 'Prices'],
  ['/larder/words', 'Words'],
  ['/larder/compare', 'Side by side'],
  ['/larder/file', 'In and out'],
] as const;

/** Foods and packets, what stands on the shelves, what words mean here, two packets side by side, and files. */
export function LarderLayout() {
  return (
    <div className="mx-auto max-w-6xl p-4 md:p-6">
      <div className="mb-5 flex flex-wrap items-end gap-x-8 gap-y-2 border-b border-line">
        <h1 className="pb-2 text-xl">Larder</h1>
        <nav aria-label="Parts of the Larder" className="flex flex-wrap gap-1">
          {parts.map(([to, word]) => (
            <NavLink
              key={to}
              to={to}
              end={to === '/larder'}
              className={({ isActive }) =>
                `-mb-px border-b-2 px-2 py-2 sm:px-3 text-sm font-semibold ${isActive ? 'border-rim text-rim' : 'border-transparent text-steel hover:text-rim'}`
              }
            >
              {word}
            </NavLink>
          ))}
        </nav>
      </div>
      <Outlet />
    </div>
  );
}
