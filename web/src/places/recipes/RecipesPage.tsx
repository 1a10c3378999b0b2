import { Link } from 'react-router';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { ButtonLink } from '../../pieces/ButtonLink';
import { KeptFilters } from './KeptFilters';
import { LibraryFilters } from './LibraryFilters';
import { LibraryTable } from './LibraryTable';
import { filterNames, useFilters, useLibrary } from './library';

/** The library: who can eat what. */
export function RecipesPage() {
  const [filters, setFilters] = useFilters();
  const library = useLibrary(filters);
  const first = library.data?.pages[0];
  const rows = library.data?.pages.flatMap((page) => page.rows) ?? [];
  return (
    <div className="mx-auto max-w-6xl p-4 md:p-6">
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="text-xl">Recipes</h1>
        <LibraryFilters
          filters={filters}
          eaters={first?.eaters ?? []}
          collections={first?.collections ?? []}
          numbers={first?.numbers ?? []}
          onChange={setFilters}
        />
        <span className="flex-1" />
        <Link to="/recipes/import" className="text-sm font-semibold text-cobalt hover:underline">
          Bring in
        </Link>
        <a href="/api/recipes/recipes.zip" download className="text-sm font-semibold text-cobalt hover:underline">
          Save all
        </a>
        <ButtonLink to="/recipes/new">New recipe</ButtonLink>
      </div>
      <KeptFilters kept={first?.kept ?? []} filters={filters} />
      <Asked of={library}>
        {() =>
          first?.all === 0 ? (
            <Empty />
          ) : rows.length === 0 ? (
            <p className="text-steel">
              No recipe is like that{filters.search ? `: nothing says “${filters.search}” and is all that is asked for` : ''}.{' '}
              <Button look="bare" onClick={() => setFilters(Object.fromEntries(filterNames.map((name) => [name, ''])))}>
                Show all
              </Button>
            </p>
          ) : (
            <>
              <LibraryTable rows={rows} eaters={first?.eaters ?? []} filters={filters} onChange={setFilters} />
              <p className="mt-3 text-sm text-steel" aria-live="polite">
                {rows.length < (first?.found ?? 0) && `${rows.length} of `}
                {first?.found === 1 ? '1 recipe' : `${first?.found} recipes`}
                {first && first.found < first.all && `, of ${first.all} in all`}
                {library.hasNextPage && (
                  <Button className="ml-4" onClick={() => void library.fetchNextPage()} disabled={library.isFetchingNextPage}>
                    Show more
                  </Button>
                )}
              </p>
            </>
          )
        }
      </Asked>
    </div>
  );
}

function Empty() {
  return (
    <div className="max-w-md">
      <p className="mb-3">
        No recipes yet. Paste one as it is written: the lines are read while you look, and each eater’s verdict stands beside it.
      </p>
      <Link to="/recipes/new" className="font-semibold text-cobalt hover:underline">
        Paste the first recipe
      </Link>{' '}
      or{' '}
      <Link to="/recipes/import" className="font-semibold text-cobalt hover:underline">
        bring in a folder of them
      </Link>
    </div>
  );
}
