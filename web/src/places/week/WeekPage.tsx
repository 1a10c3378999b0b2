import { DndContext, type DragEndEvent, DragOverlay, type DragStartEvent, pointerWithin, useSensor, useSensors } from '@dnd-kit/core';
import { useEffect, useRef, useState } from 'react';
import { useOutletContext, useSearchParams } from 'react-router';
import { Asked } from '../../pieces/Asked';
import { drawThenFocus } from '../../pieces/drawThenFocus';
import { Tape } from '../../pieces/Tape';
import { useWeekDate } from '../useWeekDate';
import { Bench } from './Bench';
import { BoardGrid } from './BoardGrid';
import { CopyWeekDialog } from './CopyWeekDialog';
import { Inspector } from './Inspector';
import { MakeBatchDialog } from './MakeBatchDialog';
import { type Board, type Place, useBoardEdits, useWeek } from './queries';
import { RulesLine } from './RulesLine';
import { SolveBar, SolveRefused } from './SolveBar';
import { SolveDialog } from './SolveDialog';
import { findItem, type Held, isCookedBy, placeKey, placeOf, pointOf, type Selected } from './selection';
import { PromptMouseSensor, PromptTouchSensor } from './sensors';
import { asUsual, useSolving } from './solving';
import { TroubleLine } from './TroubleLine';
import { useNarrow } from './useNarrow';

/** The home: the bench at the left, days across, each eater's tightest allowance under each day. */
export function WeekPage() {
  const start = useWeekDate();
  const week = useWeek(start);
  return <Asked of={week}>{(board) => <WeekBoard key={start} board={board} />}</Asked>;
}

