import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Button } from '../../pieces/Button';
import { amount, longDate, portions, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { Findings, Measures, Stepper } from './InspectorParts';
import type { Batch, Board, BoardEdits, Container, Place } from './queries';
import { findContainer, isCookedBy, type Selected } from './selection';

type Props = {
  board: Board;
  selected: NonNullable<Selected>;
  edits: BoardEdits;
  onClose: () => void;
  onSelect: (selected: Selected) => void;
};

/** Lies over the board's right edge while something is selected. */
export function Inspector({ board, selected, edits, onClose, onSelect }: Props) {
  return (
    <aside
      aria-label="Details"
      className="rimmed absolute inset-y-0 right-0 z-20 w-full overflow-y-auto border-l border-line p-4 shadow-xl sm:w-80"
    >
      <button type="button" aria-label="Close details" onClick={onClose} className="absolute top-2 right-2 p-1.5 text-steel hover:text-rim">
        <X size={18} />
      </button>
      {selected.kind === 'portion' && <PortionDetails board={board} selected={selected} edits={edits} onClose={onClose} />}
      {selected.kind === 'batch' && <BatchDetails board={board} batchId={selected.batchId} edits={edits} onClose={onClose} />}
      {selected.kind === 'day' && <DayDetails board={board} date={selected.date} />}
      {selected.kind === 'cell' && <CellDetails board={board} place={selected.place} edits={edits} onSelect={onSelect} />}
    </aside>
  );
}

const keeping = (container: Container) =>
  container.keptIn === 'freezer'
    ? `Freeze it on the day it is cooked; move it to the fridge on ${container.thaw ? weekday(container.thaw) : ''} evening, eat by ${weekday(container.eatBy)}.`
    : container.keptIn === 'pastItsTime'
      ? `It keeps until ${longDate(container.eatBy)} and does not freeze. Eat it sooner or cook it in the later session.`
      : `In the fridge, eat by ${longDate(container.eatBy)}.`;

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

function PortionDetails({
  board,
  selected,
  edits,
  onClose,
}: {
  board: Board;
  selected: { batchId: string; containerId: string };
  edits: BoardEdits;
  onClose: () => void;
}) {
  const found = findContainer(board, selected.batchId, selected.containerId);
  if (!found?.container.place) return <p className="pt-6 text-steel">It is not on the board any more.</p>;
  const { batch, container } = found;
  const place = container.place as Place;
  const eater = board.eaters.find((one) => one.id === place.eaterId);
  const day = board.ledger.find((one) => one.eaterId === place.eaterId && one.date === place.date);
  return (
    <>
      <Head batch={batch}>
        {eater?.name}, {longDate(place.date)}, {place.meal}
      </Head>
      <p className={`mt-2 text-sm ${container.keptIn === 'pastItsTime' ? 'font-semibold text-beet' : ''}`}>{keeping(container)}</p>
      <Stepper
        label="Portions in it"
        value={container.size}
        least={0.25}
        most={4}
        step={0.25}
        onChange={(to) => edits.size(batch, container, to)}
      />
      <Button
        className="mt-3 w-full"
        onClick={() => {
          edits.move(batch, container, null);
          onClose();
        }}
      >
        Take back to the bench
      </Button>
      <Measures of={container.numbers} title="In this container" />
      {day && eater && <Findings title={`${eater.name}’s ${weekday(place.date)}`} findings={day.findings} />}
    </>
  );
}

function BatchDetails({ board, batchId, edits, onClose }: { board: Board; batchId: string; edits: BoardEdits; onClose: () => void }) {
  const batch = board.batches.find((one) => one.id === batchId);
  if (!batch) return <p className="pt-6 text-steel">It is off the bench.</p>;
  return (
    <>
      <Head batch={batch}>
        Cooked {longDate(batch.cookedOn)}, eaten from the fridge until {weekday(batch.eatBy)};{' '}
        {batch.freezes ? 'freezes' : 'does not freeze'}.
      </Head>
      <Stepper
        label="Portions cooked"
        value={batch.portions}
        least={Math.max(1, batch.placed)}
        most={60}
        step={1}
        onChange={(to) => edits.resize(batch, to)}
      />
      <p className="figures mt-2 text-sm text-steel">
        {portions(batch.placed)} placed, {portions(batch.loose)} loose.
      </p>
      <Button
        className="mt-3 w-full"
        onClick={() => {
          edits.remove(batch);
          onClose();
        }}
      >
        Take the batch off the bench
      </Button>
      <Measures of={batch.perPortion} title="One portion" />
    </>
  );
}

function DayDetails({ board, date }: { board: Board; date: string }) {
  return (
    <>
      <h2 className="pr-6 text-lg">{longDate(date)}</h2>
      {board.eaters.map((eater) => {
        const day = board.ledger.find((one) => one.eaterId === eater.id && one.date === date);
        return (
          day && (
            <div key={eater.id}>
              <Findings title={eater.name} findings={day.findings} />
              {day.openMeals.length > 0 && <p className="mt-1 text-sm text-steel">Nothing covers {day.openMeals.join(', ')}.</p>}
            </div>
          )
        );
      })}
    </>
  );
}

function CellDetails({
  board,
  place,
  edits,
  onSelect,
}: {
  board: Board;
  place: Place;
  edits: BoardEdits;
  onSelect: (selected: Selected) => void;
}) {
  const eater = board.eaters.find((one) => one.id === place.eaterId);
  const loose = board.batches.filter((batch) => batch.loose > 0 && isCookedBy(batch, place.date));
  return (
    <>
      <h2 className="pr-6 text-lg first-letter:uppercase">{place.meal}</h2>
      <p className="text-sm text-steel">
        {eater?.name}, {longDate(place.date)}
      </p>
      <h3 className="mt-4 font-sans text-sm font-normal text-steel">
        {loose.length > 0
          ? 'Loose portions that can go here'
          : 'No batch that is cooked by then has a loose portion. Make a batch, or cook more of one.'}
      </h3>
      <ul className="mt-1 space-y-1">
        {loose.map((batch) => (
          <li key={batch.id}>
            <button
              type="button"
              className="flex w-full items-center gap-2 border-t border-line py-1 text-left hover:bg-tray"
              onClick={() => {
                edits.place(batch, place);
                onSelect(null);
              }}
            >
              <Tape letter={batch.letter} />
              <span className="min-w-0 flex-1 text-sm leading-tight">{batch.name}</span>
              <span className="figures text-xs whitespace-nowrap text-steel">
                {batch.perPortion
                  .filter((one) => one.key !== 'protein')
                  .map((one) => amount(one.value, one.unit.replace('points', 'pt'), one.decimals))
                  .join(' · ')}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
