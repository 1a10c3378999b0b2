import { ArrowDown, ArrowUp } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { ProblemNote } from '../../pieces/ProblemNote';
import { SheetDialog } from '../../pieces/Sheet';
import { typedNumber } from '../../pieces/show';
import { BoughtThings } from './BoughtThings';
import type { Board } from './queries';
import { type Goal, type Solving, useChoices } from './solving';

/** What a week is to be filled for: whose meals, what is wanted most, and how far the cook will go. */
export function SolveDialog({ board, solving, onClose }: { board: Board; solving: Solving; onClose: () => void }) {
  const choices = useChoices(board.start);
  return (
    <SheetDialog title="Fill the week" onClose={onClose}>
      <Asked of={choices}>
        {({ goals, gaps }) => <Wishes board={board} all={goals} gaps={gaps} solving={solving} onClose={onClose} />}
      </Asked>
    </SheetDialog>
  );
}

type Props = { board: Board; all: Goal[]; gaps: string[]; solving: Solving; onClose: () => void };

function Wishes({ board, all, gaps, solving, onClose }: Props) {
  const open = (eaterId: string) =>
    board.ledger.filter((day) => day.eaterId === eaterId).reduce((sum, day) => sum + day.openMeals.length, 0);
  const [eaters, setEaters] = useState(() => board.eaters.filter((eater) => open(eater.id) > 0).map((eater) => eater.id));
  const [order, setOrder] = useState(all);
  const [certain, setCertain] = useState(false);
  const [times, setTimes] = useState('3');
  const [minutes, setMinutes] = useState('');
  const [without, setWithout] = useState<string[]>([]);
  const move = (at: number, by: number) => {
    const next = [...order];
    const [goal] = next.splice(at, 1);
    if (goal) next.splice(at + by, 0, goal);
    setOrder(next);
  };
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const isAsked = await solving.ask({
      kind: 'fill',
      eaters,
      days: null,
      goals: order.map((goal) => goal.goal),
      isCertainOnly: certain,
      mostTimes: typedNumber(times),
      minutesASession: minutes.trim() ? typedNumber(minutes) : null,
      withoutReady: without,
    });
    if (isAsked) onClose();
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="text-sm">
      <p className="text-steel">
        Every open meal gets a dish that everybody’s rules allow. Nothing on the board changes before you take it.
      </p>
      {gaps.length > 0 && (
        <div className="mt-3 border-l-2 border-dotted border-slate pl-3">
          {gaps.map((gap) => (
            <p key={gap}>{gap}</p>
          ))}
          <p className="text-steel">
            <Link to="/recipes/new" className="font-semibold text-cobalt hover:underline">
              Bring a recipe
            </Link>{' '}
            for it, list something bought below, or{' '}
            <Link to="/start" className="font-semibold text-cobalt hover:underline">
              untick the meal
            </Link>{' '}
            where it does not come from the prep.
          </p>
        </div>
      )}
      {board.eaters.length > 1 && (
        <fieldset className="mt-3 flex flex-wrap gap-x-4 gap-y-1">
          <legend className="font-semibold">Whose meals</legend>
          {board.eaters.map((eater) => (
            <label key={eater.id} className="flex items-center gap-1.5">
              <input
                type="checkbox"
                checked={eaters.includes(eater.id)}
                onChange={(event) => setEaters(event.target.checked ? [...eaters, eater.id] : eaters.filter((id) => id !== eater.id))}
              />
              {eater.name} <span className="figures text-steel">{open(eater.id)} open</span>
            </label>
          ))}
        </fieldset>
      )}
      <h3 className="mt-3 font-sans text-sm font-semibold">What matters, the most first</h3>
      <ol className="mt-1 border-y border-line">
        {order.map((goal, at) => (
          <li key={goal.goal} className="flex items-center gap-1 border-t border-line first:border-t-0">
            <span className="figures w-5 text-steel">{at + 1}</span>
            <span className="flex-1">
              {goal.want}
              {goal.note && <span className="block text-xs text-steel">{goal.note}</span>}
            </span>
            <button
              type="button"
              aria-label={`${goal.want}: earlier`}
              disabled={at === 0}
              onClick={() => move(at, -1)}
              className="p-1.5 text-steel enabled:hover:text-rim disabled:opacity-30"
            >
              <ArrowUp size={15} />
            </button>
            <button
              type="button"
              aria-label={`${goal.want}: later`}
              disabled={at === order.length - 1}
              onClick={() => move(at, 1)}
              className="p-1.5 text-steel enabled:hover:text-rim disabled:opacity-30"
            >
              <ArrowDown size={15} />
            </button>
          </li>
        ))}
      </ol>
      <div className="mt-3 flex flex-col gap-2">
        <label className="flex items-center gap-2">
          The same dish at lunch and supper at most
          <input value={times} inputMode="numeric" onChange={(event) => setTimes(event.target.value)} className={`${inputLook} w-14`} />
          times
        </label>
        <label className="flex items-center gap-2">
          By hand in one session at most
          <input
            value={minutes}
            inputMode="numeric"
            placeholder="any"
            onChange={(event) => setMinutes(event.target.value)}
            className={`${inputLook} w-16`}
          />
          minutes
        </label>
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={certain} onChange={(event) => setCertain(event.target.checked)} />
          Only what surely fits, nothing too close to call
        </label>
      </div>
      <BoughtThings board={board} without={without} onChange={setWithout} />
      {/* What it is all for stays in sight, however much there is to choose. */}
      <div className="sticky -bottom-4 -mx-4 -mb-4 mt-2 border-t border-line bg-enamel p-4">
        <ProblemNote of={solving.refused} />
        <Button type="submit" look="main" disabled={solving.isAsking || eaters.length === 0} className="w-full">
          Find a week
        </Button>
      </div>
    </form>
  );
}
