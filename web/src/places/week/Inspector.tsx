import { ArrowLeftRight, X } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link, useOutletContext } from 'react-router';
import { Button } from '../../pieces/Button';
import { longDate, mealName, portions, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { BiteStep } from './BiteStep';
import { DayInput } from './DayInput';
import { Freezing } from './Freezing';
import { Findings, Measures, Stepper } from './InspectorParts';
import { LotFields } from './LotFields';
import { MealDetails } from './MealDetails';
import { PinnedMeasures } from './PinnedMeasures';
import { type Batch, type Board, type BoardEdits, lotName } from './queries';
import { ShiftStep } from './ShiftStep';
import { placeKey, type Selected } from './selection';
import { asUsual, type SolveRequest } from './solving';

type Props = {
  board: Board;
  selected: NonNullable<Selected>;
  edits: BoardEdits;
  onClose: () => void;
  onSelect: (selected: Selected) => void;
  onSeek: (request: SolveRequest) => void;
};

/** The board's late days lie under its right edge: what is chosen there is looked at from the left. */
const isLate = (board: Board, selected: NonNullable<Selected>) => {
  const date = selected.kind === 'day' ? selected.date : selected.kind === 'meal' ? selected.place.date : null;
  return date !== null && board.days.indexOf(date) >= 4;
};

/** Lies over an edge of the board while something is selected, and never over what is. */
export function Inspector({ board, selected, edits, onClose, onSelect, onSeek }: Props) {
  const [isMoved, setMoved] = useState(false);
  const isLeft = isLate(board, selected) !== isMoved;
  return (
    <aside
      aria-label="Details"
      className={`rimmed absolute inset-y-0 z-20 w-full overflow-y-auto border-line p-4 shadow-xl sm:w-80 ${isLeft ? 'left-0 border-r' : 'right-0 border-l'}`}
    >
      <button
        type="button"
        aria-label="Move details to the other side"
        title="To the other side"
        onClick={() => setMoved(!isMoved)}
        className="absolute top-2 right-9 hidden p-1.5 text-steel hover:text-rim sm:block"
      >
        <ArrowLeftRight size={16} />
      </button>
      <button type="button" aria-label="Close details" onClick={onClose} className="absolute top-2 right-2 p-1.5 text-steel hover:text-rim">
        <X size={18} />
      </button>
      {selected.kind === 'meal' && (
        <MealDetails
          key={placeKey(selected.place)}
          board={board}
          place={selected.place}
          itemId={selected.itemId}
          edits={edits}
          onSelect={onSelect}
        />
      )}
      {selected.kind === 'batch' && <BatchDetails board={board} batchId={selected.batchId} edits={edits} onClose={onClose} />}
      {selected.kind === 'day' && <DayDetails board={board} date={selected.date} edits={edits} onSeek={onSeek} />}
    </aside>
  );
}

function Head({ batch, children }: { batch: Batch; children: ReactNode }) {
  return (
    <>
      <Tape letter={batch.tape} big />
      <h2 className="mt-2 pr-6 text-lg leading-tight">
        <Link to={`/recipes/${batch.recipeId}`} className="hover:text-cobalt hover:underline">
          {batch.name}
        </Link>
      </h2>
      <p className="text-sm text-steel">{children}</p>
    </>
  );
}

function BatchDetails({ board, batchId, edits, onClose }: { board: Board; batchId: string; edits: BoardEdits; onClose: () => void }) {
  const batch = board.batches.find((one) => one.id === batchId);
  if (!batch) return <p className="pt-6 text-steel">It is off the bench.</p>;
  return (
    <>
      <Head batch={batch}>
        Eaten from the fridge until {weekday(batch.eatBy)}; {batch.freezes ? 'freezes' : 'does not freeze'}.
      </Head>
      {batch.lots
        .filter((lot) => lot.notLikedBy.length > 0)
        .map((lot) => (
          <p key={lot.id} className="mt-1 text-sm first-letter:uppercase">
            {batch.lots.length > 1 && `${lotName(lot)}: `}not liked by{' '}
            {board.eaters
              .filter((eater) => lot.notLikedBy.includes(eater.id))
              .map((eater) => eater.name)
              .join(' and ')}
            .
          </p>
        ))}
      <CookedOn board={board} batch={batch} edits={edits} />
      <Stepper
        label="Portions cooked"
        value={batch.portions}
        least={Math.max(1, batch.placed + batch.gone)}
        most={60}
        step={1}
        onChange={(to) => void edits.resize(batch, to)}
      />
      <p className="figures mt-2 text-sm text-steel">
        {portions(batch.placed)} placed, {portions(batch.loose)} loose{batch.gone > 0 && `, ${portions(batch.gone)} gone`}.
        {batch.lots.length === 1 && weighs(batch.lots[0])}
      </p>
      {batch.variants.length > 0 && !batch.isPortioned && (
        <SplitBatch key={batch.lots.map((lot) => `${lot.id} ${lot.portions}`).join()} batch={batch} edits={edits} />
      )}
      {batch.freezes && !batch.isPortioned && <Freezing batch={batch} edits={edits} />}
      {batch.loose > 0 && <PlaceRow board={board} batch={batch} edits={edits} />}
      <Button
        className="mt-3 w-full"
        onClick={() => {
          void edits.remove(batch);
          onClose();
        }}
      >
        Take the batch off the bench
      </Button>
      {batch.lots.map((lot) => (
        <Measures
          key={lot.id}
          of={lot.perPortion}
          title={batch.lots.length > 1 ? `One portion, ${lotName(lot)}.${weighs(lot)}` : 'One portion'}
        />
      ))}
    </>
  );
}

const weighs = (lot: { gramsPerPortion: number | null } | undefined) =>
  lot?.gramsPerPortion ? ` About ${lot.gramsPerPortion} g, weighed raw.` : '';

/** How many portions are cooked in which variant. */
function SplitBatch({ batch, edits }: { batch: Batch; edits: BoardEdits }) {
  const was = batch.lots.flatMap(({ variant, portions: many }) => (variant === null ? [] : [{ variant, portions: many }]));
  const [variants, setVariants] = useState(was);
  const isSame = batch.variants.every(
    (name) => (was.find((lot) => lot.variant === name)?.portions ?? 0) === (variants.find((lot) => lot.variant === name)?.portions ?? 0),
  );
  return (
    <form
      className="mt-3"
      onSubmit={(event) => {
        event.preventDefault();
        void edits.split(batch, batch.portions, variants);
      }}
    >
      <LotFields names={batch.variants} all={batch.portions} value={variants} onChange={setVariants} />
      {!isSame && (
        <Button type="submit" className="mt-2 w-full">
          Cook it so
        </Button>
      )}
    </form>
  );
}

/** The session it is cooked in: one of the week's, or a day of its own. */
function CookedOn({ board, batch, edits }: { board: Board; batch: Batch; edits: BoardEdits }) {
  const usual = board.sessions.map((session) => session.date);
  const [isOther, setOther] = useState(false);
  const cook = (date: string) => {
    setOther(false);
    if (date !== batch.cookedOn) void edits.cookOn(batch, date);
  };
  if (batch.isPortioned || !usual.includes(batch.cookedOn)) return <p className="text-sm text-steel">Cooked {longDate(batch.cookedOn)}.</p>;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2 text-sm">
      <label className="flex flex-1 items-center gap-2">
        Cooked on
        <select
          value={isOther ? '' : batch.cookedOn}
          onChange={(event) => (event.target.value === '' ? setOther(true) : cook(event.target.value))}
          className={`${selectLook} min-w-0 flex-1`}
        >
          {usual.map((date) => (
            <option key={date} value={date}>
              {longDate(date)}
            </option>
          ))}
          <option value="">another day …</option>
        </select>
      </label>
      {isOther && <DayInput label="Another day" start={board.start} onChange={cook} />}
    </div>
  );
}

