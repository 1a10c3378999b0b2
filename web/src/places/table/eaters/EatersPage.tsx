import { useState } from 'react';
import { useOutletContext, useSearchParams } from 'react-router';
import { api, kept } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { Field } from '../../../pieces/Field';
import { type Page, useTableEdit } from '../queries';
import { EaterSheet } from './EaterSheet';

/** Who eats: a list at the left, one sheet at a time. */
export function EatersPage() {
  const page = useOutletContext<Page>();
  const [params, setParams] = useSearchParams();
  const shown = page.eaters.find((eater) => eater.name === params.get('eater')) ?? page.eaters[0];
  const show = (name: string) => setParams({ eater: name }, { replace: true });
  return (
    <div className="grid gap-5 md:grid-cols-[13rem_minmax(0,1fr)]">
      <div>
        <ul aria-label="Eaters" className="space-y-1">
          {page.eaters.map((eater) => (
            <li key={eater.id}>
              <button
                type="button"
                aria-current={eater === shown ? 'true' : undefined}
                onClick={() => show(eater.name)}
                className={`w-full border-l-2 px-3 py-1.5 text-left ${eater === shown ? 'border-rim bg-tray' : 'border-transparent hover:bg-tray'}`}
              >
                <span className="block font-semibold">{eater.name}</span>
                <span className="block text-xs text-steel">
                  {eater.isGuest
                    ? 'guest'
                    : page.protocols
                        .filter((protocol) => eater.protocols.includes(protocol.id))
                        .map((protocol) => protocol.name)
                        .join(' · ') || 'no protocol'}
                </span>
                {eater.phases.map(
                  (phases) =>
                    phases.today && (
                      <span key={phases.protocol} className="block text-xs">
                        {phases.today}
                      </span>
                    ),
                )}
              </button>
            </li>
          ))}
        </ul>
        <AddEater isFirst={page.eaters.length === 0} onAdded={show} />
      </div>
      {shown && <EaterSheet key={shown.id} eater={shown} page={page} onRemoved={() => setParams({}, { replace: true })} />}
    </div>
  );
}

function AddEater({ isFirst, onAdded }: { isFirst: boolean; onAdded: (name: string) => void }) {
  const edit = useTableEdit();
  const [name, setName] = useState('');
  const add = (isGuest: boolean) => {
    const added = name.trim();
    void edit.run({
      say: `${added} is at the table.`,
      ask: () => kept(api.POST('/api/table/eaters', { body: { name, isGuest } })),
      last: () => {
        setName('');
        onAdded(added);
      },
    });
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        add(false);
      }}
      className="mt-4"
    >
      <div className="flex items-end gap-2">
        <Field label={isFirst ? 'Who eats?' : 'Another eater or guest'} value={name} onChange={setName} className="min-w-0 flex-1" />
        <Button type="submit" disabled={!name.trim() || edit.isPending}>
          Add
        </Button>
      </div>
      {!isFirst && name.trim() && (
        <Button look="bare" className="mt-1" disabled={edit.isPending} onClick={() => add(true)}>
          Add as a guest, without rules
        </Button>
      )}
    </form>
  );
}
