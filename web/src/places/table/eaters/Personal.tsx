import { useState } from 'react';
import { api, kept, type Schemas } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { Choice, Field } from '../../../pieces/Field';
import { KeyPicker } from '../../../pieces/KeyPicker';
import { dayMonth } from '../../../pieces/show';
import type { Eater, TableEdit } from '../queries';
import { allergyChoices } from './allergyChoices';

type FoodClass = Schemas['TableClass'];

/** Allergies as hard stops with what was accepted by name, dislikes, and the usual portion. */
export function Personal({ eater, classes, edit }: { eater: Eater; classes: FoodClass[]; edit: TableEdit }) {
  const path = { params: { path: { eater: eater.id } } };
  const nameOf = (key: string) => classes.find((one) => one.key === key)?.name ?? key;
  const state = (say: string, change: Partial<Schemas['PersonalRequest']>) =>
    edit.run({
      say,
      ask: () =>
        kept(
          api.PUT('/api/table/eaters/{eater}/personal', {
            ...path,
            body: {
              allergies: eater.allergies,
              dislikes: eater.dislikes.map((one) => one.key),
              portionHabit: eater.portionHabit,
              countsTraces: eater.countsTraces,
              trustsRefinedSoybeanOil: eater.trustsRefinedSoybeanOil,
              ...change,
            },
          }),
        ),
    });
  const allergens = allergyChoices(classes);
  return (
    <div className="space-y-3">
      <div>
        <h3 className="mb-1 text-base">Allergies</h3>
        <div className="text-sm">
          <KeyPicker
            label={`${eater.name}’s allergies`}
            picked={eater.allergies.map((key) => ({ key, name: allergens.find((one) => one.key === key)?.name ?? nameOf(key) }))}
            classes={allergens}
            onChange={(picked) => state(`${eater.name}’s allergies are stated.`, { allergies: picked.map((one) => one.key) })}
          />
          {eater.allergies.length > 0 && (
            <p className="mt-1 text-xs text-steel">
              A hard stop: no dose, dilution or tolerance applies, and what nobody can read is refused until an adult accepts it by name.
            </p>
          )}
        </div>
        {eater.allergies.some((key) => ['soy', 'legume'].includes(key)) && (
          <Choice
            label="Refined soybean oil on a packet"
            className="mt-1 w-full max-w-72"
            value={eater.trustsRefinedSoybeanOil ? 'law' : 'soy'}
            onChange={(value) =>
              state(`What refined soybean oil is for ${eater.name} is changed.`, { trustsRefinedSoybeanOil: value === 'law' })
            }
            options={[
              ['soy', 'is soy (careful)'],
              ['law', 'is not soy where the label’s law says so'],
            ]}
          />
        )}
        {eater.allergies.length > 0 && <Accepted eater={eater} edit={edit} />}
      </div>
      <div>
        <h3 className="mb-1 text-base">Dislikes</h3>
        <KeyPicker
          label={`${eater.name}’s dislikes`}
          withFoods
          picked={eater.dislikes}
          classes={classes}
          onChange={(picked) => state(`${eater.name}’s dislikes are noted.`, { dislikes: picked.map((one) => one.key) })}
        />
      </div>
      <Choice
        label="Usual portion"
        className="w-48"
        value={String(eater.portionHabit)}
        onChange={(value) => state(`${eater.name}’s usual portion is changed.`, { portionHabit: Number(value) })}
        options={[
          ['0.5', 'half a portion'],
          ['0.75', 'three quarters'],
          ['1', 'one portion'],
          ['1.25', 'one and a quarter'],
          ['1.5', 'one and a half'],
          ['2', 'two portions'],
        ]}
      />
      <Choice
        label="Traces low in a packet’s ingredients"
        className="w-full max-w-72"
        value={eater.countsTraces ? 'yes' : 'no'}
        onChange={(value) => state(`What traces are for ${eater.name} is changed.`, { countsTraces: value === 'yes' })}
        options={[
          ['yes', 'count like the rest'],
          ['no', 'do not count, except for allergies'],
        ]}
      />
    </div>
  );
}

function Accepted({ eater, edit }: { eater: Eater; edit: TableEdit }) {
  const [isOpen, setOpen] = useState(false);
  const [what, setWhat] = useState<{ key: string; name: string }[]>([]);
  const [words, setWords] = useState('');
  const [reason, setReason] = useState('');
  const [isAdult, setAdult] = useState(false);
  const path = { params: { path: { eater: eater.id } } };
  const accept = () =>
    edit.run({
      say: `Accepted for ${eater.name}.`,
      ask: () =>
        kept(api.POST('/api/table/eaters/{eater}/accepted', { ...path, body: { what: what[0]?.key ?? words.trim(), reason, isAdult } })),
      last: () => {
        setOpen(false);
        setWhat([]);
        setWords('');
        setReason('');
        setAdult(false);
      },
    });
  return (
    <div className="mt-1 text-sm">
      <ul>
        {eater.accepted.map((one) => (
          <li key={one.what} className="flex flex-wrap items-baseline gap-x-2">
            <b>{one.name}</b> <span>{one.reason}</span>
            <span className="text-steel">accepted {dayMonth(one.acceptedAt.slice(0, 10))}</span>
            <Button
              look="bare"
              className="min-h-6! text-xs"
              onClick={() =>
                edit.run({
                  say: 'No longer accepted.',
                  ask: () => kept(api.POST('/api/table/eaters/{eater}/accepted/withdraw', { ...path, body: { what: one.what } })),
                })
              }
            >
              withdraw
            </Button>
          </li>
        ))}
      </ul>
      {!isOpen && (
        <Button look="bare" className="px-0! text-xs" onClick={() => setOpen(true)}>
          Accept a food by name
        </Button>
      )}
      {isOpen && (
        <div className="space-y-2 border-l-2 border-rim pl-3">
          <div>
            <span className="text-sm font-semibold">Food </span>
            <KeyPicker label="Food to accept" withFoods picked={what} classes={[]} onChange={(picked) => setWhat(picked.slice(-1))} />
          </div>
          {what.length === 0 && (
            <Field label="or the words of a line that no food is known for" value={words} onChange={setWords} className="max-w-sm" />
          )}
          <Field label="Why it is safe" hint="What the packet says, for example" value={reason} onChange={setReason} className="max-w-sm" />
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={isAdult}
              onChange={(event) => setAdult(event.target.checked)}
              className="size-4 accent-cobalt"
            />
            I am an adult and I read it
          </label>
          <div className="flex gap-2">
            <Button look="main" disabled={!isAdult || !reason.trim() || !(what[0] || words.trim())} onClick={accept}>
              Accept it
            </Button>
            <Button onClick={() => setOpen(false)}>Leave it</Button>
          </div>
        </div>
      )}
    </div>
  );
}
