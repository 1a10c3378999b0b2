import { useDraggable, useDroppable } from '@dnd-kit/core';
import { Snowflake } from 'lucide-react';
import { Lozenge } from '../../pieces/Lozenge';
import { portions } from '../../pieces/show';
import type { Place } from './queries';
import { type Found, type Held, placeKey, type Selected } from './selection';

type Props = {
  place: Place;
  position: string;
  isTabStop: boolean;
  label: string;
  found: Found[];
  isExpected: boolean;
  canTake: boolean;
  isHolding: boolean;
  held: Held;
  selected: Selected;
  onFocus: () => void;
  onKeyDown: (event: React.KeyboardEvent) => void;
  onClick: () => void;
  onPick: (found: Found) => void;
};

const says = ({ batch, container }: Found) =>
  `${batch.letter} ${batch.name}${container.size === 1 ? '' : `, ${portions(container.size)} portions`}${container.keptIn === 'freezer' ? ', frozen' : container.keptIn === 'pastItsTime' ? ', past its time' : ''}`;

/** One eater's meal on one date. */
export function BoardCell({
  place,
  position,
  isTabStop,
  label,
  found,
  isExpected,
  canTake,
  isHolding,
  held,
  selected,
  onFocus,
  onKeyDown,
  onClick,
  onPick,
}: Props) {
  const { setNodeRef, isOver } = useDroppable({ id: placeKey(place), data: place, disabled: !canTake });
  const isOpen = isExpected && found.length === 0;
  return (
    <div
      ref={setNodeRef}
      role="gridcell"
      tabIndex={isTabStop ? 0 : -1}
      data-at={position}
      data-cell={placeKey(place)}
      aria-label={`${label}: ${found.length > 0 ? found.map(says).join('; ') : isOpen ? 'still open' : 'not from the prep'}`}
      onFocus={onFocus}
      onKeyDown={onKeyDown}
      onClick={onClick}
      className={`flex h-12 md:h-[60px] min-w-0 flex-col gap-px overflow-hidden p-px transition-colors duration-150 focus-visible:z-10 ${isOver ? 'bg-cobalt/20 outline-2 -outline-offset-2 outline-cobalt' : isHolding && !canTake ? 'bg-tray opacity-40' : isHolding ? 'bg-cobalt/8' : 'bg-tray'} ${isOpen ? 'border border-dotted border-slate' : 'border border-transparent'}`}
    >
      {found.map((one) => (
        <Portion
          key={one.container.id}
          found={one}
          isHeld={held?.containerId === one.container.id}
          isSelected={selected?.kind === 'portion' && selected.containerId === one.container.id}
          onPick={onPick}
        />
      ))}
      {isOpen && !isHolding && <span className="m-auto text-xs text-steel">open</span>}
    </div>
  );
}

/** A portion on the board: tape with the letter, the dish and what is special about it. */
function Portion({
  found,
  isHeld,
  isSelected,
  onPick,
}: {
  found: Found;
  isHeld: boolean;
  isSelected: boolean;
  onPick: (found: Found) => void;
}) {
  const { batch, container } = found;
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `box:${container.id}`,
    data: { batchId: batch.id, containerId: container.id },
  });
  return (
    <button
      type="button"
      tabIndex={-1}
      ref={setNodeRef}
      {...listeners}
      title={says(found)}
      onClick={(event) => {
        event.stopPropagation();
        onPick(found);
      }}
      className={`torn flex min-h-0 w-full flex-1 cursor-grab items-start gap-1.5 bg-tape px-2 py-1 text-left text-ink ${isHeld || isDragging ? 'opacity-50' : ''} ${isSelected ? 'shadow-[inset_0_-3px_0_var(--color-cobalt)]' : ''}`}
    >
      <b className="font-display text-base leading-none font-bold">{batch.letter}</b>
      <span className="line-clamp-3 min-w-0 flex-1 text-xs leading-[1.15]">{batch.name}</span>
      <span className="figures flex shrink-0 flex-col items-end gap-0.5 text-xs leading-none font-bold">
        {container.size !== 1 && <span>{portions(container.size)}×</span>}
        {container.keptIn === 'freezer' && <Snowflake size={12} aria-label="frozen" />}
        {container.keptIn === 'pastItsTime' && <Lozenge verdict="breaks" size={12} />}
      </span>
    </button>
  );
}
