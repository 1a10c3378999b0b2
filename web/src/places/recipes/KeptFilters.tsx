import { useQueryClient } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { api, kept, type Schemas } from '../../api/client';
import { askAnew } from '../../api/keys';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { useEdit } from '../../pieces/useEdit';
import type { Filters } from './library';

/** A field that was just asked for is typed into at once. */
const focusAtFirst = (input: HTMLInputElement | null) => input?.focus();

/** What is looked for again and again, under names of its own; what is looked for now can be kept too. */
export function KeptFilters({ kept: all, filters }: { kept: Schemas['KeptFilter'][]; filters: Filters }) {
  const [name, setName] = useState<string | null>(null);
  const edit = useEdit();
  const queries = useQueryClient();
  const query = new URLSearchParams(Object.entries(filters).filter((one): one is [string, string] => Boolean(one[1]))).toString();
  const isKept = all.some((one) => one.query === query);
  const put = (of: string, asked: string | null, say: string) =>
    edit.run({
      ask: () => kept(api.PUT('/api/recipes/filters', { body: { name: of, query: asked } })),
      settle: () => void askAnew(queries, ['recipes']),
      say,
    });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const said = name?.trim();
    if (said) void put(said, query, `“${said}” is kept.`).then((isDone) => isDone && setName(null));
  };
  if (all.length === 0 && query === '') return null;
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
      {all.map((one) => (
        <span key={one.name} className="inline-flex items-center">
          <Link
            to={`?${one.query}`}
            aria-current={one.query === query ? 'page' : undefined}
            className="border-b-2 border-transparent font-semibold text-cobalt aria-[current]:border-cobalt aria-[current]:text-rim"
          >
            {one.name}
          </Link>
          <button
            type="button"
            aria-label={`Let the filter ${one.name} go`}
            className="flex size-6 items-center justify-center text-steel hover:text-rim"
            onClick={() => void put(one.name, null, `“${one.name}” is let go.`)}
          >
            <X size={13} />
          </button>
        </span>
      ))}
      {query !== '' &&
        !isKept &&
        (name === null ? (
          <Button look="bare" onClick={() => setName('')}>
            Keep this filter
          </Button>
        ) : (
          <form onSubmit={submit} className="flex items-center gap-2">
            <input
              aria-label="Name of the filter"
              ref={focusAtFirst}
              maxLength={40}
              value={name}
              onChange={(event) => setName(event.target.value)}
              placeholder="Quick suppers"
              className={`${inputLook} w-44`}
            />
            <Button type="submit" disabled={!name.trim() || edit.isPending}>
              Keep it
            </Button>
          </form>
        ))}
      <ProblemNote of={edit.problem} />
    </div>
  );
}
