import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, kept } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { amount, mealName, minutes, number, portions, temperature } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { ExchangeDialog } from './ExchangeDialog';
import { Choices, NearestFoods, PacketsDiffer } from './LineQuestions';
import { Numbers } from './Numbers';
import { type Sheet, shareOf, toDraft, useRecipe, useSaveRecipe } from './queries';
import { Verdicts } from './Verdicts';

/** One calm page with a wide margin for verdicts. */
export function RecipeSheetPage() {
  const { id = '' } = useParams();
  return <Asked of={useRecipe(id)}>{(sheet) => <RecipeSheet sheet={sheet} id={id} />}</Asked>;
}

function RecipeSheet({ sheet, id }: { sheet: Sheet; id: string }) {
  return (
    <div className="mx-auto grid max-w-6xl gap-8 p-4 md:p-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <article className="min-w-0">
        <header className="mb-4 flex flex-wrap items-start gap-x-4 gap-y-2">
          <div className="min-w-0 flex-1">
            <h1 className="text-2xl leading-tight">{sheet.name}</h1>
            <p className="text-steel">
              {portions(sheet.portions)} portions{sheet.meal && ` for ${mealName(sheet.meal)}`} · keeps {sheet.keeping.fridgeDays} days in
              the fridge, {sheet.keeping.freezerMonths ? `${sheet.keeping.freezerMonths} months frozen` : 'does not freeze'}
            </p>
          </div>
          <Actions id={id} name={sheet.name} />
        </header>
        <div className="grid gap-8 md:grid-cols-[minmax(0,1fr)_19rem]">
          <section>
            <h2 className="mb-1 text-lg">Ingredients</h2>
            <Lines sheet={sheet} id={id} />
          </section>
          <section>
            <h2 className="mb-1 text-lg">One portion</h2>
            <Numbers measures={sheet.perPortion} points={sheet.points} />
            <p className="mt-3 text-sm">
              <span className="text-steel">Contains </span>
              {sheet.allergens.length > 0 ? sheet.allergens.join(', ') : 'none of the 14 listed allergens, as far as the lines are known'}
            </p>
          </section>
        </div>
        <Work sheet={sheet} />
      </article>
      <aside aria-label="Verdicts" className="rimmed self-start border-x border-b border-line p-4">
        <h2 className="mb-3 text-lg">Does it fit?</h2>
        <Verdicts of={sheet.verdicts} />
      </aside>
    </div>
  );
}

function Actions({ id, name }: { id: string; name: string }) {
  const navigate = useNavigate();
  const edit = useEdit();
  const archive = () =>
    edit.run({
      ask: () => kept(api.DELETE('/api/recipes/{id}', { params: { path: { id } } })),
      first: () => navigate('/recipes'),
      say: `${name} is put away.`,
    });
  return (
    <div className="flex gap-2">
      <Link
        to={`/recipes/${id}/edit`}
        className="inline-flex min-h-9 items-center rounded-sm border border-line px-3 text-sm font-semibold hover:border-rim"
      >
        Change
      </Link>
      <Button onClick={() => void archive()} disabled={edit.isPending}>
        Put away
      </Button>
    </div>
  );
}

