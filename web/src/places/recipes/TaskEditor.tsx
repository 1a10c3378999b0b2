import { Plus, SlidersHorizontal, X } from 'lucide-react';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { NumberInput } from '../../pieces/NumberInput';
import { minutes, number, temperature } from '../../pieces/show';
import type { DraftLine } from './queries';
import { knotsWidth, StepKnot } from './StepKnot';
import { appliances, Elsewhere, hasHeat, Minutes } from './StepPlace';
import { StepTakes } from './StepTakes';
import { workRows } from './workLines';

type Task = Schemas['DraftTask'];
type Step = Schemas['SheetStep'];

/** The steps: what each takes, how long, where, and what it waits for. */
export function TaskEditor({
  tasks,
  lines,
  steps,
  onChange,
  onLine,
}: {
  tasks: Task[];
  lines: readonly DraftLine[];
  /** how the steps were read */
  steps: readonly Step[];
  onChange: (tasks: Task[]) => void;
  /** what a step measures out becomes a line of a part */
  onLine: (text: string, part: string) => void;
}) {
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
  const onAfter = (at: number, id: string) => {
    const after = tasks[at]?.after ?? [];
    replace(at, { after: after.includes(id) ? after.filter((one) => one !== id) : [...after, id] });
  };
  const rows = workRows(tasks);
  const width = knotsWidth(rows);
  const taken = new Set(steps.flatMap((step) => step.takes.map((take) => take.line)));
  const left = steps.length > 0 && taken.size > 0 ? lines.filter((line) => line.text.trim() && !taken.has(line.id as string)) : [];
  return (
    <section>
      <h2 className="mb-1 text-lg">Work</h2>
      <ol>
        {tasks.map((task, at) => (
          <li
            key={task.id}
            data-step={task.id}
            className="grid items-start gap-x-2 border-t border-line"
            style={{ gridTemplateColumns: `${width}px minmax(0,1fr) 4rem` }}
          >
            <StepKnot tasks={tasks} at={at} row={rows[at] as NonNullable<(typeof rows)[number]>} onAfter={onAfter} />
            <StepRow
              task={task}
              at={at}
              lines={lines}
              read={steps.find((step) => step.task === task.id)}
              onChange={(change) => replace(at, change)}
              onRemove={() => remove(at)}
              onLine={(text) => onLine(text, partOf(task, steps, lines))}
            />
          </li>
        ))}
      </ol>
      <Button look="bare" className="mt-1" onClick={add}>
        <Plus size={15} /> Another step
      </Button>
      {left.length > 0 && <p className="mt-1 text-sm text-steel">No step takes: {left.map((line) => line.text.trim()).join(', ')}.</p>}
    </section>
  );
}

/** The part that a step works on: that of the first line it takes, or the last one there is. */
function partOf(task: Task, steps: readonly Step[], lines: readonly DraftLine[]): string {
  const taken = steps.find((step) => step.task === task.id)?.takes.map((take) => take.line) ?? [];
  return (lines.find((line) => taken.includes(line.id as string)) ?? lines.findLast((line) => line.text.trim()))?.part ?? '';
}

