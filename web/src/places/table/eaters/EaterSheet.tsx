import { useState } from 'react';
import { Link } from 'react-router';
import { api, kept } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { EffectList } from '../EffectList';
import { type Eater, type Page, type TableEdit, useTableEdit } from '../queries';
import { AllowanceRow } from './AllowanceRow';
import { MealSplit } from './MealSplit';
import { Personal } from './Personal';
import { PhasePlan } from './PhasePlan';
import { SameNumbers } from './SameNumbers';

/** One eater: protocols with their choices and allowances, the day's meals, allergies and habits. */
export function EaterSheet({ eater, page, onRemoved }: { eater: Eater; page: Page; onRemoved: () => void }) {
  const edit = useTableEdit();
  const [justChosen, setJustChosen] = useState<string | null>(null);
  const choose = (protocol: string, choice: Eater['choices'][number], option: string) =>
    edit.run({
      say: `${eater.name}: ${choice.options.find((one) => one.id === option)?.name}.`,
      ask: () =>
        kept(
          api.PUT('/api/table/eaters/{eater}/choice', {
            params: { path: { eater: eater.id } },
            body: { protocol, choice: choice.id, option },
          }),
        ),
    });
  const followed = page.protocols.filter((protocol) => eater.protocols.includes(protocol.id));
  return (
    <section
      aria-label={eater.name}
      className="rimmed grid min-w-0 gap-6 border-x border-b border-line p-4 lg:grid-cols-[minmax(0,1fr)_20rem]"
    >
      <div className="min-w-0 space-y-5">
        <NameLine eater={eater} edit={edit} onRemoved={onRemoved} />
        {eater.isGuest ? (
          <p className="text-sm">
            {eater.name} is a guest: gets portions, and nothing is judged for them. What they are allergic to is kept from their plate all
            the same.
          </p>
        ) : (
          <ProtocolChoice eater={eater} page={page} edit={edit} onChosen={setJustChosen} />
        )}
        {eater.conflicts.map((conflict) => (
          <p key={conflict} role="alert" className="border-l-2 border-beet pl-2 text-sm">
            <b className="text-beet">These can never hold together.</b> {conflict}
          </p>
        ))}
        <SameNumbers eater={eater} others={page.eaters} edit={edit} />
        {followed.map((protocol) => (
          <div key={protocol.id}>
            <h3 className="mb-1 text-base">
              <Link to={`/table/protocols/${protocol.id}`} className="hover:underline">
                {protocol.name}
              </Link>
            </h3>
            {protocol.cautions.length > 0 && (
              <details className="mb-2 text-sm" open={justChosen === protocol.id}>
                <summary className="cursor-pointer font-semibold text-cobalt">When to ask somebody first</summary>
                <ul className="mt-1 list-disc pl-5">
                  {protocol.cautions.map((caution) => (
                    <li key={caution}>{caution}</li>
                  ))}
                </ul>
              </details>
            )}
            {eater.choices
              .filter((choice) => choice.protocol === protocol.id)
              .map((choice) => (
                <label key={choice.id} className="mb-1 flex flex-wrap items-center gap-x-2 text-sm">
                  <span className="text-steel">{choice.name}</span>
                  <select
                    value={choice.chosen}
                    onChange={(event) => choose(protocol.id, choice, event.target.value)}
                    className="min-h-8 max-w-full rounded-sm border border-line bg-enamel px-1 font-medium text-rim"
                  >
                    {choice.options.map((option) => (
                      <option key={option.id} value={option.id}>
                        {option.name}
                      </option>
                    ))}
                  </select>
                </label>
              ))}
            <ul>
              {eater.rules
                .filter((rule) => rule.protocol === protocol.id)
                .map((rule, _, own) => (
                  <AllowanceRow
                    key={`${rule.rule}:${rule.atLeast}:${rule.atMost}`}
                    rule={rule}
                    eater={eater}
                    edit={edit}
                    explains={rule === own.find((one) => one.needsAllowance)}
                  />
                ))}
            </ul>
            {eater.phases
              .filter((phases) => phases.protocol === protocol.id)
              .map((phases) => (
                <PhasePlan key={`${phases.start} ${phases.restrictionEnds}`} phases={phases} eater={eater} edit={edit} today={page.today} />
              ))}
          </div>
        ))}
        {!eater.isGuest && eater.rules.length === 0 && (
          <p className="text-sm text-steel">No protocol is chosen, so nothing is judged for {eater.name}.</p>
        )}
      </div>
      <div className="min-w-0 space-y-5 lg:border-l lg:border-line lg:pl-5">
        {edit.turned && (
          <div aria-live="polite" className="rounded-sm bg-tray p-3">
            <h3 className="mb-1 flex items-center justify-between text-base">
              What this turned
              <Button look="bare" className="text-xs" onClick={edit.forget}>
                Dismiss
              </Button>
            </h3>
            <EffectList changes={edit.turned.changes} nothing="" />
          </div>
        )}
        <MealSplit key={JSON.stringify(eater.meals)} eater={eater} edit={edit} />
        <Personal eater={eater} classes={page.classes} edit={edit} />
      </div>
    </section>
  );
}

