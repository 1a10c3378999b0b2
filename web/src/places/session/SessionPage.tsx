import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { useQuery } from '@tanstack/react-query';
import { Printer } from 'lucide-react';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { NothingCooked } from '../../pieces/NothingCooked';
import { dayMonth, longDate, minutes, temperature } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { Tick } from '../../pieces/Tick';
import { useWaiting, withTaskTicks } from '../../pieces/useOutbox';
import { sessionQuery } from '../kept';
import { useWeekDate } from '../useWeekDate';
import { CookAlong } from './CookAlong';
import { PortioningView } from './PortioningView';
import { Put } from './Put';
import { Took } from './remarks';
import { SessionHead } from './SessionHead';
import { Shorter } from './Shorter';
import { tick, timeOf } from './steps';
import { Track } from './Track';

type Page = Schemas['SessionPage'];

const doings = [
  ['order', 'Order'],
  ['cook', 'Cook along'],
  ['portion', 'Portion'],
] as const;

/** "Heat the oven to 200 °C" needs its temperature no second time. */
const saysItsHeat = (text: string) => /\d\s?(°|º|degrees?\b|[CF]\b)|\bgas (mark )?\d/i.test(text);

/** The order of work for each prep session of the week. */
export function SessionPage() {
  const date = useWeekDate();
  const sessions = useQuery({
    ...sessionQuery(date),
    // A better order is still sought.
    refetchInterval: (query) => (query.state.data?.some((page) => page.isSought) ? 2_000 : false),
  });
  const waiting = useWaiting();
  const doing = useSearchParams()[0].get('do') ?? 'order';
  return (
    <Asked of={sessions}>
      {(stored) => {
        const pages = withTaskTicks(stored, waiting);
        return pages.length === 0 ? (
          <NothingCooked date={date}>Nothing is cooked for this week yet.</NothingCooked>
        ) : (
          <TabGroup className="mx-auto max-w-5xl p-4 md:p-6">
            <div className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-1">
              <h1 className="text-xl">Session</h1>
              <TabList className="flex gap-4 print:hidden">
                {pages.map((page) => (
                  <Tab
                    key={page.date}
                    className="min-h-11 border-b-2 border-transparent font-semibold text-steel data-selected:border-cobalt data-selected:text-rim"
                  >
                    {longDate(page.date)}
                    {page.state === 'portioned' && <span className="ml-1 text-xs font-normal text-steel">in boxes</span>}
                  </Tab>
                ))}
              </TabList>
              <span className="flex-1" />
              <nav aria-label="Parts of the session" className="flex gap-1 print:hidden">
                {doings.map(([what, word]) => (
                  <Link
                    key={what}
                    to={what === 'order' ? '.' : `?do=${what}`}
                    replace
                    aria-current={what === doing ? 'page' : undefined}
                    className="flex min-h-11 items-center border-b-2 border-transparent px-2 font-semibold text-steel aria-[current]:border-cobalt aria-[current]:text-rim"
                  >
                    {word}
                  </Link>
                ))}
              </nav>
              <Button onClick={() => window.print()} className={`print:hidden ${doing === 'cook' ? 'max-sm:hidden' : ''}`}>
                <Printer size={15} /> Print
              </Button>
            </div>
            <TabPanels>
              {pages.map((page) => (
                <TabPanel key={page.date}>
                  {doing === 'portion' ? (
                    <PortioningView week={date} day={page.date} />
                  ) : doing === 'cook' ? (
                    <CookAlong page={page} week={date} />
                  ) : (
                    <>
                      <SessionHead page={page} week={date} />
                      <Work page={page} week={date} />
                    </>
                  )}
                </TabPanel>
              ))}
            </TabPanels>
          </TabGroup>
        );
      }}
    </Asked>
  );
}

