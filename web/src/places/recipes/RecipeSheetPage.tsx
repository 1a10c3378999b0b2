import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { api, kept } from '../../api/client';
import { askAnew } from '../../api/keys';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { mealName, minutes, portions, temperature } from '../../pieces/show';
import { guess, useEdit } from '../../pieces/useEdit';
import { Claims } from './Claims';
import { CollectionsField } from './CollectionsField';
import { Dislikes } from './Dislikes';
import { Numbers } from './Numbers';
import { Picture } from './Picture';
import { usePicture } from './picture';
import { type Sheet, useRecipe } from './queries';
import { ScaleDialog } from './ScaleDialog';
import { SheetLines } from './SheetLines';
import { Verdicts } from './Verdicts';
import { VersionsDialog } from './VersionsDialog';
import { useVessels } from './Vessels';
import { Yields } from './Yields';

/** One calm page with a wide margin for verdicts. */
export function RecipeSheetPage() {
  const { id = '' } = useParams();
  const variant = useSearchParams()[0].get('as');
  return <Asked of={useRecipe(id, variant)}>{(sheet) => <RecipeSheet sheet={sheet} id={id} asked={variant} />}</Asked>;
}

function RecipeSheet({ sheet, id, asked }: { sheet: Sheet; id: string; asked: string | null }) {
  return (
    <div className="mx-auto grid max-w-6xl gap-8 p-4 md:p-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <article className="min-w-0">
        <header className="mb-4 flex flex-wrap items-start gap-x-4 gap-y-2">
          <Picture sheet={sheet} />
          <div className="flex min-w-0 flex-1 basis-64 flex-wrap items-start gap-x-4 gap-y-2">
            <div className="min-w-0 flex-1 basis-64">
              <h1 className="text-2xl leading-tight">{sheet.name}</h1>
              <p className="text-steel">
                {portions(sheet.portions)} portions{sheet.meal && ` for ${mealName(sheet.meal)}`} · keeps {sheet.keeping.fridgeDays} days in
                the fridge, {sheet.keeping.freezerMonths ? `${sheet.keeping.freezerMonths} months frozen` : 'does not freeze'}
              </p>
            </div>
            <Actions id={id} sheet={sheet} />
          </div>
        </header>
        <CollectionsField sheet={sheet} id={id} />
        {sheet.variants.length > 0 && <VariantTabs sheet={sheet} id={id} />}
        {asked !== null && !sheet.variants.some((variant) => variant.name === asked) && (
          <p className="mb-4 border-l-2 border-rim pl-2">The variant “{asked}” is no more; this is the recipe as written.</p>
        )}
        <div className="grid gap-8 md:grid-cols-[minmax(0,1fr)_19rem]">
          <section>
            <h2 className="mb-1 text-lg">Ingredients</h2>
            <SheetLines sheet={sheet} id={id} />
          </section>
          <section>
            <h2 className="mb-1 text-lg">Numbers</h2>
            <Numbers of={sheet} />
            <p className="mt-3 text-sm">
              <span className="text-steel">Contains </span>
              {sheet.allergens.length > 0 ? sheet.allergens.join(', ') : 'none of the 14 listed allergens, as far as the lines are known'}
            </p>
          </section>
        </div>
        <Work sheet={sheet} id={id} />
        <Claims sheet={sheet} />
        <Yields sheet={sheet} id={id} />
        {sheet.note && (
          <section className="mt-6">
            <h2 className="text-lg">Note</h2>
            <p className="text-sm whitespace-pre-line">{sheet.note}</p>
          </section>
        )}
      </article>
      <aside aria-label="Verdicts" className="rimmed self-start border-x border-b border-line p-4">
        <h2 className="mb-3 text-lg">Does it fit?</h2>
        <Verdicts of={sheet.verdicts} recipe={id} variant={sheet.variant} />
        <div className="mt-4 border-t border-line pt-2 print:hidden">
          <Dislikes sheet={sheet} id={id} />
        </div>
      </aside>
    </div>
  );
}

