import { useDraggable, useDroppable } from '@dnd-kit/core';
import { Lock, Snowflake, StickyNote } from 'lucide-react';
import type { Schemas } from '../../api/client';
import { Lozenge } from '../../pieces/Lozenge';
import { portions } from '../../pieces/show';
import type { Board, Item, Place, Serving } from './queries';
import { type Held, placeKey, type Selected } from './selection';
import type { ProposedMeal } from './solving';
import { isNarrowStrip, type Joins } from './strips';

type Props = {
  place: Place;
  position: string;
  isTabStop: boolean;
  label: string;
  serving: Serving | null;
  board: Board;
  source: Schemas['MealSource'];
  canTake: boolean;
  isHolding: boolean;
  held: Held;
  selected: Selected;
  onFocus: () => void;
  onKeyDown: (event: React.KeyboardEvent) => void;
  onClick: () => void;
  onPick: (item: Item) => void;
  joins: Joins;
  /** The day has been. */
  isOver: boolean;
  /** Nothing is wanted of the meal all week. */
  isSlim: boolean;
  /** What is proposed for the meal; null where nothing is. */
  ghost: Ghost | null;
};

/** A meal that would be changed. */
export type Ghost = Omit<ProposedMeal, 'place'> & { isLeft: boolean };

const letterOf = (board: Board, item: Item) => board.batches.find((batch) => batch.id === item.batchId)?.letter ?? '';

const partsOf = (item: Item) => (item.parts ? `, ${item.parts.map((part) => part || 'main part').join(' and ')}` : '');

const sizeOf = (item: Item) =>
  item.size?.isInGrams ? `${item.size.amount} g` : item.portions !== null && item.portions !== 1 ? `${portions(item.portions)}×` : '';

function says(board: Board, item: Item) {
  if (item.kind === 'ready') return item.text ?? item.name;
  const size = item.size?.isInGrams
    ? `, ${item.size.amount} g`
    : item.portions !== null && item.portions !== 1
      ? `, ${portions(item.portions)} portions`
      : '';
  const kept = item.isEaten ? ', eaten' : item.keptIn === 'freezer' ? ', frozen' : item.keptIn === 'pastItsTime' ? ', past its time' : '';
  return `${letterOf(board, item)} ${item.name}${partsOf(item)}${size}${kept}`;
}

const proposes = (ghost: Ghost) =>
  ghost.isLeft
    ? 'left as it is'
    : `proposed${ghost.was ? ` instead of ${portionOf(ghost.was)}` : ''}${ghost.then.length > 0 ? '' : ': nothing'}`;

const portionOf = (one: { name: string; portions: number }) => (one.portions === 1 ? one.name : `${portions(one.portions)}× ${one.name}`);

/** One eater's meal on one date, everything together. */
export function BoardCell({
  place,
  position,
  isTabStop,
  label,
  serving,
  board,
  source,
  canTake,
  isHolding,
  held,
  selected,
  onFocus,
  onKeyDown,
  onClick,
  onPick,
  joins,
  isOver,
  isSlim,
  ghost,
}: Props) {
  const { setNodeRef, isOver: isUnder } = useDroppable({ id: placeKey(place), data: place, disabled: !canTake });
  const items = serving?.items ?? [];
  const isBare = items.length === 0 && (serving === null || serving.state === 'planned');
  const isOpen = isBare && source === 'prep';
  const isOut = serving?.state === 'out' || (isBare && source === 'out');
  const [draws, foods] = [items.filter((item) => item.kind === 'draw'), items.filter((item) => item.kind === 'ready')];
  const what = [
    ...items.map((item) => says(board, item)),
    ...(isOut ? ['eats out'] : serving?.state === 'skipped' ? ['skipped'] : []),
    ...(serving?.isLocked ? ['locked'] : []),
    ...(serving?.note ? [serving.note] : []),
    ...(ghost ? [proposes(ghost)] : []),
  ];
  const shared = { board, isAlone: items.length === 1, onPick };
  return (
    <div
      ref={setNodeRef}
      role="gridcell"
      tabIndex={isTabStop ? 0 : -1}
      data-at={position}
      data-cell={placeKey(place)}
      aria-label={`${label}: ${what.length > 0 ? what.join('; ') : isOpen ? 'still open' : source === 'fresh' ? 'made fresh' : 'not from the prep'}`}
      onFocus={onFocus}
      onKeyDown={onKeyDown}
      onClick={onClick}
      className={`relative flex ${isSlim ? 'h-6' : 'h-12 md:h-[60px]'} min-w-0 flex-col gap-px p-px transition-colors duration-150 focus-visible:z-10 ${joins.before || joins.after ? '' : 'overflow-hidden'} ${isUnder ? 'bg-cobalt/20 outline-2 -outline-offset-2 outline-cobalt' : isHolding && !canTake ? 'bg-tray opacity-40' : isHolding ? 'bg-cobalt/8' : 'bg-tray'} ${ghost?.isLeft ? 'border border-dashed border-slate opacity-60' : isOpen ? 'border border-dotted border-slate' : 'border border-transparent'}`}
    >
      {draws.length > 0 && (
        <div className="flex min-h-0 flex-1 items-start gap-px">
          {draws.map((item) => (
            <Portion
              key={item.id}
              item={item}
              isHeld={held?.itemId === item.id}
              isSelected={selected?.kind === 'meal' && selected.itemId === item.id}
              isBeside={draws.length > 1}
              joins={joins}
              isOver={isOver}
              isGhost={ghost?.itemIds.includes(item.id) === true}
              isInstead={ghost?.itemIds.includes(item.id) === true && ghost.was !== null}
              {...shared}
            />
          ))}
        </div>
      )}
      {foods.length > 0 && (
        <div className={`flex min-h-0 flex-wrap gap-x-1 overflow-hidden px-0.5 text-xs leading-tight ${draws.length > 0 ? '' : 'm-auto'}`}>
          {foods.map((item) => (
            <Food
              key={item.id}
              item={item}
              isHeld={held?.itemId === item.id}
              isGhost={ghost?.itemIds.includes(item.id) === true}
              {...shared}
            />
          ))}
        </div>
      )}
      {ghost?.was && (
        <span className="shrink-0 truncate px-1 text-xs leading-4 text-steel">
          {ghost.isLeft ? 'stays as it is' : <s>{portionOf(ghost.was)}</s>}
        </span>
      )}
      {isOpen && !isHolding && <span className="m-auto text-xs text-steel">open</span>}
      {isBare && source === 'fresh' && !isHolding && <span className="m-auto text-xs text-steel">fresh</span>}
      {items.length === 0 && isOut && <span className="m-auto text-xs text-steel">eats out</span>}
      {items.length === 0 && serving?.state === 'skipped' && <span className="m-auto text-xs text-steel">skipped</span>}
      {(serving?.isLocked || serving?.note) && (
        <span className="pointer-events-none absolute right-0.5 bottom-0.5 flex gap-0.5 text-rim">
          {serving.note && <StickyNote size={11} aria-hidden="true" />}
          {serving.isLocked && <Lock size={11} aria-hidden="true" />}
        </span>
      )}
    </div>
  );
}

