import type { Schemas } from '../../api/client';
import { minutes, temperature } from '../../pieces/show';

type Task = Schemas['SessionTask'];

const words: Partial<Record<Task['appliance'], string>> = {
  oven: 'Oven',
  burner: 'Burners',
  pressureCooker: 'Pressure cooker',
  slowCooker: 'Slow cooker',
  airFryer: 'Air fryer',
  microwave: 'Microwave',
  blender: 'Blender',
  fridge: 'Fridge',
};

/** What the oven is set to: another temperature than the recipe's where dishes share it. */
const heatOf = (task: Task) => task.ovenC ?? task.temperatureC;

/** What bakes or fries takes its place when it goes in, everything else when somebody begins. */
const holdsFrom = (task: Task) => (task.appliance === 'oven' || task.appliance === 'airFryer' ? task.handsOnEnd : task.start);

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

/** The session as a timeline, a track for each resource: hands-on is solid, unattended is outlined. */
export function Track({ page }: { page: Schemas['SessionPage'] }) {
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
                  <span
                    key={`${task.batchId}${task.taskId}`}
                    title={`${task.letter}: ${task.text}`}
                    style={share(task.start, task.handsOnEnd)}
                    className="absolute inset-y-0.5 overflow-hidden border-r border-enamel bg-cobalt pl-0.5 font-display font-bold text-on-cobalt"
                  >
                    {task.letter}
                  </span>
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
                <div key={`${lane[0]?.batchId}${lane[0]?.taskId}`} className="relative h-5 bg-tray">
                  {lane.map((task) => (
                    <span
                      key={`${task.batchId}${task.taskId}`}
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
            <span key={at} className="absolute -translate-x-1/2 whitespace-nowrap" style={{ left: `${(at / width) * 100}%` }}>
              {minutes(at)}
            </span>
          ))}
        </div>
      </div>
    </figure>
  );
}
