import { useState } from 'react';
import { Link } from 'react-router';
import { api, kept, type Schemas } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { ButtonLink } from '../../pieces/ButtonLink';
import { Choice, Field } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { dayKeys, mealName, weekOrder } from '../../pieces/show';
import { Tick } from '../../pieces/Tick';
import { useTyped } from '../../pieces/useTyped';
import { AllowanceRow } from '../table/eaters/AllowanceRow';
import { SameNumbers } from '../table/eaters/SameNumbers';
import { type Eater, type Page, useTable, useTableEdit } from '../table/queries';
import { dayWord, newPrepDay, useRhythm, useRhythmEdit } from '../table/rhythm/queries';

/** A new household in one page: who eats, by which rules, which meals come from the prep, and when it is cooked. */
export function StartPage() {
  const table = useTable();
  return (
    <Asked of={table}>
      {(page) => (
        <div className="mx-auto max-w-4xl p-4 md:p-6">
          <h1 className="text-2xl">Set the table</h1>
          <p className="mb-5 text-steel">Everything here counts at once and can be changed later at the Table.</p>
          <div className="space-y-5">
            {page.eaters
              .filter((eater) => !eater.isGuest)
              .map((eater) => (
                <Seat key={eater.id} eater={eater} page={page} />
              ))}
            <AnotherSeat />
            <CookingDays />
          </div>
          <div className="mt-6 flex flex-wrap items-center gap-4 border-t-2 border-rim pt-4">
            <ButtonLink to="/recipes/new">Bring the first recipe</ButtonLink>
            <Link to="/week" className="font-semibold text-cobalt hover:underline">
              Look at the week
            </Link>
          </div>
        </div>
      )}
    </Asked>
  );
}

function Seat({ eater, page }: { eater: Eater; page: Page }) {
  const edit = useTableEdit();
  const name = useTyped(eater.name);
  const path = { params: { path: { eater: eater.id } } };
  const followed = page.protocols.filter((protocol) => eater.protocols.includes(protocol.id));
  const choose = (id: string) =>
    edit.run({
      say: id === '' ? `${eater.name} follows no protocol.` : `${eater.name} follows ${page.protocols.find((one) => one.id === id)?.name}.`,
      ask: () => kept(api.PUT('/api/table/eaters/{eater}/protocols', { ...path, body: { protocols: id === '' ? [] : [id] } })),
    });
  const toggle = (at: number, isFromPrep: boolean) =>
    edit.run({
      say: `${eater.name}’s meals are changed.`,
      ask: () =>
        kept(
          api.PUT('/api/table/eaters/{eater}/meals', {
            ...path,
            body: {
              meals: eater.meals.map((meal, index) =>
                index === at
                  ? { ...meal, pattern: meal.pattern.map(() => (isFromPrep ? 'prep' : 'nothing') as Schemas['MealSource']) }
                  : meal,
              ),
            },
          }),
        ),
    });
  const numbers = eater.rules.filter((rule) => rule.asksAtLeast || rule.asksAtMost);
  return (
    <section aria-label={eater.name} className="rimmed grid gap-4 border-x border-b border-line p-4 md:grid-cols-[14rem_minmax(0,1fr)]">
      <div className="space-y-3">
        <Field
          label="Who eats"
          value={name.text}
          onChange={name.type}
          problem={edit.problem?.field === 'name' ? `${edit.problem.title} ${edit.problem.cure}` : undefined}
        />
        {name.text.trim() !== eater.name && name.text.trim() !== '' && (
          <Button
            onClick={() => {
              const { text } = name;
              void edit
                .run({
                  say: `${text.trim()} it is.`,
                  ask: () => kept(api.PUT('/api/table/eaters/{eater}/name', { ...path, body: { name: text } })),
                })
                .then((isDone) => isDone && name.kept(text));
            }}
          >
            Keep the name
          </Button>
        )}
        <fieldset>
          <legend className="text-sm font-semibold">From the prep</legend>
          {eater.meals.map((meal, at) => (
            <label key={meal.meal} className="flex min-h-8 items-center gap-2 text-sm">
              <Tick
                isTicked={meal.pattern.some((source) => source === 'prep')}
                onTick={(isTicked) => void toggle(at, isTicked)}
                className="size-4"
              />
              <span className="first-letter:uppercase">{mealName(meal.meal)}</span>
              {new Set(meal.pattern).size > 1 && <span className="text-xs text-steel">on some days</span>}
            </label>
          ))}
        </fieldset>
      </div>
      <div className="min-w-0">
        {eater.protocols.length > 1 ? (
          <p className="text-sm">
            <b>{followed.map((protocol) => protocol.name).join(' and ')}</b>{' '}
            <Link to={`/table?eater=${encodeURIComponent(eater.name)}`} className="font-semibold text-cobalt hover:underline">
              Change at the Table
            </Link>
          </p>
        ) : (
          <Choice
            label="Eats by"
            value={eater.protocols[0] ?? ''}
            onChange={(id) => void choose(id)}
            options={[['', 'no protocol: nothing is judged'], ...page.protocols.map((one): [string, string] => [one.id, one.name])]}
            hint={followed[0]?.summary}
          />
        )}
        {followed.map(
          (protocol) =>
            protocol.cautions.length > 0 && (
              <details key={protocol.id} className="mt-2 text-sm" open>
                <summary className="cursor-pointer font-semibold">When to ask somebody first</summary>
                <ul className="mt-1 list-disc pl-5 text-steel">
                  {protocol.cautions.map((caution) => (
                    <li key={caution}>{caution}</li>
                  ))}
                </ul>
              </details>
            ),
        )}
        <SameNumbers eater={eater} others={page.eaters} edit={edit} />
        <ul className="mt-3">
          {numbers.map((rule) => (
            <AllowanceRow
              key={`${rule.rule}:${rule.atLeast}:${rule.atMost}`}
              rule={rule}
              eater={eater}
              edit={edit}
              explains={rule === numbers.find((one) => one.needsAllowance)}
            />
          ))}
        </ul>
        <Link
          to={`/table?eater=${encodeURIComponent(eater.name)}`}
          className="mt-2 inline-block text-sm font-semibold text-cobalt hover:underline"
        >
          Allergies, dislikes and the rest of {eater.name}’s rules
        </Link>
      </div>
    </section>
  );
}

