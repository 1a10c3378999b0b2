import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, kept, type Schemas, take } from '../../api/client';
import { askAnew } from '../../api/keys';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { addDays, minutes, number, portions, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { useEdit } from '../../pieces/useEdit';
import { useTyped } from '../../pieces/useTyped';
import { Wasted } from '../Wasted';

type Page = Schemas['LookBackPage'];
type Batch = Schemas['BackBatch'];

/** The week when it is over: planned against eaten, what batches weighed and took, what was thrown away, and what was good. */
export function LookBack({ date, eater }: { date: string; eater: string | null }) {
  const back = useQuery({
    queryKey: ['log', date, 'back'],
    queryFn: () => take(api.GET('/api/weeks/{date}/look-back', { params: { path: { date } } })),
  });
  return (
    <Asked of={back}>
      {(page) => {
        const shown = page.eaters.find((one) => one.id === eater) ?? page.eaters[0];
        return page.days.length === 0 ? (
          <p className="text-steel">This week is still to come.</p>
        ) : (
          <>
            {shown && <Eater eater={shown} days={page.days} />}
            {page.batches.length > 0 && <Batches page={page} />}
            <Wasted title="Thrown away" wasted={page.wasted} says={page.pricesSay} />
          </>
        );
      }}
    </Asked>
  );
}

function Eater({ eater, days }: { eater: Schemas['BackEater']; days: string[] }) {
  const said: [number, string][] = [
    [eater.eaten, 'eaten'],
    [eater.inPart, 'in part'],
    [eater.leftOut, 'left out'],
    [eater.unsaid, 'not said'],
  ];
  return (
    <section aria-label={`${eater.name}, planned and eaten`} className="mb-6">
      <h2 className="text-lg">{eater.name}, planned and eaten</h2>
      <p className="figures mb-2">
        Of {eater.planned} {eater.planned === 1 ? 'thing' : 'things'} planned:{' '}
        {said
          .filter(([many]) => many > 0)
          .map(([many, word]) => `${many} ${word}`)
          .join(', ') || 'nothing'}
        {eater.besides > 0 && `. Besides: ${eater.besides}`}.
      </p>
      <ul className="space-y-3">
        {eater.rulers.map((ruler) => (
          <li key={ruler.rule}>
            <h3 className="text-sm font-normal">
              <b>{ruler.title}</b> <span className="figures text-steel">{bounds(ruler)}</span>
            </h3>
            <ol className="grid max-w-3xl grid-cols-7 gap-1">
              {days.map((day) => (
                <Day key={day} ruler={ruler} date={day} />
              ))}
            </ol>
          </li>
        ))}
      </ul>
      {eater.unsaid > 0 && eater.rulers.length > 0 && (
        <p className="mt-1 text-xs text-steel">Outlined: planned. Filled: eaten, as far as it was said; “…” where not all of a day was.</p>
      )}
    </section>
  );
}

type Limit = Schemas['BackRuler'];

/** One day of a limit: what was planned in outline, what was eaten filled, a notch where the limit lies. */
function Day({ ruler, date }: { ruler: Limit; date: string }) {
  // A day without anything planned or eaten says nothing of the limit.
  const day = ruler.days.find((one) => one.date === date && one.planned + one.eaten > 0);
  const bound = ruler.atMost ?? ruler.atLeast ?? 0;
  const end = Math.max(bound, ...ruler.days.flatMap((one) => [one.planned, one.eaten])) * 1.05 || 1;
  const width = (value: number) => ({ width: `${(value / end) * 100}%` });
  const isWrong = day?.isSaid === true && isOver(ruler, day.eaten);
  return (
    <li className="figures min-w-0 text-xs">
      <span className="text-steel">{weekday(date)}</span>
      {day && (
        <>
          <span aria-hidden="true" className="relative my-0.5 block h-3 border-l border-steel bg-tray">
            <span className="absolute inset-y-0 left-0 border-y border-r border-rim" style={width(day.planned)} />
            <span className={`absolute inset-y-0.5 left-0 ${isWrong ? 'bg-beet' : 'bg-cobalt'}`} style={width(day.eaten)} />
            <span className="absolute inset-y-0 border-r-2 border-rim" style={width(bound)} />
          </span>
          <span className={`block font-semibold ${isWrong ? 'text-beet' : ''}`}>
            <span className="sr-only">eaten </span>
            {day.isSaid || day.eaten > 0 ? show(ruler, day.eaten) : ''}
            {!day.isSaid && ' …'}
          </span>
          <span className="block text-steel">
            <span className="sr-only">planned </span>
            {show(ruler, day.planned)}
          </span>
        </>
      )}
    </li>
  );
}

const show = (ruler: Limit, value: number) => number(value, ruler.decimals);

const isOver = ({ atLeast, atMost }: Limit, value: number) => (atMost !== null && value > atMost) || (atLeast !== null && value < atLeast);

function bounds(ruler: Limit): string {
  const { atLeast, atMost, unit } = ruler;
  if (atLeast !== null && atMost !== null) return `${show(ruler, atLeast)}–${show(ruler, atMost)} ${unit}`;
  return atMost !== null ? `at most ${show(ruler, atMost)} ${unit}` : `at least ${show(ruler, atLeast ?? 0)} ${unit}`;
}

function Batches({ page }: { page: Page }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const edit = useEdit();
  const again = page.batches.filter((batch) => batch.again);
  const next = addDays(page.start, 7);
  const cookAgain = () =>
    edit
      .run({
        ask: () =>
          kept(
            api.POST('/api/weeks/{date}/copy', {
              params: { path: { date: page.start } },
              body: { to: next, withMeals: false, batches: again.map((batch) => batch.id) },
            }),
          ),
        say: again.length === 1 ? 'It is on the bench of the next week.' : `${again.length} batches are on the bench of the next week.`,
        settle: () => askAnew(queries, ['week', 'shop', 'session', 'portioning', 'shelf', 'log']).then(() => undefined),
      })
      .then((isDone) => isDone && navigate(`/week/${next}`));
  return (
    <section aria-label="What was cooked" className="mb-6">
      <div className="mb-1 flex flex-wrap items-center gap-x-4">
        <h2 className="text-lg">What was cooked</h2>
        {again.length > 0 && (
          <Button look="main" disabled={edit.isPending} onClick={() => void cookAgain()}>
            Cook {again.map((batch) => batch.letter).join(', ')} again next week
          </Button>
        )}
      </div>
      <ul>
        {page.batches.map((batch) => (
          <Cooked key={batch.id} batch={batch} week={page.start} />
        ))}
      </ul>
    </section>
  );
}

function Cooked({ batch, week }: { batch: Batch; week: string }) {
  const queries = useQueryClient();
  const edit = useEdit();
  const note = useTyped(batch.note);
  const [isNoting, setNoting] = useState(false);
  const settle = () => askAnew(queries, ['log', 'session', 'portioning', 'recipes']).then(() => undefined);
  const path = { params: { path: { date: week } } };
  const sayAgain = (again: boolean | null) =>
    void edit.run({
      ask: () => kept(api.PUT('/api/weeks/{date}/sessions/again', { ...path, body: { batchId: batch.id, again } })),
      settle,
    });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const said = note.text;
    void edit
      .run({
        ask: () =>
          kept(
            api.PUT('/api/weeks/{date}/sessions/remark', { ...path, body: { batchId: batch.id, taskId: '', minutes: null, note: said } }),
          ),
        settle,
      })
      .then((isDone) => isDone && note.kept(said));
  };
  return (
    <li className="border-t border-line py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <Tape letter={batch.tape} name={batch.name} />
        <span className="figures text-sm text-steel">{facts(batch)}</span>
        <span className="flex-1 max-sm:hidden" />
        <span className="flex max-sm:basis-full">
          {!note.text && !isNoting && (
            <Button look="bare" className="mr-2 min-h-11 sm:min-h-9" aria-label={`${batch.name}: a note`} onClick={() => setNoting(true)}>
              A note
            </Button>
          )}
          {([true, false] as const).map((way) => (
            <button
              key={String(way)}
              type="button"
              aria-pressed={batch.again === way}
              aria-label={`${batch.name}: ${way ? 'again' : 'rather not'}`}
              className={`-ml-px min-h-11 border border-line px-3 text-sm font-semibold sm:min-h-9 ${batch.again === way ? 'relative border-cobalt! bg-cobalt text-on-cobalt' : 'text-cobalt hover:bg-tray'}`}
              onClick={() => sayAgain(batch.again === way ? null : way)}
            >
              {way ? 'Again' : 'Rather not'}
            </button>
          ))}
        </span>
      </div>
      {(note.text || isNoting) && (
        <form onSubmit={submit} className="mt-1 flex flex-wrap items-center gap-2">
          <input
            // biome-ignore lint/a11y/noAutofocus: its button was pressed to type here.
            autoFocus={isNoting}
            aria-label={`${batch.name}: how it went`}
            value={note.text}
            maxLength={400}
            placeholder="How it went, for the next time"
            onChange={(event) => note.type(event.target.value)}
            className={`${inputLook} min-w-0 flex-1`}
          />
          {note.text.trim() !== batch.note && <Button type="submit">Keep it</Button>}
        </form>
      )}
    </li>
  );
}

/** "4 portions, 1 left · weighed 1,858 g of 1,910 · took 52 min of 45". */
const facts = (batch: Batch) =>
  [
    `${portions(batch.portions)} portions${batch.left > 0 && batch.left < batch.portions ? `, ${portions(batch.left)} left` : ''}`,
    ...batch.parts.flatMap((part) =>
      part.weighedG === null
        ? []
        : [
            `${part.name || 'weighed'} ${number(part.weighedG, 0)} g${part.plannedG === null ? '' : ` of ${number(part.plannedG, 0)} g reckoned`}`,
          ],
    ),
    ...(batch.tookMinutes !== null ? [`took ${minutes(batch.tookMinutes)} of ${minutes(batch.plannedMinutes ?? 0)}`] : []),
  ].join(' · ');