type ThingProps = { item: Item; board: Board; isHeld: boolean; isAlone: boolean; onPick: (item: Item) => void };

function useThing(item: Item, onPick: (item: Item) => void) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: `item:${item.id}`, data: { batchId: null, itemId: item.id } });
  const pick = (event: React.MouseEvent) => {
    event.stopPropagation();
    onPick(item);
  };
  return { isDragging, props: { type: 'button' as const, tabIndex: -1, ref: setNodeRef, ...listeners, onClick: pick } };
}

/** A portion on the board: tape with the letter, the dish and what is special about it. */
function Portion({
  item,
  board,
  isHeld,
  isSelected,
  isAlone,
  isBeside,
  joins,
  isOver,
  isGhost,
  isInstead,
  onPick,
}: ThingProps & { isSelected: boolean; isBeside: boolean; joins: Joins; isOver: boolean; isGhost: boolean; isInstead: boolean }) {
  const { isDragging, props } = useThing(item, onPick);
  // A strip that goes on covers what lies between two cells; the perforation is where the days part.
  const seam = `${joins.before ? 'whole-before -ml-[5px] border-l border-dashed border-ink/40' : ''} ${joins.after ? 'whole-after' : ''}`;
  return (
    <button
      {...props}
      title={says(board, item)}
      className={`${isGhost ? 'ghost-tape overflow-hidden' : 'torn'} ${seam} flex min-h-0 min-w-0 flex-1 cursor-grab items-start gap-1 text-left ${isInstead ? 'py-0.5' : 'py-1'} ${isGhost ? '' : isOver ? 'bg-tape-over text-ink' : 'bg-tape text-ink'} ${isNarrowStrip(item) && !isInstead ? 'h-3/5' : 'h-full'} ${item.keptIn === 'freezer' ? 'frosted' : ''} ${item.isEaten ? 'line-through decoration-1 opacity-70' : ''} ${isBeside ? 'px-1' : 'px-2'} ${isHeld || isDragging ? 'opacity-50' : ''} ${isSelected ? 'shadow-[inset_0_-3px_0_var(--color-cobalt)]' : ''}`}
    >
      <b className="font-display text-base leading-none font-bold">{letterOf(board, item)}</b>
      {/* Two beside each other leave room for a name only where the day has the whole width; a strip says its name once. */}
      <span
        className={`min-w-0 flex-1 text-xs leading-[1.15] ${isBeside ? 'line-clamp-2 md:hidden' : !isAlone ? 'line-clamp-1' : isNarrowStrip(item) || isInstead ? 'line-clamp-1 md:line-clamp-2' : 'line-clamp-3'}`}
      >
        {!joins.before && item.name}
        {!joins.before && partsOf(item)}
      </span>
      <span className="figures flex shrink-0 flex-col items-end gap-0.5 text-xs leading-none font-bold">
        {sizeOf(item) && <span>{sizeOf(item)}</span>}
        {item.keptIn === 'freezer' && <Snowflake size={12} aria-label="frozen" />}
        {item.keptIn === 'pastItsTime' && <Lozenge verdict="breaks" size={12} />}
      </span>
    </button>
  );
}

/** What is eaten as it is bought: plain text. */
function Food({ item, isHeld, isAlone, isGhost, onPick }: ThingProps & { isGhost: boolean }) {
  const { isDragging, props } = useThing(item, onPick);
  return (
    <button
      {...props}
      title={item.text ?? item.name}
      className={`min-w-0 cursor-grab truncate text-left hover:text-cobalt ${isGhost ? 'ghost-tape px-2 py-1' : ''} ${isAlone ? 'whitespace-normal' : ''} ${isHeld || isDragging ? 'opacity-50' : ''}`}
    >
      {item.text}
    </button>
  );
}
