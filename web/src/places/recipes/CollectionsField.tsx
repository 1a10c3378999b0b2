import { X } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { api, kept } from '../../api/client';
import { inputLook } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { useEdit } from '../../pieces/useEdit';
import type { Sheet } from './queries';

/** A field that was just asked for is typed into at once. */
const focusAtFirst = (input: HTMLInputElement | null) => input?.focus();

/** The collections that a recipe is in: typed in, and taken out with one press. */
export function CollectionsField({ sheet, id }: { sheet: Sheet; id: string }) {
  const [typed, setTyped] = useState('');
  const [isOpen, setOpen] = useState(false);
  const edit = useEdit();
  const put = (names: string[], say: string) =>
    edit.run({ ask: () => kept(api.PUT('/api/recipes/{id}/collections', { params: { path: { id } }, body: { names } })), say });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const name = typed.trim();
    if (!name) return;
    void put([...sheet.collections, name], `${sheet.name} is in ${name}.`).then((isDone) => {
      if (isDone) {
        setTyped('');
        setOpen(false);
      }
    });
  };
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm print:hidden">
      {sheet.collections.length > 0 && <span className="text-steel">In</span>}
      {sheet.collections.map((name) => (
        <span key={name} className="inline-flex items-center border-b border-line">
          {name}
          <button
            type="button"
            aria-label={`Take it out of ${name}`}
            className="flex size-6 items-center justify-center text-steel hover:text-rim"
            onClick={() =>
              void put(
                sheet.collections.filter((one) => one !== name),
                `${sheet.name} is out of ${name}.`,
              )
            }
          >
            <X size={13} />
          </button>
        </span>
      ))}
      {isOpen ? (
        <form onSubmit={submit} className="flex items-center gap-2">
          <input
            aria-label="Collection"
            ref={focusAtFirst}
            maxLength={40}
            value={typed}
            placeholder="Freezer suppers"
            onChange={(event) => setTyped(event.target.value)}
            className={`${inputLook} w-44`}
          />
          <button type="submit" className="min-h-8 font-semibold text-cobalt hover:underline" disabled={edit.isPending}>
            Put it in
          </button>
        </form>
      ) : (
        <button type="button" className="min-h-8 text-cobalt hover:underline" onClick={() => setOpen(true)}>
          Put into a collection
        </button>
      )}
      <ProblemNote of={edit.problem} />
    </div>
  );
}
