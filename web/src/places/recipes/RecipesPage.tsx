import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { ButtonLink } from '../../pieces/ButtonLink';
import { inputLook } from '../../pieces/Field';
import { VerdictMark } from '../../pieces/Lozenge';
import { amount, mealName, portions } from '../../pieces/show';
import { useRecipes } from './queries';

/** The library: every recipe with every eater's verdict beside it. */
export function RecipesPage() {
  const recipes = useRecipes();
  const [typed, setTyped] = useState('');
  const search = useRef<HTMLInputElement>(null);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === '/' && !(event.target instanceof HTMLInputElement)) {
        event.preventDefault();
        search.current?.focus();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  return (
    <div className="p-4 md:p-6">
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="text-xl">Recipes</h1>
        <input
          ref={search}
          type="search"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          placeholder="Search"
          aria-label="Search recipes"
          className={`${inputLook} w-64`}
        />
        <span className="flex-1" />
        <ButtonLink to="/recipes/new">New recipe</ButtonLink>
      </div>
      <Asked of={recipes}>
        {(all) => {
          const found = all.filter((recipe) =>
            `${recipe.name} ${mealName(recipe.meal ?? '')}`.toLowerCase().includes(typed.trim().toLowerCase()),
          );
          if (all.length === 0) return <Empty />;
          if (found.length === 0)
            return (
              <p className="text-steel">
                No recipe has “{typed}” in its name.{' '}
                <Button look="bare" onClick={() => setTyped('')}>
                  Show all
                </Button>
              </p>
            );
          return (
            <ul className="rimmed divide-y divide-line border-x border-b border-line">
              {found.map((recipe) => (
                <li
                  key={recipe.id}
                  className="relative grid gap-x-6 gap-y-2 px-4 py-3 hover:bg-tray lg:grid-cols-[minmax(0,15rem)_15rem_minmax(0,1fr)]"
                >
                  <div className="min-w-0">
                    <Link
                      to={`/recipes/${recipe.id}`}
                      className="font-display text-base leading-tight font-semibold after:absolute after:inset-0 hover:text-cobalt"
                    >
                      {recipe.name}
                    </Link>
                    <p className="text-sm text-steel">
                      {portions(recipe.portions)} portions{recipe.meal && `, ${mealName(recipe.meal)}`}
                    </p>
                  </div>
                  <dl className="figures grid grid-cols-2 content-start gap-x-4 text-sm">
                    {recipe.perPortion.map((measure) => (
                      <div key={measure.key} className="flex justify-between gap-2">
                        <dt className="text-steel">{measure.name}</dt>
                        <dd>
                          {measure.unit === 'points' ? amount(measure.value, '', 1) : amount(measure.value, measure.unit, measure.decimals)}
                        </dd>
                      </div>
                    ))}
                  </dl>
                  <ul className="min-w-0 space-y-1 text-sm">
                    {recipe.verdicts.map((verdict) => (
                      <li key={verdict.eaterId} className="flex min-w-0 items-baseline gap-2">
                        <span className="w-16 shrink-0 truncate text-steel">{verdict.eater}</span>
                        {verdict.hasRules ? <VerdictMark verdict={verdict.verdict} className="shrink-0 self-start" /> : null}
                        <span className="min-w-0 text-steel">{verdict.because}</span>
                      </li>
                    ))}
                  </ul>
                </li>
              ))}
            </ul>
          );
        }}
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
      </Link>
    </div>
  );
}