/** The recipe as it is and its variants: everything on the page is of the one that is chosen. */
function VariantTabs({ sheet, id }: { sheet: Sheet; id: string }) {
  const tab = (name: string | null, word: string) => (
    <Link
      key={word}
      to={name === null ? '.' : `?as=${encodeURIComponent(name)}`}
      replace
      aria-current={sheet.variant === name ? 'page' : undefined}
      className="flex min-h-9 items-center border-b-2 border-transparent font-semibold text-steel aria-[current]:border-cobalt aria-[current]:text-rim"
    >
      {word}
    </Link>
  );
  return (
    <>
      <nav aria-label="Variants" className="flex flex-wrap gap-x-5 border-b border-line">
        {tab(null, 'As written')}
        {sheet.variants.map((variant) => tab(variant.name, variant.name))}
      </nav>
      <UsualFor sheet={sheet} id={id} />
    </>
  );
}

/** Who is given the variant that is shown: placing takes it for them, and the library judges it. */
function UsualFor({ sheet, id }: { sheet: Sheet; id: string }) {
  const edit = useEdit();
  const queries = useQueryClient();
  const prefer = (eaterId: string, eater: string, variant: string | null) =>
    edit.run({
      ask: () => kept(api.PUT('/api/recipes/{id}/usual', { params: { path: { id } }, body: { eaterId, variant } })),
      guess: guess(['recipes', id, sheet.variant], (seen: Sheet) => ({
        ...seen,
        usual: seen.usual.map((one) => (one.eaterId === eaterId ? { ...one, variant, isGone: false } : one)),
      })),
      settle: () => void askAnew(queries, ['recipes', 'week']),
      say: `${eater} gets ${sheet.name} ${variant === null ? 'as written' : `“${variant}”`}.`,
    });
  return (
    <fieldset className="mt-2 mb-4 flex flex-wrap items-center gap-x-4 text-sm">
      <legend className="float-left text-steel">Made like this for</legend>
      {sheet.usual.map(({ eaterId, eater, variant, isGone }) => (
        <label key={eaterId} className="flex min-h-9 items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-cobalt"
            disabled={sheet.variant === null && (variant === null || isGone)}
            checked={(isGone ? null : variant) === sheet.variant}
            onChange={(event) => void prefer(eaterId, eater, event.target.checked ? sheet.variant : null)}
          />
          {eater}
          {isGone && <span className="text-steel">(before: “{variant}”, which is no more)</span>}
        </label>
      ))}
    </fieldset>
  );
}

const inMenu = 'block w-full px-2 py-1.5 text-left data-focus:bg-tray';

