import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { Lozenge } from '../../pieces/Lozenge';
import { Ruler } from '../../pieces/Ruler';
import { dayMonth, verdictWord, weekday } from '../../pieces/show';
import { BoardCell, type Ghost } from './BoardCell';
import type { Batch, Board, BoardEdits, Place } from './queries';
import { byCell, type Held, isCookedBy, type Selected } from './selection';
import { joinsOf } from './strips';
import { WeekTallies } from './WeekTallies';

export type BoardProps = {
  board: Board;
  days: string[];
  day: string;
  onDay: (date: string) => void;
  narrow: boolean;
  today: string;
  eaters: Board['eaters'];
  held: Held;
  dragged: Held;
  batchOf: (held: Held) => Batch | null;
  selected: Selected;
  onSelect: (selected: Selected) => void;
  onHold: (held: Held) => void;
  onDrop: (to: Place) => void;
  onPlaceLetter: (letter: string, to: Place) => void;
  edits: BoardEdits;
  /** What is proposed for a meal. */
  ghostAt: (place: Place) => Ghost | null;
  /** Takes or leaves what is proposed for a meal. */
  onGhost: (place: Place) => void;
};

const steps: Record<string, [number, number]> = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] };

/** Days across, meals down, a row for each eater; the rulers line up under the days. */
export function BoardGrid(props: BoardProps) {
  const {
    board,
    days,
    narrow,
    today,
    eaters,
    held,
    dragged,
    batchOf,
    selected,
    onSelect,
    onHold,
    onDrop,
    onPlaceLetter,
    edits,
    ghostAt,
    onGhost,
  } = props;
  const grid = useRef<HTMLDivElement>(null);
  const [focus, setFocus] = useState({ row: 0, column: Math.max(0, days.indexOf(today)) });
  const mealAt = byCell(board);
  const carried = held ?? dragged;
  const carriedBatch = batchOf(carried);
  const judged = eaters.filter((eater) => !eater.isGuest);
  const rows = board.meals.flatMap(({ key: meal, name }) => eaters.map((eater) => ({ meal, name, eater })));
  const columns = narrow ? 'grid-cols-[5rem_minmax(0,1fr)]' : 'grid-cols-[5rem_repeat(7,minmax(0,1fr))]';
  const at = { row: Math.min(focus.row, rows.length - 1), column: Math.min(focus.column, days.length - 1) };

  const go = (row: number, column: number) => {
    const to = { row: Math.max(0, Math.min(rows.length - 1, row)), column: Math.max(0, Math.min(days.length - 1, column)) };
    setFocus(to);
    grid.current?.querySelector<HTMLElement>(`[data-at="${to.row}:${to.column}"]`)?.focus();
  };

  const press = (place: Place, itemId: string | null) => {
    if (ghostAt(place)) onGhost(place);
    else if (held) onDrop(place);
    else onSelect({ kind: 'meal', place, itemId });
  };

  const onKey = (event: React.KeyboardEvent, place: Place, row: number, column: number) => {
    const step = steps[event.key];
    const here = mealAt(place)?.items ?? [];
    const [first, last] = [here[0], here.at(-1)];
    const portion = here.find((item) => item.kind === 'draw');
    const by = (more: number) => portion && edits.sizeBy(portion.id, more);
    if (step) go(row + step[0], column + step[1]);
    else if (ghostAt(place)) {
      if (event.key !== 'Enter' && event.key !== ' ') return;
      onGhost(place);
    } else if (event.key === 'Enter' && held) onDrop(place);
    else if (event.key === 'Enter' && first) onHold({ batchId: null, itemId: first.id });
    else if (event.key === ' ' || event.key === 'Enter') onSelect({ kind: 'meal', place, itemId: first?.id ?? null });
    else if ((event.key === 'Delete' || event.key === 'Backspace') && last) edits.move(last, place, null);
    else if (event.key === '+' || event.key === '=') by(0.25);
    else if (event.key === '-') by(-0.25);
    else if (/^[a-zA-Z]$/.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey)
      onPlaceLetter(event.key.toUpperCase(), place);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  return (
    <div className="px-2 pb-2">
      {narrow && <DayTabs {...props} />}
      <div ref={grid} role="grid" aria-label="The week’s meals" className="min-w-0">
        <div role="row" className={`grid ${columns}`}>
          <span role="columnheader" className="sr-only">
            Meal and eater
          </span>
          <span aria-hidden="true" />
          {days.map((date) => (
            <button
              key={date}
              type="button"
              role="columnheader"
              data-day={date}
              onClick={() => onSelect({ kind: 'day', date })}
              className={`flex items-baseline justify-between px-1 py-1 font-display font-semibold hover:text-cobalt ${date === today ? 'text-cobalt' : date < today ? 'text-steel' : ''} ${selected?.kind === 'day' && selected.date === date ? 'underline' : ''}`}
            >
              {weekday(date)}
              <span className="figures font-sans text-xs font-normal text-steel">{date === today ? 'today' : dayMonth(date)}</span>
            </button>
          ))}
        </div>
        {rows.map(({ meal, name, eater }, row) => {
          const servings = days.map((date) => mealAt({ date, meal, eaterId: eater.id }));
          const joins = joinsOf(servings);
          const sourceOn = (date: string) => eater.meals.find((one) => one.meal === meal)?.days[board.days.indexOf(date)] ?? 'nothing';
          // A meal that nothing is wanted for all week leaves its room to the others.
          const isSlim = !narrow && servings.every((serving) => serving === null) && days.every((date) => sourceOn(date) === 'nothing');
          return (
            <div
              key={`${meal}:${eater.id}`}
              role="row"
              className={`grid gap-px ${columns} ${row % eaters.length === 0 ? 'border-t border-rim pt-px' : 'pt-px'}`}
            >
              <div role="rowheader" className="flex flex-col pr-1 text-xs">
                <span className={row % eaters.length === 0 ? 'font-display text-sm font-semibold first-letter:uppercase' : 'sr-only'}>
                  {name}
                </span>
                <span className={isSlim && row % eaters.length === 0 ? 'sr-only' : 'truncate pb-1 text-steel'}>{eater.name}</span>
              </div>
              {days.map((date, column) => {
                const place = { date, meal, eaterId: eater.id };
                return (
                  <BoardCell
                    key={date}
                    place={place}
                    position={`${row}:${column}`}
                    isTabStop={at.row === row && at.column === column}
                    label={`${weekday(date)} ${name}, ${eater.name}`}
                    serving={mealAt(place)}
                    board={board}
                    source={sourceOn(date)}
                    isSlim={isSlim}
                    canTake={isCookedBy(carriedBatch, date)}
                    isHolding={carried !== null}
                    held={held}
                    selected={selected}
                    onFocus={() => setFocus({ row, column })}
                    onKeyDown={(event) => onKey(event, place, row, column)}
                    onClick={() => press(place, null)}
                    onPick={(item) => press(place, item.id)}
                    ghost={ghostAt(place)}
                    joins={joins[column] ?? { before: false, after: false }}
                    isOver={date < today}
                  />
                );
              })}
            </div>
          );
        })}
        {judged.map((eater, index) => (
          <div key={eater.id} role="row" className={`grid gap-x-2 ${columns} ${index === 0 ? 'mt-1 border-t-2 border-rim pt-1' : 'pt-1'}`}>
            <span role="rowheader" className="truncate pt-2 text-xs text-steel">
              {eater.name}
            </span>
            {days.map((date) => (
              <div key={date} role="gridcell" className="min-w-0">
                <DayRuler board={board} eaterId={eater.id} date={date} hasProtocol={eater.protocols.length > 0} />
              </div>
            ))}
          </div>
        ))}
      </div>
      {eaters.map((eater) => (
        <WeekTallies key={eater.id} eater={eater} isNamed={judged.length > 1} />
      ))}
    </div>
  );
}

function DayRuler({ board, eaterId, date, hasProtocol }: { board: Board; eaterId: string; date: string; hasProtocol: boolean }) {
  const day = board.ledger.find((one) => one.eaterId === eaterId && one.date === date);
  if (!day) return null;
  if (day.pinned.length > 0) {
    // What breaks is seen, whatever else somebody looks at.
    const { tightest } = day;
    const isSeen =
      !tightest || tightest.verdict === 'fits' || tightest.needsAllowance || day.pinned.some(({ rule }) => rule === tightest.rule);
    return (
      <div className="flex flex-col gap-1">
        {(isSeen ? day.pinned : [tightest, ...day.pinned]).map((finding) => (
          <Ruler key={finding.rule} finding={finding} narrow />
        ))}
      </div>
    );
  }
  if (day.tightest && !day.tightest.needsAllowance) return <Ruler finding={day.tightest} narrow />;
  if (!hasProtocol || day.tightest) {
    return (
      <Link to="/table" className="flex items-center gap-1 pt-1 text-xs text-cobalt hover:underline">
        <Lozenge verdict="cannotTell" size={11} /> {hasProtocol ? 'state allowance' : 'no protocol'}
      </Link>
    );
  }
  return (
    <p className="flex items-center gap-1 pt-1 text-xs text-steel">
      <Lozenge verdict={day.verdict} size={11} /> {day.verdict === 'fits' ? 'nothing excluded' : verdictWord[day.verdict]}
    </p>
  );
}

function DayTabs({ board, day, onDay, today }: BoardProps) {
  return (
    <div role="tablist" aria-label="Day" className="flex justify-between pt-1">
      {board.days.map((date) => (
        <button
          key={date}
          type="button"
          role="tab"
          aria-selected={date === day}
          onClick={() => onDay(date)}
          className={`min-h-11 flex-1 border-b-2 text-sm ${date === day ? 'border-cobalt font-bold' : 'border-transparent text-steel'} ${date === today ? 'text-cobalt' : ''}`}
        >
          {weekday(date)}
        </button>
      ))}
    </div>
  );
}