function Work({ page, week }: { page: Page; week: string }) {
  const next = page.tasks.find((task) => !task.isTicked);
  return (
    <>
      <p className="figures mb-3 text-steel">
        {page.dishes} {page.dishes === 1 ? 'dish' : 'dishes'}, {minutes(page.minutes)} from start to end, {minutes(page.handsOn)} of it by
        hand. {page.limit}
      </p>
      {[...page.unlisted, ...page.shared, ...page.lots, ...page.tooManyRounds].map((said) => (
        <p key={said} className="mb-2">
          {said}
        </p>
      ))}
      {page.limit !== '' && page.isProven && <Shorter page={page} week={week} />}
      {page.putProblem && <p className="mb-2 border-l-2 border-beet pl-2 font-semibold">{page.putProblem}</p>}
      {page.earlier.map((said) => (
        <p key={said.letter} className="mb-2">
          <Tape letter={said.letter} /> {said.dish}, {dayMonth(said.cookedOn)}: “{said.note}”
        </p>
      ))}
      {page.allergies.map((caution) => (
        <p key={caution} className="mb-2 border-l-2 border-beet pl-2">
          {caution}
        </p>
      ))}
      <Track page={page} week={week} />
      <ol>
        {page.tasks.map((task) => (
          <li
            key={`${task.batchId}${task.taskId}`}
            className={`flex items-center border-t border-line max-sm:block ${task === next ? 'bg-tray' : ''}`}
          >
            <label className="grid min-h-12 min-w-0 flex-1 cursor-pointer grid-cols-[2rem_3.2rem_minmax(0,1fr)] items-center gap-x-2 px-1 py-1.5 sm:grid-cols-[2rem_4rem_11rem_minmax(0,1fr)_auto]">
              <Tick isTicked={task.isTicked} onTick={(isTicked) => tick(week, task, isTicked)} className="size-6" />
              <span className="figures text-sm text-steel">{timeOf(page, task.start)}</span>
              <span className="min-w-0 max-sm:hidden">
                <Tape letter={task.letter} name={task.dish} />
              </span>
              <span className={`text-base ${task.isTicked ? 'text-steel line-through' : ''}`}>
                <span className="mr-2 sm:hidden">
                  <Tape letter={task.letter} />
                </span>
                {task.washesBoard && <b className="block text-sm">Wash board and knife: {task.washesBoard} was on them.</b>}
                {task.cut && <span className="figures block text-sm font-semibold">Same cutting: {task.cut}</span>}
                {task.text}
                {task.temperatureC !== null && !saysItsHeat(task.text) && (
                  <b className="figures whitespace-nowrap"> {temperature(task.temperatureC)}</b>
                )}
                {task.ovenC !== null && (
                  <span className="figures block text-sm text-steel">
                    with others at {temperature(task.ovenC)}: {minutes(task.end - task.handsOnEnd)} instead of its own time
                  </span>
                )}
                {task.rounds > 1 && (
                  <b className="figures whitespace-nowrap">
                    {' '}
                    round {task.round} of {task.rounds}
                  </b>
                )}
                {task.takes.length > 0 && <span className="figures block text-sm text-steel">{task.takes.join(' · ')}</span>}
                {task.vessel && (
                  <span className={`figures block text-sm ${task.vesselFits === 'fits' ? 'text-steel' : 'font-semibold'}`}>
                    {task.vesselFits === 'fits' ? `in ${task.vessel}` : task.vessel}
                  </span>
                )}
                {task.inside && <span className="figures block text-sm text-steel">{task.inside}</span>}
                {task.waitedTooLong > 0 && (
                  <span className="block text-sm">It stood {minutes(task.waitedTooLong)} longer than it should.</span>
                )}
              </span>
              <span className="figures text-right text-sm text-steel max-sm:col-start-3 max-sm:text-left sm:whitespace-nowrap">
                {page.cooks > 1 && task.handsOnEnd > task.start && `cook ${task.cook}: `}
                {task.handsOnEnd > task.start && `${minutes(task.handsOnEnd - task.start)} by hand`}
                {task.end > task.handsOnEnd &&
                  `${task.handsOnEnd > task.start ? ', ' : ''}then ${minutes(task.end - task.handsOnEnd)} alone`}
              </span>
            </label>
            {!task.isTicked && task.untilAt === null && <Put page={page} task={task} week={week} />}
            {task.isTicked && <Took task={task} week={week} />}
          </li>
        ))}
      </ol>
      <p className="mt-4 text-sm text-steel">
        Hot food cools from 57 to 21 °C within 2 hours and to 5 °C within 6 hours in all: spread it shallow before the lids go on.
      </p>
    </>
  );
}
