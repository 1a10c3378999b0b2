import { Link } from 'react-router';
import { mainLook } from '../../pieces/Button';
import { minutes, temperature } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { aloneOf, countdown, keyOf, type Page, runningOf, sayOfStep, type Task, tick, timeAt, timeOf, toDoOf } from './steps';
import { useAwake } from './useAwake';
import { useNow } from './useNow';
import { useRing } from './useRing';

const minute = 60_000;

const big = 'min-h-14 flex-1 basis-32 rounded-sm px-3 text-base font-semibold transition duration-150';
const main = `${big} bg-cobalt text-on-cobalt hover:brightness-110`;
const quiet = `${big} border border-line bg-enamel hover:border-rim`;

/** What is to be done now, what runs, what comes: for a phone beside the stove. Each press is big, and none needs a network. */
export function CookAlong({ page, week }: { page: Page; week: string }) {
  useAwake();
  const now = useNow();
  const running = runningOf(page);
  const isOver = (task: Task) => Date.parse(task.untilAt ?? '') <= now;
  const over = running.filter(isOver).map(ringOf);
  useRing(over);
  const toDo = toDoOf(page);
  const cooks = Array.from({ length: page.cooks }, (_, at) => at + 1);
  const nows = cooks.flatMap((cook) => toDo.find((task) => task.cook === cook) ?? []);
  const next = toDo.filter((task) => !nows.includes(task)).slice(0, 3);
  const last = page.tasks
    .filter((task) => task.isTicked && task.doneAt !== null)
    .sort((one, other) => Date.parse(other.doneAt ?? '') - Date.parse(one.doneAt ?? ''))[0];
  return (
    <div className="mx-auto max-w-xl">
      <p className="figures mb-2 text-steel">
        {page.tasks.filter((task) => task.isTicked).length} of {page.tasks.length} steps done
        {toDo.length + running.length > 0 && `, over at about ${timeOf(page, page.minutes)}`}
      </p>
      <Timers label="Over" tasks={running.filter(isOver)} page={page} week={week} now={now} />
      {nows.map((task) => (
        <Now key={keyOf(task)} page={page} task={task} week={week} now={now} />
      ))}
      <Timers label="Runs by itself" tasks={running.filter((task) => !isOver(task))} page={page} week={week} now={now} />
      {page.cooling.map((hot) => (
        <p key={hot.letter} className="figures mb-2 border-l-2 border-line pl-2">
          <Tape letter={hot.letter} /> {hot.dish}: at 21 °C by <b>{timeAt(new Date(hot.by), page.timeZone)}</b>
          {Date.parse(hot.by) < now
            ? ', which is over: spread it shallow, into cold water'
            : `, ${countdown((Date.parse(hot.by) - now) / 1000)} left`}
        </p>
      ))}
      {toDo.length === 0 && running.length === 0 && (
        <section className="rimmed mb-4 px-4 py-4">
          <h3 className="text-lg">Everything is cooked</h3>
          <p className="mt-1 mb-3 text-steel">Clean the kitchen while it cools; then into the boxes.</p>
          <Link to="?do=portion" className={mainLook}>
            Fill the boxes
          </Link>
        </section>
      )}
      {next.length > 0 && (
        <section aria-label="Next" className="mb-4">
          <h3 className="mb-1 text-sm font-semibold text-steel">Next</h3>
          <ol>
            {next.map((task) => (
              <li key={keyOf(task)} className="flex items-baseline gap-2 border-t border-line py-2">
                <span className="figures w-12 shrink-0 text-steel">{timeOf(page, task.start)}</span>
                <Tape letter={task.letter} />
                <span className="min-w-0 flex-1">{task.text}</span>
              </li>
            ))}
          </ol>
        </section>
      )}
      {last && (
        <p className="flex items-center gap-2 border-t border-line py-1 text-steel">
          <span className="min-w-0 flex-1 truncate">
            {last.isSkipped ? 'Left out' : 'Done'}: {last.letter} {last.text}
          </span>
          <button type="button" className="min-h-12 px-2 font-semibold text-cobalt" onClick={() => tick(week, last, false)}>
            Not yet
          </button>
        </p>
      )}
    </div>
  );
}

/** What is over stands before everything else: it waits for hands, and the next step for it. */
function Timers({ label, tasks, ...rest }: { label: string; tasks: Task[]; page: Page; week: string; now: number }) {
  if (tasks.length === 0) return null;
  return (
    <section aria-label={label} className="mb-4">
      {tasks.map((task) => (
        <Timer key={keyOf(task)} task={task} {...rest} />
      ))}
    </section>
  );
}

