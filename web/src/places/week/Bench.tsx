import { useDraggable, useDroppable } from '@dnd-kit/core';
import { Info, PanelLeftClose, PanelLeftOpen, Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../pieces/Button';
import { addDays, dayMonth, portions, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import type { Batch, Board } from './queries';
import type { Held } from './selection';

type Props = {
  board: Board;
  held: Held;
  onHold: (batch: Batch) => void;
  onHoldByKey: (batch: Batch) => void;
  onDetails: (batch: Batch) => void;
  onMake: () => void;
  onCopy: () => void;
};

/** The column of batches with portions made, placed and loose; it folds to tape letters. */
export function Bench({ board, held, onHold, onHoldByKey, onDetails, onMake, onCopy }: Props) {
  const [folded, setFolded] = useState(false);
  const { setNodeRef, isOver } = useDroppable({ id: 'bench', data: { bench: true } });
  const sessions = [...new Set(board.batches.map((batch) => batch.cookedOn))].sort();
  return (
    <section
      ref={setNodeRef}
      data-bench=""
      aria-label="Bench"
      className={`flex shrink-0 gap-1 overflow-auto border-line bg-tray p-2 max-md:border-b md:flex-col md:border-r ${folded ? 'md:w-14' : 'md:w-[200px]'} ${isOver ? 'outline-2 -outline-offset-2 outline-cobalt' : ''}`}
    >
      <div className="flex items-center justify-between max-md:hidden">
        {!folded && <h2 className="text-base">Bench</h2>}
        <button
          type="button"
          aria-label={folded ? 'Unfold the bench' : 'Fold the bench to letters'}
          onClick={() => setFolded(!folded)}
          className="p-1 text-steel hover:text-rim"
        >
          {folded ? <PanelLeftOpen size={16} /> : <PanelLeftClose size={16} />}
        </button>
      </div>
      <Button onClick={onMake} aria-label="Make a batch" className={`shrink-0 ${folded ? 'px-0' : ''}`}>
        <Plus size={15} /> {!folded && 'Make a batch'}
      </Button>
      {sessions.map((date) => (
        <div key={date} className="flex gap-1 md:flex-col">
          {!folded && (
            <h3 className="mt-1 font-sans text-xs font-normal text-steel max-md:hidden">
              {date < addDays(board.start, -1) ? `Left of ${dayMonth(date)}` : `Cooked ${weekday(date)}`}
            </h3>
          )}
          {board.batches
            .filter((batch) => batch.cookedOn === date)
            .map((batch) => (
              <BenchItem
                key={batch.id}
                batch={batch}
                folded={folded}
                isHeld={held?.batchId === batch.id}
                onHold={onHold}
                onHoldByKey={onHoldByKey}
                onDetails={onDetails}
              />
            ))}
        </div>
      ))}
      {(board.batches.length > 0 || board.servings.length > 0) && !folded && (
        <Button look="bare" onClick={onCopy} className="mt-2 shrink-0 self-start text-sm">
          Copy this week …
        </Button>
      )}
      {!folded && (
        <p className="py-1 text-xs text-steel max-md:hidden">
          {board.batches.length === 0
            ? 'No batches yet. A batch is one dish cooked in one go: it lies here on a strip of tape with a letter, and its portions go on the meals.'
            : 'Loose: on no meal yet.'}
        </p>
      )}
    </section>
  );
}

type ItemProps = {
  batch: Batch;
  folded: boolean;
  isHeld: boolean;
  onHold: (batch: Batch) => void;
  onHoldByKey: (batch: Batch) => void;
  onDetails: (batch: Batch) => void;
};

function BenchItem({ batch, folded, isHeld, onHold, onHoldByKey, onDetails }: ItemProps) {
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `batch:${batch.id}`,
    data: { batchId: batch.id, itemId: null },
    disabled: batch.loose <= 0,
  });
  const loose = batch.loose > 0 ? `${portions(batch.loose)} loose` : 'all placed';
  return (
    <div
      className={`flex shrink-0 items-stretch bg-enamel max-md:w-36 ${isHeld ? 'outline-2 outline-cobalt' : ''} ${isDragging ? 'opacity-50' : ''}`}
    >
      <button
        type="button"
        ref={setNodeRef}
        {...listeners}
        aria-pressed={isHeld}
        aria-label={`${batch.letter}, ${batch.name}: ${portions(batch.portions)} made, ${loose}`}
        title={batch.name}
        onClick={() => onHold(batch)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            onHoldByKey(batch);
          }
        }}
        className={`min-w-0 flex-1 px-1 py-0.5 text-left ${batch.loose > 0 ? 'cursor-grab' : 'opacity-75'}`}
      >
        <span className="flex items-center justify-between gap-1">
          <Tape letter={batch.letter} {...(folded ? {} : { name: batch.name })} />
          {!folded && batch.loose <= 0 && <span className="figures text-xs text-steel">{portions(batch.portions)}</span>}
        </span>
        {!folded && batch.loose > 0 && (
          <span className="figures block pl-1 text-xs">
            {portions(batch.portions)} made · <b>{loose}</b>
            {batch.looseFrozen > 0 && (batch.looseFrozen < batch.loose ? `, ${portions(batch.looseFrozen)} frozen` : ', frozen')}
          </span>
        )}
      </button>
      {!folded && (
        <button
          type="button"
          aria-label={`Details of ${batch.letter}`}
          onClick={() => onDetails(batch)}
          className="px-1.5 text-steel hover:text-rim"
        >
          <Info size={15} />
        </button>
      )}
    </div>
  );
}