function Lines({ sheet, id }: { sheet: Sheet; id: string }) {
  const [exchanged, setExchanged] = useState<Sheet['lines'][number] | null>(null);
  return (
    <>
      {exchanged?.food && exchanged.grams && (
        <ExchangeDialog
          food={exchanged.food}
          name={exchanged.foodName ?? ''}
          grams={exchanged.grams.best}
          onClose={() => setExchanged(null)}
        />
      )}
      <table className="w-full text-sm">
        <thead className="text-left text-xs text-steel">
          <tr>
            <th className="font-normal">Line</th>
            <th className="pl-2 text-right font-normal">Batch</th>
            <th className="pl-2 text-right font-normal">kcal</th>
            <th className="pl-2 text-right font-normal whitespace-nowrap">net carbs</th>
          </tr>
        </thead>
        <tbody className="figures align-top">
          {sheet.lines.map((line, at) => {
            const of = (key: string) => line.perPortion.find((measure) => measure.key === key);
            return (
              <tr key={at} className="border-t border-line">
                <td className="py-1 wrap-anywhere">
                  {line.food && line.grams && !line.uses ? (
                    <button
                      type="button"
                      title="Exchange it for another food"
                      onClick={() => setExchanged(line)}
                      className="text-left underline-offset-2 hover:text-cobalt hover:underline"
                    >
                      {line.text}
                    </button>
                  ) : (
                    line.text
                  )}
                  {line.uses && <UseNote line={line} uses={line.uses} sheet={sheet} id={id} />}
                  {line.packetId && <PacketNote line={line} sheet={sheet} id={id} />}
                  {line.choices.length === 0 && line.doubt && (
                    <span className="block text-xs text-steel">{line.doubt.endsWith('?') ? line.doubt : `${line.doubt}.`}</span>
                  )}
                  <Questions line={line} at={at} sheet={sheet} id={id} />
                </td>
                <td className="py-1 pl-2 text-right whitespace-nowrap">
                  {line.grams ? `${number(line.grams.best, 0)} g` : <span className="text-steel">unknown</span>}
                </td>
                {['energy', 'netCarbohydrate'].map((key) => {
                  const measure = of(key);
                  return (
                    <td key={key} className="py-1 pl-2 text-right whitespace-nowrap text-steel">
                      {measure ? amount(measure.value, '', measure.decimals).replace('at least 0', '?') : ''}
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}

/** What a line leaves open, and the one press that settles it: it makes the recipe's next version. */
function Questions({ line, at, sheet, id }: { line: Sheet['lines'][number]; at: number; sheet: Sheet; id: string }) {
  const { save } = useSaveRecipe(id);
  const settle = (change: { text?: string; food?: string }) => {
    const draft = toDraft(sheet);
    const lines = draft.lines.map((one, index) => (index === at ? { ...one, ...change } : one));
    void save({ ...draft, lines }, { say: `${sheet.name} is changed.` });
  };
  return (
    <>
      <Choices read={line} onText={(text) => settle({ text })} onFood={(food) => settle({ food })} />
      <PacketsDiffer read={line} />
      <NearestFoods read={line} onFood={(food) => settle({ food })} />
    </>
  );
}

/** The recipe that a line takes some of, and its newer version when it was changed since. */
function UseNote({
  line,
  uses,
  sheet,
  id,
}: {
  line: Sheet['lines'][number];
  uses: NonNullable<Sheet['lines'][number]['uses']>;
  sheet: Sheet;
  id: string;
}) {
  const { save, isPending } = useSaveRecipe(id);
  return (
    <span className="block text-xs text-steel">
      {shareOf(uses.batches)} {uses.batches && 'of '}
      <Link to={`/recipes/${uses.id}`} className="text-cobalt hover:underline">
        {line.foodName}
      </Link>
      {uses.hasNewer && (
        <>
          , which was changed since.{' '}
          <button
            type="button"
            disabled={isPending}
            onClick={() => save(toDraft(sheet), { say: `${sheet.name} has the newest ${line.foodName}.` })}
            className="font-semibold text-cobalt hover:underline"
          >
            Take the new one
          </button>
        </>
      )}
    </span>
  );
}

/** A packet's own page, and its newer version when it was printed anew since the recipe was saved. */
function PacketNote({ line, sheet, id }: { line: Sheet['lines'][number]; sheet: Sheet; id: string }) {
  const { save, isPending } = useSaveRecipe(id);
  return (
    <span className="block text-xs text-steel">
      <Link to={`/larder/foods/${line.food}`} className="text-cobalt hover:underline">
        the packet
      </Link>
      {line.hasNewerPacket && (
        <>
          {' '}
          was printed anew since.{' '}
          <button
            type="button"
            disabled={isPending}
            onClick={() => save(toDraft(sheet), { say: `${sheet.name} has the newest packets.` })}
            className="font-semibold text-cobalt hover:underline"
          >
            Take the new one
          </button>
        </>
      )}
    </span>
  );
}

function Work({ sheet }: { sheet: Sheet }) {
  if (sheet.tasks.length === 0 && !sheet.reheating && !sheet.atEating) return null;
  return (
    <section className="mt-8">
      <h2 className="mb-1 text-lg">Work and keeping</h2>
      <ol className="mb-3 space-y-1 text-sm">
        {sheet.tasks.map((task, at) => (
          <li key={task.id} className="grid grid-cols-[1.5rem_minmax(0,1fr)_auto] gap-2 border-t border-line py-1">
            <span className="text-steel">{at + 1}</span>
            <span>{task.text}</span>
            <span className="figures whitespace-nowrap text-steel">
              {task.handsOn > 0 && `${minutes(task.handsOn)} by hand`}
              {task.unattended > 0 && ` + ${minutes(task.unattended)} alone`}
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
        {sheet.atEating && (
          <>
            <dt className="text-steel">At eating</dt>
            <dd>{sheet.atEating}</dd>
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
