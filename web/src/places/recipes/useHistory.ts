import { useQuery } from '@tanstack/react-query';
import { api, take } from '../../api/client';

/** A recipe's versions, their differences, and what was weighed of it. */
export const useHistory = (id: string) =>
  useQuery({
    queryKey: ['recipes', id, 'history'],
    queryFn: () => take(api.GET('/api/recipes/{id}/history', { params: { path: { id } } })),
  });
