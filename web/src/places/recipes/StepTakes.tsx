import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Plus, X } from 'lucide-react';
import type { Schemas } from '../../api/client';
import type { DraftLine } from './queries';

type Task = Schemas['DraftTask'];

/** What a step takes, as its words have it; a press takes a line out of it or puts another in. */
export function StepTakes({
  number,
  task,
  read,
  lines,
  onLines,
}: {
  number: number;
  task: Task;
  read: Schemas['SheetStep'] | undefined;
  lines: readonly DraftLine[];
  onLines: (lines: string[] | null) => void;
}) {
  const takes = read?.takes ?? [];
  const ids = task.lines ?? takes.map((take) => take.line);
  const others = lines.filter((line) => line.text.trim() && !ids.includes(line.id as string));
  return (
    <div className="flex flex-wrap items-center gap-x-1.5 gap-y-1 text-sm">
      <span className="text-steel">Takes</span>
      {takes.map((take) => (
        <span key={take.line} className="figures inline-flex items-center border-b border-line">
          {take.said}
          <button
            type="button"
            aria-label={`Step ${number} does not take ${take.said}`}
            className="flex size-6 items-center justify-center text-steel hover:text-rim"
            onClick={() => onLines(ids.filter((id) => id !== take.line))}
          >
            <X size={13} />
          </button>
        </span>
      ))}
      {takes.length === 0 && <span className="text-steel">nothing new</span>}
      {others.length > 0 && (
        <Menu>
          <MenuButton aria-label={`Step ${number} takes another line`} className="flex size-6 items-center justify-center text-cobalt">
            <Plus size={15} />
          </MenuButton>
          <MenuItems
            anchor="bottom start"
            className="rimmed z-30 max-h-72 w-72 overflow-y-auto border-x border-b border-line p-1 text-sm shadow-lg"
          >
            {others.map((line) => (
              <MenuItem key={line.id}>
                <button
                  type="button"
                  className="block w-full px-2 py-1 text-left data-focus:bg-tray"
                  onClick={() => onLines([...ids, line.id as string])}
                >
                  {line.text}
                </button>
              </MenuItem>
            ))}
          </MenuItems>
        </Menu>
      )}
      {task.lines && (
        <button type="button" className="text-cobalt hover:underline" onClick={() => onLines(null)}>
          Let its words decide
        </button>
      )}
    </div>
  );
}
