import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { Link } from 'react-router';
import type { Schemas, Verdict } from '../../api/client';
import { Lozenge } from '../../pieces/Lozenge';
import type { Batch, Board } from './queries';

const action = 'font-semibold whitespace-nowrap text-cobalt hover:underline';

export type Trouble = Schemas['Trouble'];

const verdictOf: Record<Trouble['kind'], Verdict> = {
  breaks: 'breaks',
  pastItsTime: 'breaks',
  noRoom: 'breaks',
  open: 'cannotTell',
  tooClose: 'tooClose',
  cannotTell: 'cannotTell',
  unstated: 'cannotTell',
};

const counted: [Trouble['kind'], string, string][] = [
  ['breaks', 'break', 'breaks'],
  ['pastItsTime', 'dish past its time', 'dishes past their time'],
  ['noRoom', 'short of room', 'short of room'],
  ['open', 'open meal', 'open meals'],
  ['tooClose', 'too close to call', 'too close to call'],
  ['cannotTell', 'can’t be told', 'can’t be told'],
  ['unstated', 'allowance to state', 'allowances to state'],
];

/** What other meals may cure. */
const mendable: Trouble['kind'][] = ['breaks', 'pastItsTime', 'cannotTell'];

const isToCome = (trouble: Trouble, today: string) => trouble.days.length === 0 || trouble.days.some((day) => day >= today);

/** One line on top: what breaks, or what lies in the hand. */
export function TroubleLine({
  board,
  heldBatch,
  isProposed,
  today,
  onLetGo,
  onShow,
  onFill,
  onMend,
  onMendThis,
}: {
  board: Board;
  heldBatch: Batch | null;
  /** The board shows the week as it would be. */
  isProposed: boolean;
  today: string;
  onLetGo: () => void;
  onShow: (trouble: Trouble) => void;
  onFill: () => void;
  onMend: () => void;
  onMendThis: (trouble: Trouble) => void;
}) {
  const look = 'flex min-h-9 shrink-0 flex-wrap items-center gap-x-3 border-b border-line px-3 py-1 text-sm sm:flex-nowrap sm:py-0';
  if (heldBatch) {
    return (
      <div role="status" className={`${look} bg-tray`}>
        <span className="min-w-0 truncate">
          <b>Holding {heldBatch.letter}</b>, {heldBatch.name}. Click a meal, or move with the arrow keys and press Enter.
        </span>
        <button type="button" onClick={onLetGo} className="font-semibold whitespace-nowrap text-cobalt hover:underline">
          Let go
        </button>
      </div>
    );
  }

  if (board.batches.length === 0) return <NextStep board={board} look={look} onFill={onFill} />;

  const first = board.troubles[0];
  if (!first) {
    return (
      <div role="status" className={look}>
        <Lozenge verdict="fits" />
        The week fits, and every meal from the prep is covered.
      </div>
    );
  }

  const counts = counted
    .map(([kind, one, many]) => {
      const count = board.troubles.reduce((sum, trouble) => sum + (trouble.kind === kind ? trouble.count : 0), 0);
      return [count, one, many] as const;
    })
    .filter(([count]) => count > 0);
  const canMend = (trouble: Trouble) => !isProposed && mendable.includes(trouble.kind) && isToCome(trouble, today);
  const canFill = (trouble: Trouble) => !isProposed && trouble.kind === 'open';
  const cureOf = (trouble: Trouble, then = () => {}) =>
    canMend(trouble) ? (
      <button
        type="button"
        onClick={() => {
          then();
          onMendThis(trouble);
        }}
        className={action}
      >
        Mend this
      </button>
    ) : canFill(trouble) ? (
      <button
        type="button"
        onClick={() => {
          then();
          onFill();
        }}
        className={action}
      >
        Fill …
      </button>
    ) : trouble.kind === 'unstated' ? (
      <Link to="/table" className={action}>
        Set it
      </Link>
    ) : null;
  return (
    <div role="status" className={look}>
      <button
        type="button"
        onClick={() => onShow(first)}
        className="flex min-w-0 basis-full items-center gap-2 text-left hover:text-cobalt sm:basis-auto"
      >
        <Lozenge verdict={verdictOf[first.kind]} />
        <span className="font-medium sm:truncate">{first.text}</span>
      </button>
      {first.kind !== 'open' && cureOf(first)}
      <span className="flex-1" />
      {!isProposed && board.troubles.some(canFill) && (
        <button type="button" onClick={onFill} className={action}>
          Fill the week …
        </button>
      )}
      {board.troubles.filter(canMend).length > 1 && (
        <button type="button" onClick={onMend} className={action}>
          Mend the week
        </button>
      )}
      <Popover>
        <PopoverButton className="figures font-semibold whitespace-nowrap text-cobalt hover:underline">
          {counts.map(([count, one, many]) => `${count} ${count === 1 ? one : many}`).join(' · ')}
        </PopoverButton>
        <PopoverPanel
          anchor="bottom end"
          className="rimmed z-30 mt-1 max-h-96 w-[min(40rem,90vw)] overflow-auto border-x border-b border-line p-1 text-sm shadow-lg"
        >
          {({ close }) => (
            <ul>
              {board.troubles.map((trouble) => (
                <li key={trouble.text} className="flex items-start gap-3 px-2 py-1.5 hover:bg-tray">
                  <button
                    type="button"
                    disabled={trouble.days.length === 0}
                    onClick={() => {
                      close();
                      onShow(trouble);
                    }}
                    className="flex flex-1 items-start gap-2 text-left"
                  >
                    <span className="pt-0.5">
                      <Lozenge verdict={verdictOf[trouble.kind]} />
                    </span>
                    {trouble.text}
                  </button>
                  {cureOf(trouble, close)}
                </li>
              ))}
            </ul>
          )}
        </PopoverPanel>
      </Popover>
    </div>
  );
}

/** An empty week says what to do next, with the one action that does it. */
function NextStep({ board, look, onFill }: { board: Board; look: string; onFill: () => void }) {
  // Somebody may eat along under no rules at all; only a table without any is asked.
  const without = board.eaters.every((eater) => eater.protocols.length === 0) ? board.eaters[0] : undefined;
  return (
    <div role="status" className={look}>
      {without ? (
        <>
          <span>Nothing is planned yet. Say first what {without.name} may have, so that every dish can be judged.</span>
          <Link to="/start" className={action}>
            Set the table
          </Link>
          <button type="button" onClick={onFill} className={action}>
            Fill the week …
          </button>
        </>
      ) : (
        <>
          <span>Nothing is planned yet. Let the open meals be filled from your recipes, or make a batch and place its portions.</span>
          <button type="button" onClick={onFill} className={action}>
            Fill the week …
          </button>
          <Link to={`/week/${board.start}?make=1`} className={action}>
            Make a batch
          </Link>
        </>
      )}
    </div>
  );
}
