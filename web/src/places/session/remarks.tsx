import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { api, kept, type Schemas } from '../../api/client';
import { askAnew } from '../../api/keys';
import { Button } from '../../pieces/Button';
import { drawThenFocus } from '../../pieces/drawThenFocus';
import { inputLook } from '../../pieces/Field';
import { minutes, typedNumber } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { useTyped } from '../../pieces/useTyped';

type Task = Schemas['SessionPage']['tasks'][number];

function useRemark(week: string) {
  const edit = useEdit();
  const queries = useQueryClient();
  return (body: Schemas['RemarkRequest'], say: string) =>
    edit.run({
      ask: () => kept(api.PUT('/api/weeks/{date}/sessions/remark', { params: { path: { date: week } }, body })),
      say,
      settle: async () => {
        await askAnew(queries, ['session', 'portioning', 'recipes']);
      },
    });
}

/** How long a step that is done really took. */
export function Took({ task, week }: { task: Task; week: string }) {
  const [isOpen, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const remark = useRemark(week);
  const planned = task.planned;
  const field = `took-${task.batchId}-${task.taskId}`;
  if (!isOpen) {
    const word =
      task.took !== null
        ? `took ${minutes(task.took)}`
        : task.measured !== null
          ? `took ${minutes(task.measured)} by the clock?`
          : 'took longer?';
    return (
      <button
        type="button"
        aria-label={`${task.took === null ? 'Say how long it took' : word}: ${task.text}`}
        className="min-h-11 px-1 text-sm font-semibold whitespace-nowrap text-cobalt hover:underline max-sm:ml-[6.2rem] print:hidden"
        onClick={() => {
          setTyped(String(task.took ?? task.measured ?? planned));
          drawThenFocus(
            () => setOpen(true),
            () => document.getElementById(field),
          );
        }}
      >
        {word}
      </button>
    );
  }
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const read = typedNumber(typed);
    if (read !== null && !(read >= 1)) return;
    const took = read === null || Math.round(read) === planned ? null : Math.round(read);
    void remark(
      { batchId: task.batchId, taskId: task.taskId, minutes: took, note: '' },
      took === null ? 'It took as long as planned.' : `It took ${minutes(took)}.`,
    ).then((isDone) => isDone && setOpen(false));
  };
  return (
    <form onSubmit={submit} className="inline-flex items-center gap-2 whitespace-nowrap max-sm:ml-[6.2rem] print:hidden">
      <label className="inline-flex items-center gap-1 text-sm">
        took
        <input
          id={field}
          inputMode="numeric"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && setOpen(false)}
          className={`figures ${inputLook} w-16 text-right`}
        />
        min
      </label>
      <Button type="submit">Keep</Button>
    </form>
  );
}

/** What to do otherwise the next time. */
export function Remark({ batch, week }: { batch: Schemas['PortioningBatch']; week: string }) {
  const note = useTyped(batch.note);
  const remark = useRemark(week);
  const isOther = note.text.trim() !== batch.note;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const said = note.text;
    void remark({ batchId: batch.id, taskId: '', minutes: null, note: said }, `It is kept with ${batch.letter}.`).then(
      (isDone) => isDone && note.kept(said),
    );
  };
  return (
    <form onSubmit={submit} className="mt-2 flex flex-wrap items-center gap-2 print:hidden">
      <label className="flex min-w-0 flex-1 basis-64 items-center gap-2 text-sm">
        <span className="shrink-0 text-steel">How it went</span>
        <input
          value={note.text}
          maxLength={400}
          placeholder="Too salty: half the stock cubes will do"
          onChange={(event) => note.type(event.target.value)}
          className={`${inputLook} min-w-0 flex-1`}
        />
      </label>
      {isOther && <Button type="submit">Keep it for the next time</Button>}
    </form>
  );
}
