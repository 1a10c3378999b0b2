import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { Field } from '../../pieces/Field';
import { Lozenge } from '../../pieces/Lozenge';
import { SheetDialog } from '../../pieces/Sheet';
import { verdictWord } from '../../pieces/show';
import { useRecipes } from '../recipes/queries';
import { DayRows } from './Days';
import { DishDialog } from './DishDialog';
import { MenuVerdicts } from './MenuVerdicts';
import { howMany } from './made';
import { type Followed, type Menu, useMenuCheck, useMenuEdits } from './queries';

/** A draft: the desk's recipes on days and meals. */
export function MenuGrid({ menu, follows }: { menu: Menu; follows: Followed[] }) {
  const edits = useMenuEdits();
  const [serving, setServing] = useState<string | null>(null);
  const checkOf = (dish: string) => check?.dishes.find((one) => one.dish === dish);
  const served = menu.dishes.find((dish) => dish.id === serving);
  const check = useMenuCheck(menu).data;
  const [asking, setAsking] = useState<{ day: number; meal: string } | null>(null);
  return (
    <>
      {check && menu.dishes.length > 0 && (
        <p className="mb-2 text-sm text-steel">
          Checked for the {check.sharing ?? 'few'} of {check.members} who share what they follow. Numbers of their own are not shared and
          not judged.
        </p>
      )}
      <DayRows of={menu}>
        {(day, meal) => (
          <>
            <ul>
              {menu.dishes
                .filter((dish) => dish.day === day && dish.meal === meal)
                .map((dish) => (
                  <li key={dish.id} className="flex items-start gap-1 text-sm">
                    <span className="min-w-0 flex-1 py-0.5">
                      <Link to={`/recipes/${dish.recipe}`} className="block min-h-6 hover:text-cobalt hover:underline">
                        {dish.name}
                      </Link>
                      {dish.isPutAway && <span className="block text-xs text-steel">put away in the library since</span>}
                      {dish.hasNewer && (
                        <button
                          type="button"
                          onClick={() => void edits.serve(menu.id, dish.id, { isNewest: true }, dish.name)}
                          className="block min-h-6 text-left text-xs text-cobalt hover:underline"
                        >
                          Changed since: take it as it is now
                        </button>
                      )}
                      <button
                        type="button"
                        onClick={() => setServing(dish.id)}
                        className="flex min-h-6 items-center gap-1 text-left text-xs text-steel hover:text-rim"
                      >
                        <Worst of={checkOf(dish.id)} />
                        <span className="sr-only">: whom {dish.name} suits, how much of it</span>
                      </button>
                    </span>
                    <button
                      type="button"
                      aria-label={`Take ${dish.name} off`}
                      onClick={() => void edits.takeOff(menu.id, dish.id, dish.name)}
                      className="min-h-6 min-w-6 p-1 text-steel hover:text-rim"
                    >
                      <X size={14} />
                    </button>
                  </li>
                ))}
            </ul>
            <button
              type="button"
              onClick={() => setAsking({ day, meal })}
              className="inline-flex min-h-6 items-center gap-1 text-sm text-cobalt hover:underline max-sm:min-h-9"
            >
              <Plus size={14} /> Dish
            </button>
          </>
        )}
      </DayRows>
      {check && <MenuVerdicts menu={menu} check={check} />}
      {served && <DishDialog menu={menu} dish={served} check={checkOf(served.id)} follows={follows} onDone={() => setServing(null)} />}
      {asking && (
        <ChooseDish
          onClose={() => setAsking(null)}
          onChosen={(recipe, name) => {
            void edits.put(menu.id, { ...asking, recipe }, name);
            setAsking(null);
          }}
        />
      )}
    </>
  );
}

/** The heaviest of what a dish is to members. */
function Worst({ of }: { of: Schemas['DishCheckSheet'] | undefined }) {
  const worst = of?.counts.at(-1);
  if (!worst) return 'Tiers and variants';
  return (
    <>
      <Lozenge verdict={worst.verdict} size={12} /> {verdictWord[worst.verdict]}: {howMany(worst)}
    </>
  );
}

const most = 30;

function ChooseDish({ onClose, onChosen }: { onClose: () => void; onChosen: (recipe: string, name: string) => void }) {
  const recipes = useRecipes();
  const [typed, setTyped] = useState('');
  const asked = typed.trim().toLowerCase();
  const found = (recipes.data ?? []).filter((recipe) => recipe.name.toLowerCase().includes(asked));
  return (
    <SheetDialog title="Which dish" onClose={onClose}>
      <Field label="A part of its name" value={typed} onChange={setTyped} />
      <ul className="mt-2 max-h-80 overflow-auto">
        {found.slice(0, most).map((recipe) => (
          <li key={recipe.id} className="border-t border-line first:border-t-0">
            <button
              type="button"
              onClick={() => onChosen(recipe.id, recipe.name)}
              className="min-h-9 w-full px-1 text-left text-sm hover:bg-tray"
            >
              {recipe.name}
            </button>
          </li>
        ))}
      </ul>
      {found.length > most && <p className="mt-1 text-xs text-steel">{found.length - most} more: type more of the name.</p>}
      {recipes.data?.length === 0 && (
        <p className="text-sm text-steel">
          This desk has no recipes yet.{' '}
          <Link to="/recipes/import" className="font-semibold text-cobalt hover:underline">
            Bring recipes in
          </Link>
        </p>
      )}
    </SheetDialog>
  );
}
