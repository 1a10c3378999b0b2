import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { api, kept, type Schemas } from '../../api/client';
import { askAnew } from '../../api/keys';
import { Button } from '../../pieces/Button';
import { Choice, Field, inputLook } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SheetDialog } from '../../pieces/Sheet';
import { longDate } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { DayInput } from '../week/DayInput';
import { timeOf } from './steps';

type Page = Schemas['SessionPage'];

/** When it is, what it is called and who cooks; all of it can be put otherwise. */
export function SessionHead({ page, week }: { page: Page; week: string }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <div className="mb-1 flex flex-wrap items-center gap-x-3">
      <h2 className="text-lg first-letter:uppercase">{page.name}</h2>
      <p className="figures text-steel">
        {timeOf(page, 0)} to {timeOf(page, page.minutes)}, {page.cooks === 1 ? 'one cook' : `${page.cooks} cooks`}
      </p>
      <Button look="bare" className="print:hidden" onClick={() => setOpen(true)}>
        Change
      </Button>
      {isOpen && <SessionDialog page={page} week={week} onClose={() => setOpen(false)} />}
    </div>
  );
}

/** "17:35" and 25 minutes make "18:00"; round the clock. */
export function minutesAfter(time: string, minutes: number): string {
  const [hours = 0, past = 0] = time.split(':').map(Number);
  const all = (((hours * 60 + past + minutes) % 1_440) + 1_440) % 1_440;
  return `${String(Math.floor(all / 60)).padStart(2, '0')}:${String(all % 60).padStart(2, '0')}`;
}

function SessionDialog({ page, week, onClose }: { page: Page; week: string; onClose: () => void }) {
  const queries = useQueryClient();
  const edit = useEdit();
  const [date, setDate] = useState(page.date);
  const [start, setStart] = useState(page.begins.slice(0, 5));
  const [cooks, setCooks] = useState(page.cooks);
  const [name, setName] = useState(page.name);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void edit.run({
      say: date === page.date ? 'The session is changed.' : `It is cooked on ${longDate(date)}.`,
      ask: () =>
        kept(
          api.PUT('/api/weeks/{date}/sessions/{day}', {
            params: { path: { date: week, day: page.date } },
            body: { date, start: `${start}:00`, cooks, name },
          }),
        ),
      isTold: true,
      settle: async (board) => {
        queries.setQueryData(['week', week], board);
        await askAnew(queries, ['session', 'portioning', 'shop', 'shelf', 'log']);
      },
      last: onClose,
    });
  };
  return (
    <SheetDialog title={`Session of ${longDate(page.date)}`} onClose={onClose}>
      <form onSubmit={submit} className="space-y-3">
        <div className="flex flex-wrap gap-3">
          <div className="flex flex-col gap-1 text-sm font-semibold">
            <span aria-hidden="true">On</span>
            <DayInput label="Date of the session" start={week} value={date} onChange={setDate} />
          </div>
          <label className="flex flex-col gap-1 text-sm font-semibold">
            At
            <input
              type="time"
              value={start}
              onChange={(event) => event.target.value && setStart(event.target.value)}
              className={`figures ${inputLook}`}
            />
          </label>
          <label className="flex flex-col gap-1 text-sm font-semibold">
            Ready by
            <input
              type="time"
              value={minutesAfter(start, page.minutes)}
              onChange={(event) => event.target.value && setStart(minutesAfter(event.target.value, -page.minutes))}
              className={`figures ${inputLook}`}
            />
          </label>
          <Choice
            label="Who cooks"
            value={String(cooks)}
            onChange={(value) => setCooks(Number(value))}
            options={[1, 2, 3, 4].map((many): [string, string] => [String(many), many === 1 ? 'one cook' : `${many} cooks`])}
          />
        </div>
        <Field label="Called" value={name} onChange={setName} />
        {date !== page.date && (
          <p className="text-sm text-steel">
            Its dishes go along, with their keeping times; where a session is on that day already, they join it.
          </p>
        )}
        <ProblemNote of={edit.problem} />
        <Button type="submit" look="main" disabled={edit.isPending}>
          Keep it so
        </Button>
      </form>
    </SheetDialog>
  );
}
