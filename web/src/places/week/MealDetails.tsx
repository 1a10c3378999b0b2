import { ChevronDown, ChevronUp } from 'lucide-react';
import { longDate, mealName, portions, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { AddToMeal } from './AddToMeal';
import { Findings } from './InspectorParts';
import { ItemDetails, nameOf } from './ItemDetails';
import type { Board, BoardEdits, Item, Place } from './queries';
import { SayOfMeal } from './SayOfMeal';
import { byCell, type Selected } from './selection';

type Props = {
  board: Board;
  place: Place;
  itemId: string | null;
  edits: BoardEdits;
  onSelect: (selected: Selected) => void;
};

/** A whole meal: its things in order with their amounts, what can be added, and what is said of it. */
export function MealDetails({ board, place, itemId, edits, onSelect }: Props) {
  const serving = byCell(board)(place);
  const eater = board.eaters.find((one) => one.id === place.eaterId);
  const day = board.ledger.find((one) => one.eaterId === place.eaterId && one.date === place.date);
  const items = serving?.items ?? [];
  const shown = items.find((item) => item.id === itemId) ?? (items.length === 1 ? items[0] : undefined);
  const shift = (from: number, by: number) => {
    const order = items.map((item) => item.id);
    const [one, other] = [order[from], order[from + by]];
    if (one && other) [order[from], order[from + by]] = [other, one];
    void edits.order(place, order);
  };
  return (
    <>
      <h2 className="pr-6 text-lg first-letter:uppercase">{mealName(place.meal)}</h2>
      <p className="text-sm text-steel">
        {eater?.name}, {longDate(place.date)}
      </p>
      {items.length > 1 && (
        <ol aria-label="In this meal" className="mt-3">
          {items.map((item, at) => (
            <li key={item.id} className={`flex items-center gap-1 border-t border-line ${item === shown ? 'bg-tray' : ''}`}>
              <button
                type="button"
                aria-current={item === shown ? 'true' : undefined}
                onClick={() => onSelect({ kind: 'meal', place, itemId: item.id })}
                className="flex min-h-10 min-w-0 flex-1 items-center gap-2 text-left text-sm hover:text-cobalt"
              >
                <ItemName item={item} board={board} />
              </button>
              <Nudge label={`${nameOf(item)} earlier`} isOff={at === 0} onClick={() => shift(at, -1)}>
                <ChevronUp size={15} />
              </Nudge>
              <Nudge label={`${nameOf(item)} later`} isOff={at === items.length - 1} onClick={() => shift(at, 1)}>
                <ChevronDown size={15} />
              </Nudge>
            </li>
          ))}
        </ol>
      )}
      {shown && <ItemDetails key={shown.id} item={shown} board={board} place={place} edits={edits} />}
      <AddToMeal board={board} place={place} edits={edits} isEmpty={items.length === 0} onSelect={onSelect} />
      <SayOfMeal serving={serving} place={place} edits={edits} />
      {items.length > 0 && day && eater && <Findings title={`${eater.name}’s ${weekday(place.date)}`} findings={day.findings} />}
    </>
  );
}

function ItemName({ item, board }: { item: Item; board: Board }) {
  const batch = board.batches.find((one) => one.id === item.batchId);
  if (!batch) return <span className="min-w-0 flex-1">{item.text}</span>;
  return (
    <>
      <Tape letter={batch.letter} />
      <span className="min-w-0 flex-1 leading-tight">
        {item.name}
        {item.parts && <span className="text-steel"> {item.parts.map((part) => part || 'main part').join(', ')}</span>}
      </span>
      <span className="figures text-xs text-steel">
        {item.size?.isInGrams ? `${item.size.amount} g` : `${portions(item.portions ?? 1)}×`}
      </span>
    </>
  );
}

function Nudge({ label, isOff, onClick, children }: { label: string; isOff: boolean; onClick: () => void; children: React.ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      disabled={isOff}
      onClick={onClick}
      className="flex size-8 items-center justify-center text-steel hover:text-rim disabled:opacity-30"
    >
      {children}
    </button>
  );
}
