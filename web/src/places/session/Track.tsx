import { type PointerEvent, useState } from 'react';
import { minutes, temperature } from '../../pieces/show';
import { keyOf, type Page, sayOfStep, type Task, timeOf } from './steps';

/** Steps are put at minutes of so many. */
const step = 5;

/** A mark beyond this share of the track ends there instead of standing across its end. */
const atTheEnd = 0.97;

const words: Partial<Record<Task['appliance'], string>> = {
  oven: 'Oven',
  burner: 'Burners',
  pressureCooker: 'Pressure cooker',
  slowCooker: 'Slow cooker',
  airFryer: 'Air fryer',
  microwave: 'Microwave',
  blender: 'Blender',
  fridge: 'Fridge',
  sink: 'Sink',
  cooling: 'Cooling space',
};

/** What the oven is set to: another temperature than the recipe's where dishes share it. */
const heatOf = (task: Task) => task.ovenC ?? task.temperatureC;

/** What is put somewhere takes its place when it goes in, everything else when somebody begins. */
const holdsFrom = (task: Task) => (['oven', 'airFryer', 'fridge', 'cooling'].includes(task.appliance) ? task.handsOnEnd : task.start);

/** Lays tasks that overlap onto lanes of one track. */
function lanes(tasks: Task[]): Task[][] {
  const laid: Task[][] = [];
  for (const task of tasks) {
    const free = laid.find((lane) => (lane.at(-1)?.end ?? 0) <= holdsFrom(task));
    if (free) free.push(task);
    else laid.push([task]);
  }
  return laid;
}

/**
 * The session as a timeline, a track for each resource: hands-on is solid, unattended is outlined. What is done by hand is put elsewhere by
 * dragging it, or by its time in the list; the rest is ordered anew round it.
 */
export function Track({ page, week }: { page: Page; week: string }) {
  const width = Math.max(page.minutes, 30);
  const share = (from: number, to: number) => ({
    left: `${(from / width) * 100}%`,
    width: `${Math.max(0.3, ((to - from) / width) * 100)}%`,
  });
  const hours = Array.from({ length: Math.floor(width / 30) }, (_, at) => (at + 1) * 30);
  const used = (Object.keys(words) as Task['appliance'][]).filter((one) => page.tasks.some((task) => task.appliance === one));
  return (
    <figure aria-label="Timeline of the session" className="rimmed mb-5 border-b border-line py-2 text-xs max-sm:hidden">
      <div className="grid grid-cols-[6rem_minmax(0,1fr)]">
        {Array.from({ length: page.cooks }, (_, at) => at + 1).map((cook) => (
          <div key={cook} className="contents">
            <span className="text-steel">{page.cooks > 1 ? `Cook ${cook}` : 'Hands'}</span>
            <div className="relative mb-px h-6 bg-tray">
              {page.tasks
                .filter((task) => task.cook === cook && task.handsOnEnd > task.start)
                .map((task) => (
                  <Hands key={keyOf(task)} page={page} task={task} week={week} width={width} />
                ))}
            </div>
          </div>
        ))}
        {used.map((appliance) => (
          <div key={appliance} className="contents">
            <span className="pt-1 text-steel">{words[appliance]}</span>
            <div className="space-y-px pt-1">
              {lanes(
                page.tasks
                  .filter((task) => task.appliance === appliance && task.end > holdsFrom(task))
                  .sort((one, other) => holdsFrom(one) - holdsFrom(other)),
              ).map((lane) => (
                <div key={lane[0] && keyOf(lane[0])} className="relative h-5 bg-tray">
                  {lane.map((task) => (
                    <span
                      key={keyOf(task)}
                      title={`${task.letter}: ${task.text}`}
                      style={share(holdsFrom(task), task.end)}
                      className="absolute inset-y-0 overflow-hidden border border-rim bg-enamel pl-0.5 whitespace-nowrap"
                    >
                      <b className="font-display">{task.letter}</b> {heatOf(task) !== null && temperature(heatOf(task) ?? 0)}
                    </span>
                  ))}
                </div>
              ))}
            </div>
          </div>
        ))}
        <span />
        <div className="figures relative mt-1 h-4 text-steel">
          {hours.map((at) => (
            <span
              key={at}
              className={`absolute whitespace-nowrap ${at / width > atTheEnd ? '-translate-x-full' : '-translate-x-1/2'}`}
              style={{ left: `${(at / width) * 100}%` }}
            >
              {minutes(at)}
            </span>
          ))}
        </div>
      </div>
    </figure>
  );
}

/** A step by hand on its track. */
function Hands({ page, task, week, width }: { page: Page; task: Task; week: string; width: number }) {
  const [drag, setDrag] = useState<{ from: number; track: number; to: number } | null>(null);
  const isFixed = task.isTicked || task.untilAt !== null;
  const move = (event: PointerEvent) => {
    if (!drag) return;
    const moved = ((event.clientX - drag.from) / drag.track) * width;
    setDrag({ ...drag, to: Math.max(0, Math.round((task.start + moved) / step) * step) });
  };
  const start = drag && Math.abs(drag.to - task.start) >= step ? drag.to : task.start;
  const where = `${task.letter}: ${task.text}, ${timeOf(page, start)}${task.put !== null ? ', put there' : ''}`;
  return (
    <span
      title={isFixed ? where : `${where}. Drag it to put it elsewhere.`}
      style={{ left: `${(start / width) * 100}%`, width: `${Math.max(0.3, ((task.handsOnEnd - task.start) / width) * 100)}%` }}
      onPointerDown={(event) => {
        if (isFixed) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        setDrag({ from: event.clientX, track: event.currentTarget.parentElement?.clientWidth ?? 1, to: task.start });
      }}
      onPointerMove={move}
      onPointerUp={() => {
        setDrag(null);
        if (drag && start !== task.start) sayOfStep(week, task, { put: start });
      }}
      onPointerCancel={() => setDrag(null)}
      className={`absolute inset-y-0.5 touch-none overflow-hidden border-r border-enamel bg-cobalt pl-0.5 text-left font-display font-bold text-on-cobalt ${isFixed ? '' : 'cursor-grab'} ${task.put !== null ? 'border-b-2 border-b-rim' : ''} ${drag ? 'z-10 opacity-80' : ''}`}
    >
      {task.letter}
    </span>
  );
}
