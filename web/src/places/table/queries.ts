import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Schemas, take } from '../../api/client';
import { useNotices } from '../../pieces/Notice';
import { useUndo } from '../../pieces/useUndo';

export type Page = Schemas['TablePage'];
export type Eater = Schemas['TableEater'];
export type Effect = Schemas['Effect'];

export function useTable() {
  return useQuery({ queryKey: ['table'], queryFn: () => take(api.GET('/api/table')) });
}

type Edit = { ask: () => Promise<Schemas['Effects'] | undefined>; say: string };

/** Changes something at the table; everything that is judged by it is asked anew, and what it turned is kept to be shown. */
export function useTableEdit() {
  const queries = useQueryClient();
  const { done, refused } = useNotices();
  const [turned, setTurned] = useState<{ say: string; changes: Effect[] } | null>(null);
  const undo = useUndo();
  const edit = useMutation({
    mutationFn: ({ ask }: Edit) => ask(),
    onSuccess: async (effects, { say }) => {
      setTurned(effects && effects.changes.length > 0 ? { say, changes: effects.changes } : null);
      // A board drawn for other eaters must not flash up first.
      queries.removeQueries({ queryKey: ['week'] });
      await queries.invalidateQueries();
      done(say, () => undo(() => setTurned(null)));
    },
    onError: (error) => {
      queries.invalidateQueries({ queryKey: ['table'] });
      refused(error);
    },
  });
  return { ...edit, turned, forget: () => setTurned(null) };
}

export type TableEdit = ReturnType<typeof useTableEdit>;

/** Reads a typed number with either decimal mark; null for nothing, NaN for no number. */
export const typedNumber = (typed: string) => (typed.trim() === '' ? null : Number(typed.trim().replace(',', '.')));
