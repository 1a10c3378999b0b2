import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../pieces/Button';
import { SheetDialog } from '../../pieces/Sheet';
import { addDays, dayMonth } from '../../pieces/show';
import type { Board, BoardEdits } from './queries';

/** The week again, in a later one: its batches, and its meals where they are free. */
export function CopyWeekDialog({ board, edits, onClose }: { board: Board; edits: BoardEdits; onClose: () => void }) {
  const weeks = Array.from({ length: 8 }, (_, at) => addDays(board.start, 7 * (at + 1)));
  const [to, setTo] = useState(weeks[0] ?? '');
  const [withMeals, setWithMeals] = useState(true);
  const navigate = useNavigate();
  return (
    <SheetDialog title="Copy this week" onClose={onClose}>
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          void edits.copyWeek(to, withMeals, (start) => {
            onClose();
            navigate(`/week/${start}`);
          });
        }}
      >
        <p className="text-sm">
          Every batch is cooked again on the same weekday, in the recipe as it is now. What stands there already stays.
        </p>
        <label className="flex flex-wrap items-center gap-2">
          To the week of
          <select
            value={to}
            onChange={(event) => setTo(event.target.value)}
            className="min-h-9 rounded-sm border border-slate bg-enamel px-2"
          >
            {weeks.map((start) => (
              <option key={start} value={start}>
                {dayMonth(start)} – {dayMonth(addDays(start, 6))}
              </option>
            ))}
          </select>
        </label>
        <label className="flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            checked={withMeals}
            onChange={(event) => setWithMeals(event.target.checked)}
            className="size-4 accent-cobalt"
          />
          with the meals, and what is eaten as it is bought
        </label>
        <Button type="submit" look="main" disabled={edits.isBusy}>
          Copy it
        </Button>
      </form>
    </SheetDialog>
  );
}
