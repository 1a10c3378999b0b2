import { useIsMutating } from '@tanstack/react-query';
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { Problem } from '../api/client';

type Shown = { kind: 'done' | 'refused'; title: string; detail: string; undo?: (() => void) | undefined };
type Notices = { done: (title: string, undo?: () => void) => void; refused: (error: unknown) => void };

/** Edits and undo go one after the other: an undo pressed at once must not overtake the edit it is meant for. */
export const edits = { id: 'edits' };

const Context = createContext<Notices>({ done: () => {}, refused: () => {} });

export const useNotices = () => useContext(Context);

/** One line at the foot: what was done, with its undo, or what was refused and the cure. */
export function NoticeBoard({ children }: { children: ReactNode }) {
  const [shown, setShown] = useState<Shown | null>(null);
  const done = useCallback((title: string, undo?: () => void) => setShown({ kind: 'done', title, detail: '', undo }), []);
  const refused = useCallback((error: unknown) => {
    const problem = error instanceof Problem ? error : new Problem(0, 'Something went wrong on this page.', 'Load it again.', '', '', '');
    setShown({ kind: 'refused', title: problem.title, detail: problem.cure });
  }, []);
  // While an edit is under way the line still tells of the one before: its undo would take back that one.
  const isEditing = useIsMutating({ predicate: (mutation) => mutation.options.scope?.id === edits.id }) > 0;
  const notices = useMemo(() => ({ done, refused }), [done, refused]);

  useEffect(() => {
    if (!shown) return;
    const timer = setTimeout(() => setShown(null), shown.kind === 'done' ? 6000 : 12000);
    return () => clearTimeout(timer);
  }, [shown]);

  return (
    <Context.Provider value={notices}>
      {children}
      <div aria-live="polite" className="pointer-events-none fixed inset-x-0 bottom-4 z-50 flex justify-center px-4 print:hidden">
        {shown && (
          <div className="rimmed pointer-events-auto flex max-w-xl items-center gap-3 border-x border-b border-line px-4 py-2 text-sm shadow-lg">
            <span>
              <b className={shown.kind === 'refused' ? 'text-beet' : ''}>{shown.title}</b> {shown.detail}
            </span>
            {shown.undo && (
              <button
                type="button"
                disabled={isEditing}
                className="font-semibold text-cobalt hover:underline disabled:text-steel disabled:no-underline"
                onClick={() => {
                  shown.undo?.();
                  setShown(null);
                }}
              >
                Undo
              </button>
            )}
            <button type="button" className="text-steel hover:text-rim" onClick={() => setShown(null)}>
              Dismiss
            </button>
          </div>
        )}
      </div>
    </Context.Provider>
  );
}
