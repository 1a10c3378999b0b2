import { useState } from 'react';
import { Button } from '../../pieces/Button';
import { drawThenFocus } from '../../pieces/drawThenFocus';
import { inputLook } from '../../pieces/Field';
import { keyOf, minuteOf, type Page, sayOfStep, type Task, timeOf } from './steps';

/** When a step is to begin, whatever the order says; the rest moves round it. */
export function Put({ page, task, week }: { page: Page; task: Task; week: string }) {
  const [typed, setTyped] = useState<string | null>(null);
  const field = `put-${keyOf(task)}`;
  const look = 'min-h-11 print:hidden';
  if (task.put !== null)
    return (
      <Button
        look="bare"
        className={`${look} max-sm:ml-[6.2rem]`}
        aria-label={`Let it move: ${task.text}`}
        onClick={() => sayOfStep(week, task, { put: null })}
      >
        Let it move
      </Button>
    );
  if (typed === null)
    return (
      <Button
        look="bare"
        className={`${look} max-sm:hidden`}
        aria-label={`Put elsewhere: ${task.text}`}
        onClick={() =>
          drawThenFocus(
            () => setTyped(timeOf(page, task.start).padStart(5, '0')),
            () => document.getElementById(field),
          )
        }
      >
        Move
      </Button>
    );
  const minute = minuteOf(page, typed);
  return (
    <form
      className={`inline-flex items-center gap-2 whitespace-nowrap ${look}`}
      onSubmit={(event) => {
        event.preventDefault();
        if (minute === null) return;
        sayOfStep(week, task, { put: minute });
        setTyped(null);
      }}
    >
      <input
        id={field}
        type="time"
        aria-label={`Begins: ${task.text}`}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && setTyped(null)}
        className={`figures ${inputLook}`}
      />
      <Button type="submit" disabled={minute === null}>
        Keep
      </Button>
    </form>
  );
}
