import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Kept, type Schemas, take } from '../../api/client';
import { useEdit } from '../../pieces/useEdit';

export type Page = Schemas['TablePage'];
export type Eater = Schemas['TableEater'];
export type Effect = Schemas['Effect'];

export function useTable() {
  return useQuery({ queryKey: ['table'], queryFn: () => take(api.GET('/api/table')) });
}

/** Changes something at the table; everything that is judged by it is asked anew, and what it turned is kept to be shown. */
export function useTableEdit() {
  const queries = useQueryClient();
  const [turned, setTurned] = useState<{ say: string; changes: Effect[] } | null>(null);
  const edit = useEdit();
  return {
    turned,
    forget: () => setTurned(null),
    problem: edit.problem,
    isPending: edit.isPending,
    run: (act: { ask: () => Promise<Kept<Schemas['Effects'] | undefined>>; say: string; last?: () => void; isTold?: boolean }) =>
      edit.run({
        ...act,
        settle: async (effects) => {
          setTurned(effects && effects.changes.length > 0 ? { say: act.say, changes: effects.changes } : null);
          // A board drawn for other eaters must not flash up first.
          queries.removeQueries({ queryKey: ['week'] });
          await queries.invalidateQueries();
        },
        onUndone: () => setTurned(null),
      }),
  };
}

export type TableEdit = ReturnType<typeof useTableEdit>;
