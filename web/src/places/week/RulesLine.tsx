import { Button } from '../../pieces/Button';
import type { Board, BoardEdits } from './queries';

/** Where eaters stand in their phases, and rules that are newer than the ones the week was planned with. Nothing at all when there is neither. */
export function RulesLine({ board, edits }: { board: Board; edits: BoardEdits }) {
  const phases = board.eaters.filter((eater) => eater.today);
  if (phases.length === 0 && board.outdated.length === 0) return null;
  return (
    <div className="flex min-h-8 shrink-0 flex-wrap items-center gap-x-5 border-b border-line bg-tray px-3 text-sm">
      {phases.map((eater) => (
        <span key={eater.id}>
          <b>{eater.name}</b> {eater.today}
        </span>
      ))}
      {board.outdated.length > 0 && (
        <span className="flex items-center gap-1">
          This week keeps the version of {board.outdated.join(' and ')} that it was planned with.
          <Button look="bare" onClick={() => void edits.renewProtocols()}>
            Take the newest
          </Button>
        </span>
      )}
    </div>
  );
}
