import { Plus, X } from 'lucide-react';
import type { Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';

type Task = Schemas['DraftTask'];

export const appliances: [Task['appliance'], string][] = [
  ['none', 'no appliance'],
  ['oven', 'oven'],
  ['burner', 'burner'],
  ['pressureCooker', 'pressure cooker'],
  ['slowCooker', 'slow cooker'],
  ['airFryer', 'air fryer'],
  ['microwave', 'microwave'],
  ['blender', 'blender'],
  ['fridge', 'fridge'],
];

/** The steps with their minutes by hand and alone; each waits for the one before it unless the recipe says otherwise. */
export function TaskEditor({ tasks, onChange }: { tasks: Task[]; onChange: (tasks: Task[]) => void }) {
  const replace = (at: number, change: Partial<Task>) =>
    onChange(tasks.map((task, index) => (index === at ? { ...task, ...change } : task)));
  const add = () => {
    const id = `${Math.max(0, ...tasks.map((task) => Number(task.id) || 0)) + 1}`;
    const last = tasks.at(-1);
    onChange([...tasks, { id, text: '', handsOn: 5, unattended: 0, appliance: 'none', temperatureC: null, after: last ? [last.id] : [] }]);
  };
  const remove = (at: number) => {
    const gone = tasks[at];
    if (!gone) return;
    // Whatever waited for the removed step now waits for what that one waited for.
    onChange(
      tasks
        .filter((_, index) => index !== at)
        .map((task) =>
          task.after.includes(gone.id) ? { ...task, after: [...task.after.filter((id) => id !== gone.id), ...gone.after] } : task,
        ),
    );
  };
  return (
    <section>
      <h2 className="mb-1 text-lg">Work</h2>
      <ol className="space-y-2">
        {tasks.map((task, at) => (
          <li key={task.id} className="grid grid-cols-[minmax(0,1fr)_2rem] items-start gap-2 border-t border-line pt-2">
            <div className="space-y-1">
              <textarea
                aria-label={`Step ${at + 1}`}
                rows={task.text.length > 90 ? 2 : 1}
                value={task.text}
                onChange={(event) => replace(at, { text: event.target.value })}
                className={`${inputLook} w-full`}
              />
              <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm text-steel">
                <Minutes label="by hand" value={task.handsOn} onChange={(handsOn) => replace(at, { handsOn })} />
                <Minutes label="alone" value={task.unattended} onChange={(unattended) => replace(at, { unattended })} />
                <select
                  aria-label={`Appliance of step ${at + 1}`}
                  value={task.appliance}
                  onChange={(event) => replace(at, { appliance: event.target.value as Task['appliance'] })}
                  className="rounded-sm border border-line bg-enamel px-1 py-1 text-rim"
                >
                  {appliances.map(([key, word]) => (
                    <option key={key} value={key}>
                      {word}
                    </option>
                  ))}
                </select>
                {(task.appliance === 'oven' || task.appliance === 'airFryer') && (
                  <Minutes
                    label="°C"
                    value={task.temperatureC ?? 0}
                    most={350}
                    onChange={(temperature) => replace(at, { temperatureC: temperature || null })}
                  />
                )}
              </div>
            </div>
            <button
              type="button"
              aria-label={`Remove step ${at + 1}`}
              className="flex h-9 items-center justify-center text-steel hover:text-rim"
              onClick={() => remove(at)}
            >
              <X size={16} />
            </button>
          </li>
        ))}
      </ol>
      <Button look="bare" className="mt-1" onClick={add}>
        <Plus size={15} /> Another step
      </Button>
    </section>
  );
}

function Minutes({
  label,
  value,
  onChange,
  most = 1440,
}: {
  label: string;
  value: number;
  onChange: (value: number) => void;
  most?: number;
}) {
  return (
    <label className="flex items-center gap-1">
      <input
        type="number"
        min={0}
        max={most}
        value={value}
        onChange={(event) => onChange(Math.max(0, Math.min(most, Math.round(Number(event.target.value) || 0))))}
        className="figures w-16 rounded-sm border border-line bg-enamel px-1 py-1 text-right text-rim"
      />
      {label === '°C' ? label : `min ${label}`}
    </label>
  );
}
