import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { api, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Field } from '../../pieces/Field';
import { useNotices } from '../../pieces/Notice';
import { AllowanceRow } from './AllowanceRow';
import { MealSplit } from './MealSplit';

type Page = Schemas['TablePage'];
type Eater = Schemas['TableEater'];

/** Who eats, under which protocols, with which allowances. */
export function TablePage() {
  const table = useQuery({ queryKey: ['table'], queryFn: () => take(api.GET('/api/table')) });
  return (
    <Asked of={table}>
      {(page) => (
        <div className="mx-auto max-w-5xl p-4 md:p-6">
          <h1 className="text-xl">Table</h1>
          <p className="mb-4 text-steel">
            {page.household} · {page.timeZone}
          </p>
          <div className="space-y-6">
            {page.eaters.map((eater) => (
              <EaterSheet key={eater.id} eater={eater} protocols={page.protocols} />
            ))}
          </div>
          <AddEater isFirst={page.eaters.length === 0} />
        </div>
      )}
    </Asked>
  );
}

/** Changes something at the table; everything that is judged by it is asked anew. */
export function useTableEdit() {
  const queries = useQueryClient();
  const { done, refused } = useNotices();
  const undo = () => take(api.POST('/api/undo', { body: { sequence: null } })).then(() => queries.invalidateQueries(), refused);
  return useMutation({
    mutationFn: ({ ask }: { ask: () => Promise<unknown>; say: string; canUndo?: boolean }) => ask(),
    onSuccess: async (_, { say, canUndo = true }) => {
      await queries.invalidateQueries();
      done(say, canUndo ? () => void undo() : undefined);
    },
    onError: (error) => {
      queries.invalidateQueries({ queryKey: ['table'] });
      refused(error);
    },
  });
}

function EaterSheet({ eater, protocols }: { eater: Eater; protocols: Page['protocols'] }) {
  const edit = useTableEdit();
  const path = { params: { path: { eater: eater.id } } };
  // Shows at once; what the server refuses falls back.
  const [wanted, setWanted] = useState<string[] | null>(null);
  const own = wanted ?? eater.protocols;
  const chosen = protocols.filter((protocol) => eater.protocols.includes(protocol.id));
  const choose = (id: string, isChosen: boolean) => {
    const next = isChosen ? [...own, id] : own.filter((one) => one !== id);
    setWanted(next);
    edit.mutate(
      {
        say: `${eater.name}’s protocols are changed.`,
        ask: () => take(api.PUT('/api/table/eaters/{eater}/protocols', { ...path, body: { protocols: next } })),
      },
      { onSettled: () => setWanted(null) },
    );
  };
  return (
    <section aria-label={eater.name} className="rimmed grid gap-6 border-x border-b border-line p-4 md:grid-cols-[15rem_minmax(0,1fr)]">
      <div>
        <h2 className="mb-2 text-lg">{eater.name}</h2>
        <fieldset>
          <legend className="text-sm text-steel">Protocols</legend>
          {protocols.map((protocol) => (
            <label key={protocol.id} className="flex min-h-8 items-center gap-2 text-sm" title={protocol.summary}>
              <input
                type="checkbox"
                checked={own.includes(protocol.id)}
                onChange={(event) => choose(protocol.id, event.target.checked)}
                className="size-4 accent-cobalt"
              />
              {protocol.name}
            </label>
          ))}
        </fieldset>
      </div>
      <div className="min-w-0 space-y-5">
        <div>
          <h3 className="mb-1 text-base">Rules and allowances</h3>
          {eater.rules.length === 0 && <p className="text-sm text-steel">No protocol is chosen, so nothing is judged for {eater.name}.</p>}
          <ul>
            {eater.rules.map((rule) => (
              <AllowanceRow key={`${rule.protocol}:${rule.rule}:${rule.atLeast}:${rule.atMost}`} rule={rule} eater={eater} edit={edit} />
            ))}
          </ul>
        </div>
        <MealSplit key={JSON.stringify(eater.meals)} eater={eater} edit={edit} />
        {chosen.length > 0 && (
          <details className="text-sm">
            <summary className="cursor-pointer font-semibold text-cobalt">
              Where these rules come from, and when to ask somebody first
            </summary>
            {chosen.map((protocol) => (
              <div key={protocol.id} className="mt-2">
                <b>{protocol.name}.</b> {protocol.summary} <span className="text-steel">{protocol.source}.</span>
                <ul className="mt-1 list-disc pl-5">
                  {protocol.cautions.map((caution) => (
                    <li key={caution}>{caution}</li>
                  ))}
                </ul>
              </div>
            ))}
          </details>
        )}
      </div>
    </section>
  );
}

export type TableEdit = ReturnType<typeof useTableEdit>;

function AddEater({ isFirst }: { isFirst: boolean }) {
  const edit = useTableEdit();
  const [name, setName] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    edit.mutate({
      say: `${name.trim()} is at the table.`,
      canUndo: false,
      ask: () => take(api.POST('/api/table/eaters', { body: { name } })).then(() => setName('')),
    });
  };
  return (
    <form onSubmit={submit} className="mt-6 flex items-end gap-3">
      <Field label={isFirst ? 'Who eats?' : 'Another eater'} value={name} onChange={setName} className="w-56" />
      <Button type="submit" disabled={!name.trim() || edit.isPending}>
        Add
      </Button>
    </form>
  );
}