function NameLine({ eater, edit, onRemoved }: { eater: Eater; edit: TableEdit; onRemoved: () => void }) {
  const [name, setName] = useState<string | null>(null);
  const path = { params: { path: { eater: eater.id } } };
  if (name === null)
    return (
      <div className="flex items-center gap-2">
        <h2 className="flex-1 text-lg">{eater.name}</h2>
        <Button look="bare" onClick={() => setName(eater.name)}>
          Rename
        </Button>
        <Button
          look="bare"
          onClick={() =>
            edit.run({
              say: `${eater.name} is no longer at the table.`,
              ask: () => kept(api.DELETE('/api/table/eaters/{eater}', path)),
              last: onRemoved,
            })
          }
        >
          Remove
        </Button>
      </div>
    );
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        edit.run({
          say: `${name.trim()} it is.`,
          ask: () => kept(api.PUT('/api/table/eaters/{eater}/name', { ...path, body: { name } })),
          last: () => setName(null),
        });
      }}
    >
      <input
        aria-label="Name"
        value={name}
        onChange={(event) => setName(event.target.value)}
        className="min-h-9 rounded-sm border border-slate bg-enamel px-2"
      />
      <Button type="submit" disabled={!name.trim() || edit.isPending}>
        Change
      </Button>
      <Button onClick={() => setName(null)}>Leave it</Button>
    </form>
  );
}

function ProtocolChoice({
  eater,
  page,
  edit,
  onChosen,
}: {
  eater: Eater;
  page: Page;
  edit: TableEdit;
  onChosen: (protocol: string) => void;
}) {
  // Shows at once; what the server refuses falls back.
  const [wanted, setWanted] = useState<string[] | null>(null);
  const [isOpen, setOpen] = useState(eater.protocols.length === 0);
  const own = wanted ?? eater.protocols;
  const choose = (id: string, isChosen: boolean) => {
    const next = isChosen ? [...own, id] : own.filter((one) => one !== id);
    setWanted(next);
    void edit
      .run({
        say: `${eater.name}’s protocols are changed.`,
        ask: () =>
          kept(api.PUT('/api/table/eaters/{eater}/protocols', { params: { path: { eater: eater.id } }, body: { protocols: next } })),
        last: () => isChosen && onChosen(id),
      })
      // What was chosen since then is not given up.
      .then(() => setWanted((now) => (now === next ? null : now)));
  };
  return (
    <div>
      <Button look={isOpen ? 'bare' : 'quiet'} aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        {isOpen ? 'Done choosing' : eater.protocols.length === 0 ? 'Choose protocols' : 'Choose other protocols'}
      </Button>
      {isOpen && (
        <fieldset className="mt-1 grid gap-x-6 sm:grid-cols-2">
          <legend className="sr-only">Protocols</legend>
          {page.protocols.map((protocol) => (
            <label key={protocol.id} className="flex min-h-8 items-center gap-2 text-sm" title={protocol.summary}>
              <input
                type="checkbox"
                checked={own.includes(protocol.id)}
                onChange={(event) => choose(protocol.id, event.target.checked)}
                className="size-4 accent-cobalt"
              />
              {protocol.name}
              {protocol.isOwn && <span className="text-steel">yours</span>}
            </label>
          ))}
        </fieldset>
      )}
    </div>
  );
}
