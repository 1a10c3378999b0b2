import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, kept, take } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { Field } from '../../../pieces/Field';
import { dayMonth } from '../../../pieces/show';
import { useEdit } from '../../../pieces/useEdit';

/** The short diary of a protocol's trial: a note for a day, the newest in front. */
export function Diary({ eater, protocol, day, isToday = true }: { eater: string; protocol: string; day: string; isToday?: boolean }) {
  const edit = useEdit();
  const [text, setText] = useState('');
  const path = { params: { path: { eater, protocol } } };
  const entries = useQuery({
    queryKey: ['diary', eater, protocol],
    queryFn: () => take(api.GET('/api/table/eaters/{eater}/diary/{protocol}', path)),
  });
  const write = () =>
    edit.run({
      ask: () => kept(api.POST('/api/table/eaters/{eater}/diary', { params: { path: { eater } }, body: { protocol, notedOn: day, text } })),
      last: () => setText(''),
    });
  const strike = (entry: string) =>
    edit.run({ ask: () => kept(api.DELETE('/api/table/diary/{entry}', { params: { path: { entry } } })), say: 'The note is struck out.' });
  return (
    <div className="mt-2">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void write();
        }}
        className="flex items-end gap-2"
      >
        <Field
          label={`Diary of the trial, ${isToday ? 'today' : dayMonth(day)}`}
          value={text}
          onChange={setText}
          className="max-w-md flex-1"
        />
        <Button type="submit" disabled={!text.trim() || edit.isPending}>
          Note it
        </Button>
      </form>
      <ul className="mt-1 text-sm">
        {(entries.data ?? []).slice(0, 8).map((entry) => (
          <li key={entry.id} className="flex items-baseline gap-2">
            <span className="figures w-14 shrink-0 text-steel">{dayMonth(entry.notedOn)}</span> {entry.text}
            <Button look="bare" className="min-h-6! text-xs" onClick={() => strike(entry.id)} aria-label={`Strike out: ${entry.text}`}>
              strike out
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