function WeekBoard({ board: planned }: { board: Board }) {
  const { today } = useOutletContext<{ today: string }>();
  const [params, setParams] = useSearchParams();
  const solving = useSolving(planned);
  // While something is proposed the board shows the week as it would be.
  const board = solving.board ?? planned;
  const edits = useBoardEdits(board.start);
  const [held, setHeld] = useState<Held>(null);
  const [selected, setSelected] = useState<Selected>(null);
  const [making, setMaking] = useState(params.has('make'));
  const [copying, setCopying] = useState(false);
  const [filling, setFilling] = useState(false);
  const asked = useRef<string | null>(null);
  const [shownEaters, setShownEaters] = useState(() => board.eaters.slice(0, 2).map((eater) => eater.id));
  const [day, setDay] = useState(board.days.includes(today) ? today : (board.days[0] ?? ''));
  const [dragged, setDragged] = useState<Held>(null);
  const narrow = useNarrow();
  const page = useRef<HTMLDivElement>(null);
  const sensors = useSensors(
    useSensor(PromptMouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(PromptTouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );

  const batchOf = (what: Held) =>
    board.batches.find((batch) => batch.id === what?.batchId) ?? (what?.itemId ? (findItem(board, what.itemId)?.batch ?? null) : null);

  const drop = (what: Held, to: Place | null) => {
    if (!what) return;
    const found = what.itemId ? findItem(board, what.itemId) : null;
    const batch = batchOf(what);
    if (found) edits.move(found.item, found.place, to);
    else if (batch && to) void edits.place(batch, to);
  };

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape') {
        setHeld(null);
        setSelected(null);
      } else if ((event.key === 'PageDown' || event.key === 'PageUp') && board.eaters.length > 2) {
        event.preventDefault();
        const at = board.eaters.findIndex((eater) => eater.id === shownEaters[0]);
        const next = (at + (event.key === 'PageDown' ? 2 : -2) + board.eaters.length) % board.eaters.length;
        setShownEaters([0, 1].flatMap((offset) => board.eaters[(next + offset) % board.eaters.length]?.id ?? []));
      } else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !(event.target instanceof HTMLInputElement)) {
        event.preventDefault();
        edits.undo();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  const { ask } = solving;
  const mend = () => void ask(asUsual('mend'));
  useEffect(() => {
    if (params.has('make')) setMaking(true);
    const solve = params.get('solve');
    // The address changes later than this page is drawn again: what it asks for is done once.
    if (solve === asked.current) return;
    asked.current = solve;
    if (!solve) return;
    setParams({}, { replace: true });
    if (solve === 'fill') setFilling(true);
    else mend();
  });

  const onDragStart = ({ active }: DragStartEvent) => setDragged(active.data.current as Held);
  const onDragEnd = ({ active, activatorEvent, delta }: DragEndEvent) => {
    setDragged(null);
    // What is carried and where the pointer let go are asked here and now: after a quick drag neither the page nor its measures have caught up.
    const carried = active.data.current as Held;
    const at = pointOf(activatorEvent);
    const under = at ? document.elementsFromPoint(at.x + delta.x, at.y + delta.y) : [];
    if (under.some((element) => element.matches('[data-bench]'))) drop(carried, null);
    const cell = under.find((element) => element.matches('[data-cell]'))?.getAttribute('data-cell');
    const to = cell ? placeOf(cell) : null;
    if (to && carried && isCookedBy(batchOf(carried), to.date)) drop(carried, to);
  };

  const [draggedBatch, heldBatch] = [batchOf(dragged), batchOf(held)];
  const draggedFood = dragged?.itemId ? findItem(board, dragged.itemId)?.item : undefined;
  const eaters = board.eaters.filter((eater) => shownEaters.includes(eater.id));
  const details = selected && (
    <Inspector
      board={board}
      selected={selected}
      edits={edits}
      onClose={() => setSelected(null)}
      onSelect={setSelected}
      onSeek={(request) => {
        setSelected(null);
        void ask(request);
      }}
    />
  );

  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={onDragStart}
      onDragEnd={onDragEnd}
      onDragCancel={() => setDragged(null)}
      autoScroll={false}
    >
      <div ref={page} className="relative flex h-full min-h-0 flex-col">
        {!filling && <SolveRefused solving={solving} />}
        {solving.page && <SolveBar solving={solving} />}
        <TroubleLine
          board={board}
          isProposed={solving.board !== null}
          onFill={() => setFilling(true)}
          onMend={mend}
          onMendThis={({ eaterId, days }) =>
            void ask({ ...asUsual('mend'), eaters: eaterId ? [eaterId] : null, days: days.length > 0 ? days : null })
          }
          today={today}
          heldBatch={heldBatch}
          onLetGo={() => setHeld(null)}
          onShow={(trouble) => {
            const date = trouble.days.find((one) => one >= today) ?? trouble.days[0];
            if (!date) return;
            const { meal, eaterId } = trouble;
            const cell = meal ? `[data-cell="${date}|${meal}|${eaterId}"]` : `[data-day="${date}"]`;
            drawThenFocus(
              () => {
                setDay(date);
                if (eaterId && !shownEaters.includes(eaterId)) setShownEaters([eaterId, ...shownEaters.slice(0, 1)]);
                setSelected(trouble.kind === 'open' ? null : { kind: 'day', date });
              },
              () => page.current?.querySelector<HTMLElement>(cell),
            );
          }}
        />
        <RulesLine board={board} edits={edits} />
        <div className="flex min-h-0 flex-1 flex-col md:flex-row">
          <Bench
            board={board}
            held={held}
            onHold={(batch) => {
              setHeld(held?.batchId === batch.id ? null : { batchId: batch.id, itemId: null });
              setSelected(null);
            }}
            onHoldByKey={(batch) =>
              drawThenFocus(
                () => setHeld({ batchId: batch.id, itemId: null }),
                () => page.current?.querySelector<HTMLElement>('[role="gridcell"][tabindex="0"]'),
              )
            }
            onDetails={(batch) => setSelected({ kind: 'batch', batchId: batch.id })}
            onMake={() => setMaking(true)}
            onCopy={() => setCopying(true)}
          />
          {/* Details lie over the days only: neither the bench nor the line on top hides behind them. */}
          <div className="relative flex min-h-0 min-w-0 flex-1 flex-col">
            <div className="min-h-0 flex-1 overflow-auto">
              {board.eaters.length > 2 && (
                <fieldset className="flex flex-wrap gap-3 px-3 py-1 text-sm">
                  <legend className="sr-only">Eaters shown</legend>
                  <span className="text-steel">
                    Shown{' '}
                    <kbd className="text-xs" title="The next two">
                      Page Down
                    </kbd>
                  </span>
                  {board.eaters.map((eater) => (
                    <label key={eater.id} className="flex items-center gap-1">
                      <input
                        type="checkbox"
                        checked={shownEaters.includes(eater.id)}
                        onChange={(event) =>
                          setShownEaters(
                            event.target.checked ? [...shownEaters.slice(-1), eater.id] : shownEaters.filter((id) => id !== eater.id),
                          )
                        }
                      />
                      {eater.name}
                    </label>
                  ))}
                </fieldset>
              )}
              <BoardGrid
                board={board}
                days={narrow ? [day] : board.days}
                day={day}
                onDay={setDay}
                narrow={narrow}
                today={today}
                eaters={eaters}
                held={held}
                dragged={dragged}
                batchOf={batchOf}
                selected={selected}
                onSelect={setSelected}
                onHold={setHeld}
                onDrop={(to) => {
                  drop(held, to);
                  // A picked-up portion is put down once; a tape stays in the hand while it has portions loose.
                  if (held?.itemId || (heldBatch && heldBatch.loose <= 1)) setHeld(null);
                }}
                onPlaceLetter={(letter, to) => {
                  const batch =
                    board.batches.find((one) => one.letter === letter && isCookedBy(one, to.date) && one.loose > 0) ??
                    board.batches.find((one) => one.letter === letter);
                  if (batch) void edits.place(batch, to);
                }}
                edits={edits}
                ghostAt={(place) => {
                  const meal = solving.board ? solving.meals.get(placeKey(place)) : undefined;
                  return meal ? { ...meal, isLeft: solving.isLeft(place) } : null;
                }}
                onGhost={solving.toggle}
              />
            </div>
            {!narrow && details}
          </div>
        </div>
        {narrow && details}
      </div>
      <DragOverlay dropAnimation={null}>
        {draggedBatch ? (
          <Tape letter={draggedBatch.letter} name={draggedBatch.name} />
        ) : (
          draggedFood && <span className="bg-enamel px-1 text-sm shadow">{draggedFood.text}</span>
        )}
      </DragOverlay>
      {filling && <SolveDialog board={planned} solving={solving} onClose={() => setFilling(false)} />}
      {copying && <CopyWeekDialog board={board} edits={edits} onClose={() => setCopying(false)} />}
      {making && (
        <MakeBatchDialog
          board={board}
          today={today}
          recipe={params.get('make') ?? ''}
          on={params.get('on')}
          edits={edits}
          onClose={() => {
            setMaking(false);
            setParams({}, { replace: true });
          }}
        />
      )}
    </DndContext>
  );
}