/** A portion in each of a meal of the week: a whole row at once. */
function PlaceRow({ board, batch, edits }: { board: Board; batch: Batch; edits: BoardEdits }) {
  const [meal, setMeal] = useState(batch.meal ?? board.meals[1]?.key ?? '');
  const [eater, setEater] = useState(board.eaters[0]?.id ?? '');
  return (
    <form
      className="mt-3 flex flex-wrap items-center gap-2 text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        void edits.placeRow(batch, meal, eater);
      }}
    >
      In each
      <select aria-label="Meal of the row" value={meal} onChange={(event) => setMeal(event.target.value)} className={selectLook}>
        {board.meals.map((one) => (
          <option key={one.key} value={one.key}>
            {one.name}
          </option>
        ))}
      </select>
      of
      <select aria-label="Eater of the row" value={eater} onChange={(event) => setEater(event.target.value)} className={selectLook}>
        {board.eaters.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name}
          </option>
        ))}
      </select>
      <Button type="submit">Place</Button>
    </form>
  );
}

const selectLook = 'min-h-9 rounded-sm border border-slate bg-enamel px-2';

type DayProps = { board: Board; date: string; edits: BoardEdits; onSeek: Props['onSeek'] };

function DayDetails({ board, date, edits, onSeek }: DayProps) {
  const others = board.days.filter((day) => day !== date);
  const [other, setOther] = useState(others.find((day) => day > date) ?? others[0] ?? '');
  const { today } = useOutletContext<{ today: string }>();
  /** Of a day that is over nothing is changed for somebody’s sake any more. */
  const canStep = (eater: Board['eaters'][number]) => !eater.isGuest && date >= today;
  return (
    <>
      <h2 className="pr-6 text-lg">{longDate(date)}</h2>
      <div className="mt-2 flex flex-wrap items-center gap-2 text-sm">
        and another day:
        <select aria-label="The other day" value={other} onChange={(event) => setOther(event.target.value)} className={selectLook}>
          {others.map((day) => (
            <option key={day} value={day}>
              {longDate(day)}
            </option>
          ))}
        </select>
        <Button onClick={() => void edits.repeatDay(date, other, `${weekday(date)} is repeated on ${weekday(other)}.`)}>
          Repeat there
        </Button>
        <Button onClick={() => void edits.swapDays(date, other, `${weekday(date)} and ${weekday(other)} changed places.`)}>
          Swap with it
        </Button>
      </div>
      {board.eaters.map((eater) => {
        const day = board.ledger.find((one) => one.eaterId === eater.id && one.date === date);
        return (
          day && (
            <div key={eater.id}>
              <Findings title={eater.name} findings={day.findings} />
              <PinnedMeasures board={board} eater={eater} edits={edits} />
              {canStep(eater) && (
                <BiteStep
                  onStep={(kind, isEveryDay) => onSeek({ ...asUsual(kind), eaters: [eater.id], days: isEveryDay ? null : [date] })}
                />
              )}
              {canStep(eater) && board.meals.length > 1 && (
                <ShiftStep
                  meals={board.meals}
                  onShift={(measure, from, to) => void edits.shift({ day: date, eaterId: eater.id, measure, from, to })}
                />
              )}
              {eater.week.length > 0 && <Findings title={`${eater.name}, the whole week`} findings={eater.week} />}
              {day.openMeals.length > 0 && (
                <p className="mt-1 text-sm text-steel">Nothing covers {day.openMeals.map(mealName).join(', ')}.</p>
              )}
            </div>
          )
        );
      })}
    </>
  );
}