function StepRow({
  task,
  at,
  lines,
  read,
  onChange,
  onRemove,
  onLine,
}: {
  task: Task;
  at: number;
  lines: readonly DraftLine[];
  read: Step | undefined;
  onChange: (change: Partial<Task>) => void;
  onRemove: () => void;
  onLine: (text: string) => void;
}) {
  const saysMore = task.waitsAtMost != null || task.roundPieces != null || task.instead != null;
  const [isOpen, setOpen] = useState(saysMore);
  const corner = 'flex h-9 w-8 items-center justify-center text-steel hover:text-rim';
  return (
    <>
      <div className="space-y-1 py-1.5">
        <textarea
          aria-label={`Step ${at + 1}`}
          rows={task.text.length > 80 ? 2 : 1}
          value={task.text}
          onChange={(event) => onChange({ text: event.target.value })}
          className={`${inputLook} w-full`}
        />
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm text-steel">
          <Minutes label="by hand" value={task.handsOn} onChange={(handsOn) => onChange({ handsOn })} />
          <Minutes label="alone" value={task.unattended} onChange={(unattended) => onChange({ unattended })} />
          <select
            aria-label={`Appliance of step ${at + 1}`}
            value={task.appliance}
            onChange={(event) => onChange({ appliance: event.target.value as Task['appliance'] })}
            className="rounded-sm border border-line bg-enamel px-1 py-1 text-rim"
          >
            {appliances.map(([key, word]) => (
              <option key={key} value={key}>
                {word}
              </option>
            ))}
          </select>
          {hasHeat(task.appliance) && (
            <Minutes
              label="°C"
              value={task.temperatureC ?? 0}
              most={350}
              onChange={(temperature) => onChange({ temperatureC: temperature || null })}
            />
          )}
          {read?.says && task.text.trim() && (
            <button type="button" className="text-left text-cobalt hover:underline" onClick={() => read.says && onChange(read.says)}>
              Take what it says: {saidMinutes(read.says)}
            </button>
          )}
        </div>
        {read?.unlisted.map((said) => (
          <p key={said} className="text-sm">
            <span className="figures font-semibold">{said}</span> stands in no line, so nobody counts it.{' '}
            <button type="button" className="text-cobalt hover:underline" onClick={() => onLine(said)}>
              Make it a line
            </button>
          </p>
        ))}
        <StepTakes number={at + 1} task={task} read={read} lines={lines} onLines={(ids) => onChange({ lines: ids })} />
        {isOpen && (
          <div className="flex flex-wrap items-center gap-x-6 gap-y-1 border-l-2 border-line bg-tray px-3 py-1.5 text-sm">
            <span>
              What it makes may wait at most{' '}
              <NumberInput
                label={`Step ${at + 1} may wait`}
                unit="min"
                value={task.waitsAtMost ?? null}
                isPossible={(value) => Number.isInteger(value) && value >= 0 && value <= 1440}
                onChange={(waitsAtMost) => onChange({ waitsAtMost })}
              />
            </span>
            <span>
              At once{' '}
              <NumberInput
                label={`At once in step ${at + 1}`}
                unit="pieces"
                value={task.roundPieces ?? null}
                isPossible={(value) => value > 0 && value <= 1000}
                onChange={(roundPieces) => onChange({ roundPieces })}
              />
              {read && read.rounds > 1 && <span className="figures text-steel">: {number(read.rounds)} rounds of these minutes</span>}
            </span>
            <Elsewhere number={at + 1} task={task} onChange={(instead) => onChange({ instead })} />
            <p className="basis-full text-xs text-steel">Empty: it may wait, and all of it goes in at once.</p>
          </div>
        )}
      </div>
      <div className="flex py-1.5">
        <button
          type="button"
          aria-label={`More about step ${at + 1}`}
          aria-expanded={isOpen}
          title="How long it may wait, how many go in at once, where else it may be done"
          className={`${corner} ${isOpen ? 'text-rim' : ''}`}
          onClick={() => setOpen(!isOpen)}
        >
          <SlidersHorizontal size={15} />
        </button>
        <button type="button" aria-label={`Remove step ${at + 1}`} className={corner} onClick={onRemove}>
          <X size={16} />
        </button>
      </div>
    </>
  );
}

/** "2 min by hand, 25 min alone, air fryer at 200 °C". */
function saidMinutes(says: NonNullable<Step['says']>): string {
  const word = appliances.find(([key]) => key === says.appliance && key !== 'none')?.[1];
  return [
    ...(says.handsOn > 0 ? [`${minutes(says.handsOn)} by hand`] : []),
    ...(says.unattended > 0 ? [`${minutes(says.unattended)} alone`] : []),
    ...(word ? [`${word}${says.temperatureC === null ? '' : ` at ${temperature(says.temperatureC)}`}`] : []),
  ].join(', ');
}