function AnotherSeat() {
  const edit = useTableEdit();
  const [name, setName] = useState('');
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void edit.run({
          say: `${name.trim()} is at the table.`,
          ask: () => kept(api.POST('/api/table/eaters', { body: { name, isGuest: false } })),
          last: () => setName(''),
        });
      }}
    >
      <Field label="Somebody else eats too" value={name} onChange={setName} className="w-56" />
      <Button type="submit" disabled={!name.trim() || edit.isPending}>
        Add
      </Button>
    </form>
  );
}

function CookingDays() {
  const rhythm = useRhythm();
  const edit = useRhythmEdit();
  return (
    <Asked of={rhythm}>
      {(now) => (
        <fieldset className="rimmed border-x border-b border-line p-4">
          <legend className="sr-only">When you cook</legend>
          <p aria-hidden="true" className="text-sm font-semibold">
            You cook on
          </p>
          <div className="mt-1 flex flex-wrap gap-x-5">
            {weekOrder().map((at) => {
              const day = dayKeys[at] ?? 'sunday';
              const others = now.prepDays.filter((one) => one.day !== day);
              return (
                <label key={day} className="flex min-h-9 items-center gap-2 text-sm">
                  <Tick
                    isTicked={others.length < now.prepDays.length}
                    onTick={(isTicked) =>
                      void edit.keep(
                        { ...now, prepDays: isTicked ? [...now.prepDays, newPrepDay(day)] : others },
                        isTicked ? `You cook on ${dayWord(day)}.` : `No session on ${dayWord(day)}.`,
                      )
                    }
                    className="size-4"
                  />
                  {dayWord(day)}
                </label>
              );
            })}
          </div>
          <ProblemNote of={edit.problem} />
          <Link to="/table/rhythm" className="mt-2 inline-block text-sm font-semibold text-cobalt hover:underline">
            Meals of the day, the day a week begins on, and when each session starts
          </Link>
        </fieldset>
      )}
    </Asked>
  );
}
