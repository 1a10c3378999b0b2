import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { Lozenge } from '../../pieces/Lozenge';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SheetDialog } from '../../pieces/Sheet';
import { addDays, longDate, portions, typedNumber, verdictWord } from '../../pieces/show';
import { useSettled } from '../../pieces/useSettled';
import { useRecipes } from '../recipes/queries';
import { TooLarge, useVessels } from '../recipes/Vessels';
import { DayInput } from './DayInput';
import { LotFields } from './LotFields';
import type { Board, BoardEdits, VariantPortions } from './queries';

/** Who has a usual variant gets as many portions of it as of anything: their share of the batch. */
const usualSplit = (recipe: Schemas['RecipeRow'] | undefined, portions: number): VariantPortions[] =>
  (recipe?.variants ?? [])
    .map((variant) => {
      const many = recipe?.verdicts.filter((verdict) => verdict.variant === variant).length ?? 0;
      return { variant, portions: Math.floor((portions * many) / (recipe?.verdicts.length ?? 1)) };
    })
    .filter((lot) => lot.portions > 0);

/** Which recipe, how many portions, in which session. */
export function MakeBatchDialog({
  board,
  today,
  recipe: asked,
  on,
  edits,
  onClose,
}: {
  board: Board;
  today: string;
  /** the one that was asked for, by its id */
  recipe: string;
  /** the day that it was asked for */
  on: string | null;
  edits: BoardEdits;
  onClose: () => void;
}) {
  const recipes = useRecipes();
  const [typed, setTyped] = useState('');
  const [recipeId, setRecipeId] = useState(asked);
  const [typedPortions, setPortions] = useState<string | null>(null);
  const [typedSplit, setSplit] = useState<VariantPortions[] | null>(null);
  // The next session of the week; when all are over, today while the week goes on.
  const toCome = board.sessions.filter((one) => one.date >= today);
  const next = toCome[0]?.date;
  const isLate = next === undefined && today <= addDays(board.start, 6);
  const [cookedOn, setCookedOn] = useState(on ?? next ?? (isLate ? today : board.sessions[0]?.date) ?? board.start);
  const [isOther, setOther] = useState(!toCome.some((one) => one.date === cookedOn));
  const recipe = recipes.data?.find((one) => one.id === recipeId);
  // A recipe that was asked for is made as it is written until somebody types another number.
  const number = typedPortions ?? (recipe && recipeId === asked ? String(recipe.portions) : '');
  const count = typedNumber(number) ?? 0;
  const wrong = number !== '' && !(count >= 1 && count <= 60 && count % 0.25 === 0);
  const variants = typedSplit ?? usualSplit(recipe, count);
  const vessels = useVessels(recipeId, useSettled(wrong ? 0 : count));
  const isTooMany = variants.reduce((sum, one) => sum + one.portions, 0) > count;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void edits.make(recipeId, cookedOn, count, variants).then((isDone) => isDone && onClose());
  };
  return (
    <SheetDialog title="Make a batch" onClose={onClose} wide>
      <Asked of={recipes}>
        {(all) =>
          all.length === 0 ? (
            <p>
              There is no recipe yet.{' '}
              <Link to="/recipes/new" className="font-semibold text-cobalt hover:underline">
                Paste the first one
              </Link>
            </p>
          ) : (
            <form onSubmit={submit} className="flex flex-col gap-3">
              <input
                type="search"
                aria-label="Search recipes"
                placeholder="Search"
                value={typed}
                onChange={(event) => setTyped(event.target.value)}
                className={`${inputLook} w-full`}
              />
              <fieldset className="max-h-64 overflow-auto border border-line">
                <legend className="sr-only">Recipe</legend>
                {all
                  .filter((recipe) => recipe.name.toLowerCase().includes(typed.trim().toLowerCase()))
                  .map((recipe) => (
                    <label
                      key={recipe.id}
                      className="flex cursor-pointer flex-wrap items-center gap-x-3 border-b border-line px-3 py-1.5 text-sm last:border-b-0 has-checked:bg-tray has-checked:font-semibold"
                    >
                      <input
                        type="radio"
                        className="accent-cobalt"
                        name="recipe"
                        value={recipe.id}
                        checked={recipeId === recipe.id}
                        onChange={() => {
                          setRecipeId(recipe.id);
                          setPortions(String(recipe.portions));
                          setSplit(null);
                        }}
                      />
                      <span className="min-w-44 flex-1">{recipe.name}</span>
                      {recipe.verdicts.map((verdict) => (
                        <span
                          key={verdict.eaterId}
                          title={verdict.because}
                          className="flex items-center gap-1 text-xs font-normal text-steel"
                        >
                          <Lozenge verdict={verdict.hasRules ? verdict.verdict : 'cannotTell'} size={12} /> {verdict.eater}:{' '}
                          {verdict.hasRules ? verdictWord[verdict.verdict].toLowerCase() : 'no protocol'}
                          {verdict.isDisliked && ', not liked'}
                        </span>
                      ))}
                      <span className="figures w-20 text-right text-xs font-normal whitespace-nowrap text-steel">
                        makes {portions(recipe.portions)}
                      </span>
                    </label>
                  ))}
              </fieldset>
              <div className="flex flex-wrap items-end gap-4">
                <label className="flex flex-col gap-1 text-sm font-semibold">
                  Portions
                  <input
                    inputMode="decimal"
                    value={number}
                    onChange={(event) => setPortions(event.target.value)}
                    aria-invalid={wrong || undefined}
                    className={`${inputLook} w-24`}
                  />
                </label>
                <fieldset className="flex flex-wrap gap-x-4 text-sm">
                  <legend className="mb-1 font-semibold">Cooked on</legend>
                  {toCome.map(({ date, name }) => (
                    <label key={date} title={name} className="flex min-h-9 items-center gap-1.5">
                      <input
                        type="radio"
                        className="accent-cobalt"
                        name="session"
                        checked={!isOther && cookedOn === date}
                        onChange={() => {
                          setOther(false);
                          setCookedOn(date);
                        }}
                      />
                      {longDate(date)}
                    </label>
                  ))}
                  <label className="flex min-h-9 items-center gap-1.5">
                    <input type="radio" className="accent-cobalt" name="session" checked={isOther} onChange={() => setOther(true)} />
                    another day
                  </label>
                  {isOther && <DayInput label="Cooked on another day" start={board.start} value={cookedOn} onChange={setCookedOn} />}
                  {cookedOn < today && (
                    <p className="basis-full text-steel">
                      That day is over, and boxes are dated from it: what is cooked now is of another day.
                    </p>
                  )}
                </fieldset>
              </div>
              {recipe && recipe.variants.length > 0 && (
                <LotFields
                  key={`${recipeId} ${typedSplit === null ? count : ''}`}
                  names={recipe.variants}
                  all={count}
                  value={variants}
                  onChange={setSplit}
                />
              )}
              <TooLarge vessels={vessels.data} />
              <div className="flex items-center justify-end gap-4">
                <ProblemNote of={edits.problem} />
                <Button type="submit" look="main" disabled={!recipeId || wrong || number === '' || isTooMany || edits.isBusy}>
                  Make it
                </Button>
              </div>
              {wrong && <p className="text-sm text-beet">A batch makes 1 to 60 portions, in steps of a quarter.</p>}
            </form>
          )
        }
      </Asked>
    </SheetDialog>
  );
}
