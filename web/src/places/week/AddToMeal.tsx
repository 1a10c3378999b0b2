import { useState } from 'react';
import { Button } from '../../pieces/Button';
import { amount } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { FoodLine } from '../FoodLine';
import { BestThings, useBest } from './BestThings';
import type { Board, BoardEdits, Place } from './queries';
import { isCookedBy, type Selected } from './selection';

/** Loose portions, parts of dishes, and foods as they are bought. */
export function AddToMeal({
  board,
  place,
  edits,
  isEmpty,
  onSelect,
}: {
  board: Board;
  place: Place;
  edits: BoardEdits;
  isEmpty: boolean;
  onSelect: (selected: Selected) => void;
}) {
  const [isOpen, setOpen] = useState(isEmpty);
  const best = useBest(board, place, isEmpty);
  // What is among the best is not said twice; until they are there nothing moves under the finger.
  const isSaid = (lot: string) => isEmpty && (best.isPending || best.data?.some((thing) => thing.lotId === lot));
  const cooked = board.batches.filter((batch) => isCookedBy(batch, place.date));
  const loose = cooked.filter((batch) => batch.loose > 0);
  const withParts = cooked.filter((batch) => batch.parts.length > 1);
  if (!isOpen)
    return (
      <Button className="mt-4 w-full" onClick={() => setOpen(true)}>
        Add to this meal
      </Button>
    );
  return (
    <section className="mt-4">
      {isEmpty && <BestThings board={board} best={best} place={place} edits={edits} onPlaced={() => onSelect(null)} />}
      <FoodLine
        label="Something as it is bought, or made fresh"
        word="Add"
        problem={edits.problem}
        onAdd={(line, food, done) => void edits.addReady(place, line, food, done)}
      />
      <h3 className="mt-4 font-sans text-sm font-normal text-steel">
        {loose.length === 0
          ? 'No batch that is cooked by then has a loose portion. Make a batch, or cook more of one.'
          : loose.some((batch) => batch.lots.some((lot) => lot.loose > 0 && !isSaid(lot.id))) && 'Loose portions that can go here'}
      </h3>
      <ul className="mt-1 space-y-1">
        {loose.map((batch) =>
          batch.lots
            .filter((lot) => lot.loose > 0 && !isSaid(lot.id))
            .map((lot) => (
              <li key={lot.id}>
                <button
                  type="button"
                  className="flex w-full items-center gap-2 border-t border-line py-1 text-left hover:bg-tray"
                  onClick={() => {
                    void edits.place(batch, place, { lotId: batch.lots.length > 1 ? lot.id : null });
                    if (isEmpty) onSelect(null);
                  }}
                >
                  <Tape letter={batch.letter} />
                  <span className="min-w-0 flex-1 text-sm leading-tight">
                    {batch.name}
                    {lot.variant && <span className="block text-xs text-steel">{lot.variant}</span>}
                  </span>
                  <span className="figures text-xs whitespace-nowrap text-steel">
                    {lot.perPortion
                      .filter((one) => one.key !== 'protein')
                      .map((one) => amount(one.value, one.unit.replace('points', 'pt'), one.decimals))
                      .join(' · ')}
                  </span>
                </button>
              </li>
            )),
        )}
      </ul>
      {withParts.length > 0 && (
        <>
          <h3 className="mt-3 font-sans text-sm font-normal text-steel">Only a part of one</h3>
          <ul className="mt-1 flex flex-wrap gap-1">
            {withParts.flatMap((batch) =>
              batch.parts.map((part) => (
                <li key={`${batch.id} ${part}`}>
                  <Button className="text-sm" onClick={() => void edits.place(batch, place, { parts: [part] })}>
                    <b className="font-display">{batch.letter}</b> {part || 'main part'}
                  </Button>
                </li>
              )),
            )}
          </ul>
        </>
      )}
    </section>
  );
}
