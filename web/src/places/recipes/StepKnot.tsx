import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { type PointerEvent, useState } from 'react';
import type { Schemas } from '../../api/client';
import { type WorkRow, waitingFor } from './workLines';

type Task = Schemas['DraftTask'];

const laneWidth = 14;
const knotAt = 18;
const middle = (lane: number) => lane * laneWidth + 12;

/** Width of the drawing beside the steps, px. */
export const knotsWidth = (rows: readonly WorkRow[]) => middle(Math.max(0, ...rows.flatMap((row) => [row.lane, ...row.past]))) + 14;

const numberOf = (tasks: readonly Task[], id: string) => tasks.findIndex((task) => task.id === id) + 1;

const shortened = (text: string) => (text.length > 44 ? `${text.slice(0, 42)}…` : text || 'a step without words');

/**
 * A step's place in the order of work: its line comes from the steps that it waits for. Dragged onto another step, or pressed and ticked,
 * it waits for that one or no longer does.
 */
export function StepKnot({
  tasks,
  at,
  row,
  onAfter,
}: {
  tasks: readonly Task[];
  at: number;
  row: WorkRow;
  /** the step at a place waits for, or no longer waits for, another */
  onAfter: (at: number, id: string) => void;
}) {
  const task = tasks[at] as Task;
  const [drag, setDrag] = useState<{ x: number; y: number; toX: number; toY: number } | null>(null);
  const said = task.after.map((id) => numberOf(tasks, id)).filter((one) => one > 0);
  const beyond = waitingFor(tasks, task.id);

  const onPointerDown = (event: PointerEvent<HTMLButtonElement>) => {
    if (event.button !== 0) return;
    const box = event.currentTarget.getBoundingClientRect();
    const start = { x: box.left + box.width / 2, y: box.top + box.height / 2 };
    const move = (moved: globalThis.PointerEvent) => setDrag({ ...start, toX: moved.clientX, toY: moved.clientY });
    const up = (ended: globalThis.PointerEvent) => {
      window.removeEventListener('pointermove', move);
      setDrag(null);
      const onto = document.elementFromPoint(ended.clientX, ended.clientY)?.closest<HTMLElement>('[data-step]')?.dataset.step;
      const other = tasks.findIndex((one) => one.id === onto);
      if (other < 0 || other === at) return;
      // Whichever stands below waits for the one above.
      const [first, then] = other < at ? [other, at] : [at, other];
      onAfter(then, (tasks[first] as Task).id);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up, { once: true });
  };

  return (
    <Popover className="relative self-stretch">
      <Lines row={row} />
      <PopoverButton
        onPointerDown={onPointerDown}
        aria-label={`Step ${at + 1} ${said.length === 0 ? 'waits for nothing' : `waits for ${said.join(' and ')}`}`}
        title="What it waits for: press, or drag onto another step"
        style={{ left: middle(row.lane) - 12, top: knotAt - 12 }}
        className="group/knot absolute flex size-6 touch-none items-center justify-center"
      >
        <span className="block size-3 border-2 border-rim bg-enamel group-hover/knot:bg-cobalt group-data-open/knot:bg-cobalt" />
      </PopoverButton>
      {drag && (
        <svg aria-hidden="true" className="pointer-events-none fixed inset-0 z-40 h-full w-full text-cobalt">
          <line x1={drag.x} y1={drag.y} x2={drag.toX} y2={drag.toY} stroke="currentColor" strokeWidth="2" strokeDasharray="4 3" />
        </svg>
      )}
      <PopoverPanel className="rimmed absolute top-8 left-0 z-30 max-h-72 w-80 max-w-[80vw] overflow-y-auto border-x border-b border-line p-3 text-sm shadow-lg">
        <fieldset>
          <legend className="mb-1 font-semibold">Step {at + 1} begins when these are over</legend>
          {tasks.length === 1 && <p className="text-steel">There is no other step yet.</p>}
          {tasks.map(
            (other, place) =>
              other.id !== task.id && (
                <label key={other.id} className={`flex min-h-8 items-start gap-2 py-0.5 ${beyond.has(other.id) ? 'text-steel' : ''}`}>
                  <input
                    type="checkbox"
                    className="mt-1 accent-cobalt"
                    checked={task.after.includes(other.id)}
                    disabled={beyond.has(other.id) && !task.after.includes(other.id)}
                    onChange={() => onAfter(at, other.id)}
                  />
                  <span>
                    {place + 1} {shortened(other.text)}
                    {beyond.has(other.id) && ' (waits for this one)'}
                  </span>
                </label>
              ),
          )}
        </fieldset>
      </PopoverPanel>
    </Popover>
  );
}

/** The lines through a step's row: those that come into its knot, the one that goes on, and those that run past. */
function Lines({ row }: { row: WorkRow }) {
  const bend = 5;
  const upright = (lane: number, top: number, bottom: string) => (
    <span
      key={`${lane} ${top} ${bottom}`}
      style={{ left: middle(lane) - 1, top, ...(bottom === 'all' ? { bottom: 0 } : { height: bottom }) }}
      className="absolute w-0.5 bg-slate"
    />
  );
  return (
    <span aria-hidden="true">
      {row.past.map((lane) => upright(lane, 0, 'all'))}
      {row.goesOn && upright(row.lane, knotAt, 'all')}
      {row.from.includes(row.lane) && upright(row.lane, 0, `${knotAt}px`)}
      {row.from
        .filter((lane) => lane !== row.lane)
        .map((lane) => (
          <span key={`from ${lane}`}>
            {upright(lane, 0, `${bend}px`)}
            <span
              style={{ left: middle(Math.min(lane, row.lane)) - 1, width: Math.abs(lane - row.lane) * laneWidth + 2, top: bend - 1 }}
              className="absolute h-0.5 bg-slate"
            />
            {upright(row.lane, bend, `${knotAt - bend}px`)}
          </span>
        ))}
    </span>
  );
}