function Actions({ id, sheet }: { id: string; sheet: Sheet }) {
  const { name } = sheet;
  const [isScaling, setScaling] = useState(false);
  const [isLookingBack, setLookingBack] = useState(false);
  const navigate = useNavigate();
  const edit = useEdit();
  const picture = usePicture(sheet, id);
  const archive = () =>
    edit.run({
      ask: () => kept(api.DELETE('/api/recipes/{id}', { params: { path: { id } } })),
      first: () => navigate('/recipes'),
      say: `${name} is put away.`,
    });
  return (
    <div className="flex flex-wrap gap-2 print:hidden">
      {isScaling && <ScaleDialog sheet={sheet} id={id} onClose={() => setScaling(false)} />}
      {isLookingBack && <VersionsDialog sheet={sheet} id={id} onClose={() => setLookingBack(false)} />}
      {sheet.number > 1 && <Button onClick={() => setLookingBack(true)}>Version {sheet.number}</Button>}
      {sheet.variant === null && <Button onClick={() => setScaling(true)}>Another amount</Button>}
      <Link
        to={`/recipes/${id}/edit`}
        className="inline-flex min-h-9 items-center rounded-sm border border-line px-3 text-sm font-semibold hover:border-rim"
      >
        Change
      </Link>
      <input
        ref={picture.chooser}
        type="file"
        accept="image/*"
        aria-label="Picture of the dish"
        className="hidden"
        onChange={(event) => {
          picture.show(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <Menu>
        <MenuButton className="inline-flex min-h-9 items-center rounded-sm border border-line px-3 text-sm font-semibold hover:border-rim">
          More
        </MenuButton>
        <MenuItems anchor="bottom end" className="rimmed z-30 w-56 border-x border-b border-line p-1 text-sm shadow-lg">
          <MenuItem>
            <button type="button" className={inMenu} onClick={() => window.print()}>
              Print
            </button>
          </MenuItem>
          {(
            [
              ['json', 'Save as a recipe file'],
              ['md', 'Save as Markdown'],
            ] as const
          ).map(([ending, word]) => (
            <MenuItem key={ending}>
              <a href={`/api/recipes/${id}/recipe.${ending}`} download className={inMenu}>
                {word}
              </a>
            </MenuItem>
          ))}
          <MenuItem>
            <button type="button" className={inMenu} onClick={() => picture.chooser.current?.click()}>
              {sheet.picture === null ? 'Add a picture …' : 'Take another picture …'}
            </button>
          </MenuItem>
          {sheet.picture !== null && (
            <MenuItem>
              <button type="button" className={inMenu} onClick={() => void picture.takeAway()}>
                Take the picture away
              </button>
            </MenuItem>
          )}
          <MenuItem>
            <button type="button" className={inMenu} onClick={() => void archive()} disabled={edit.isPending}>
              Put away
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
    </div>
  );
}

const rounds = (sheet: Sheet, task: string) => sheet.steps.find((step) => step.task === task)?.rounds ?? 1;

/** What goes in at a step; what went in before is not said again. */
function Takes({ step }: { step: Sheet['steps'][number] | undefined }) {
  const fresh = step?.takes.filter((take) => take.isFresh) ?? [];
  return (
    <>
      {fresh.length > 0 && <span className="figures block text-xs text-steel">{fresh.map((take) => take.said).join(' · ')}</span>}
      {step && step.unlisted.length > 0 && (
        <span className="figures block text-xs font-semibold">
          {step.unlisted.join(', ')}: in no line, so nobody counts {step.unlisted.length > 1 ? 'them' : 'it'}
        </span>
      )}
    </>
  );
}

function Work({ sheet, id }: { sheet: Sheet; id: string }) {
  const vessels = useVessels(id, sheet.portions).data ?? [];
  if (sheet.tasks.length === 0 && !sheet.reheating && sheet.saidAtEating.length === 0) return null;
  return (
    <section className="mt-8">
      <h2 className="mb-1 text-lg">Work and keeping</h2>
      <ol className="mb-3 space-y-1 text-sm">
        {sheet.tasks.map((task, at) => (
          <li key={task.id} className="grid grid-cols-[1.5rem_minmax(0,1fr)_auto] gap-2 border-t border-line py-1">
            <span className="text-steel">{at + 1}</span>
            <span>
              {task.text}
              <Takes step={sheet.steps.find((step) => step.task === task.id)} />
              {vessels
                .filter((vessel) => vessel.task === task.id)
                .map((vessel) => (
                  <span key={vessel.task} className={`figures block text-xs ${vessel.verdict === 'fits' ? 'text-steel' : 'font-semibold'}`}>
                    {vessel.verdict === 'fits' ? `in ${vessel.said}` : vessel.said}
                  </span>
                ))}
            </span>
            <span className="figures whitespace-nowrap text-steel">
              {task.handsOn > 0 && `${minutes(task.handsOn)} by hand`}
              {task.unattended > 0 && ` + ${minutes(task.unattended)} alone`}
              {rounds(sheet, task.id) > 1 && `, ${rounds(sheet, task.id)} rounds`}
              {task.temperatureC !== null && ` at ${temperature(task.temperatureC)}`}
            </span>
          </li>
        ))}
      </ol>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
        {sheet.reheating && (
          <>
            <dt className="text-steel">Reheat</dt>
            <dd>{sheet.reheating}</dd>
          </>
        )}
        {sheet.saidAtEating.length > 0 && (
          <>
            <dt className="text-steel">At eating</dt>
            <dd>{sheet.saidAtEating.join('. ')}</dd>
          </>
        )}
        <dt className="text-steel">Keeping</dt>
        <dd>
          {sheet.keeping.name}: {sheet.keeping.fridgeDays} days. {sheet.keeping.note && `${sheet.keeping.note}. `}
          <span className="text-steel">{sheet.keeping.source}</span>
        </dd>
      </dl>
    </section>
  );
}