const ringOf = (task: Task) => `${keyOf(task)}${task.untilAt}`;

function Now({ page, task, week, now }: { page: Page; task: Task; week: string; now: number }) {
  const alone = aloneOf(task);
  const late = Math.floor((now - Date.parse(page.beginsAt)) / minute) - task.start;
  const isUnderway = page.tasks.some((one) => one.isTicked || one.untilAt !== null);
  const runs = () => {
    const at = Date.now();
    sayOfStep(week, task, { handsOffAt: new Date(at).toISOString(), untilAt: new Date(at + alone * minute).toISOString() });
  };
  return (
    <section aria-label={page.cooks > 1 ? `Now, cook ${task.cook}` : 'Now'} className="rimmed mb-4 px-4 py-3">
      <p className="figures mb-1 flex flex-wrap items-center gap-x-2 text-steel">
        <Tape letter={task.letter} name={task.dish} />
        <span>
          {page.cooks > 1 && `cook ${task.cook}, `}
          {timeOf(page, task.start)}
          {isUnderway && late < 0 && `, in ${minutes(-late)}`}
          {isUnderway && late > 2 && late < 24 * 60 && `, ${minutes(late)} late`}
        </span>
      </p>
      {task.washesBoard && <p className="font-semibold">Wash board and knife first: {task.washesBoard} was on them.</p>}
      {task.cut && <p className="figures">Same cutting: {task.cut}</p>}
      <p className="text-xl leading-snug">{task.text}</p>
      {task.takes.length > 0 && (
        <ul className="figures mt-2">
          {task.takes.map((take) => (
            <li key={take}>{take}</li>
          ))}
        </ul>
      )}
      <p className="figures mt-2 text-steel">
        {[
          task.handsOnEnd > task.start && `${minutes(task.handsOnEnd - task.start)} by hand`,
          alone > 0 && `then ${minutes(alone)} alone`,
          (task.ovenC ?? task.temperatureC) !== null && temperature(task.ovenC ?? task.temperatureC ?? 0),
          task.rounds > 1 && `round ${task.round} of ${task.rounds}`,
          task.vessel && (task.vesselFits === 'fits' ? `in ${task.vessel}` : task.vessel),
          task.inside,
        ]
          .filter(Boolean)
          .join(' · ')}
      </p>
      <div className="mt-3 flex flex-wrap gap-2">
        {alone > 0 ? (
          <button type="button" className={main} onClick={runs}>
            It runs now, {minutes(alone)}
          </button>
        ) : (
          <button type="button" className={main} onClick={() => tick(week, task, true)}>
            Done
          </button>
        )}
        <button
          type="button"
          className={quiet}
          onClick={() => sayOfStep(week, task, { isTicked: true, isSkipped: true, doneAt: new Date().toISOString() })}
        >
          Leave it out
        </button>
      </div>
    </section>
  );
}

function Timer({ page, task, week, now }: { page: Page; task: Task; week: string; now: number }) {
  const until = Date.parse(task.untilAt ?? '');
  const left = Math.ceil((until - now) / 1000);
  const longer = () =>
    // What is over already gets five minutes from now on.
    sayOfStep(week, task, { untilAt: new Date(Math.max(until, Date.now()) + 5 * minute).toISOString() });
  return (
    <div className={`mb-2 border-l-4 px-3 py-2 ${left <= 0 ? 'border-beet bg-tray' : 'border-cobalt bg-tray'}`}>
      <div className="flex items-baseline gap-3">
        <Tape letter={task.letter} />
        <span className="min-w-0 flex-1">{task.text}</span>
        <span role="timer" aria-label={`${task.letter}: ${task.text}`} className="figures text-2xl font-semibold">
          {countdown(left)}
        </span>
      </div>
      <p className="figures text-sm text-steel">
        {left <= 0 ? `over since ${timeAt(new Date(until), page.timeZone)}` : `until ${timeAt(new Date(until), page.timeZone)}`}
        {(task.ovenC ?? task.temperatureC) !== null && ` · ${temperature(task.ovenC ?? task.temperatureC ?? 0)}`}
        {task.inside && ` · ${task.inside}`}
      </p>
      <div className="mt-2 flex gap-2">
        <button type="button" className={left <= 0 ? main : quiet} onClick={() => tick(week, task, true)}>
          Done
        </button>
        <button type="button" className={quiet} onClick={longer}>
          5 more minutes
        </button>
      </div>
    </div>
  );
}
