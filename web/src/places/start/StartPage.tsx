import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, kept, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Choice, Field } from '../../pieces/Field';
import { Tick } from '../../pieces/Tick';
import { useEdit } from '../../pieces/useEdit';
import { AllowanceRow } from '../table/eaters/AllowanceRow';
import { type Day, days } from '../table/kitchen/days';
import { type Eater, type Page, useTable, useTableEdit } from '../table/queries';

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
            <PrepDays />
          </div>
          <div className="mt-6 flex flex-wrap items-center gap-4 border-t-2 border-rim pt-4">
            <Link
              to="/recipes/new"
              className="inline-flex min-h-11 items-center rounded-sm bg-cobalt px-4 font-semibold text-on-cobalt hover:brightness-110"
            >
              Bring the first recipe
            </Link>
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
  const [name, setName] = useState(eater.name);
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
          value={name}
          onChange={setName}
          problem={edit.problem?.field === 'name' ? `${edit.problem.title} ${edit.problem.cure}` : undefined}
        />
        {name.trim() !== eater.name && name.trim() !== '' && (
          <Button
            onClick={() =>
              void edit.run({
                say: `${name.trim()} it is.`,
                ask: () => kept(api.PUT('/api/table/eaters/{eater}/name', { ...path, body: { name } })),
              })
            }
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
              <span className="first-letter:uppercase">{meal.meal}</span>
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

function PrepDays() {
  const kitchen = useQuery({ queryKey: ['table', 'kitchen'], queryFn: () => take(api.GET('/api/table/kitchen')) });
  const edit = useEdit();
  return (
    <Asked of={kitchen}>
      {({ kitchen: now }) => {
        const set = (part: Partial<Schemas['Kitchen']>) =>
          void edit.run({
            ask: () => kept(api.PUT('/api/table/kitchen', { body: { ...now, ...part } })),
            say: 'The prep days are changed.',
          });
        return (
          <section aria-label="When you cook" className="rimmed flex flex-wrap gap-4 border-x border-b border-line p-4">
            <Choice label="You cook on" value={now.prepDay} onChange={(day) => set({ prepDay: day as Day })} options={days} />
            <Choice
              label="and once more on"
              value={now.secondDay ?? ''}
              onChange={(day) => set({ secondDay: day === '' ? null : (day as Day) })}
              options={[['', 'no other day'], ...days.filter(([day]) => day !== now.prepDay)]}
            />
          </section>
        );
      }}
    </Asked>
  );
}
